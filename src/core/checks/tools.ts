import tools from './tools.json';

/** The tools of a bench, by id. */
export const TOOLS: Record<string, string> = tools;
