import tools from './tools.json';

/** The tools of a bench, by id. */
export const TOOLS: Record<string, string> = tools;

/** Tools inside a sentence: `scale, UV torch`. */
export const toolWords = (tools: string[]): string =>
  tools.map((tool) => (TOOLS[tool] ?? tool).replace(/^\p{Lu}(?!\p{Lu})/u, (first) => first.toLowerCase())).join(', ');
