/** The texts of a list that are there several times, each once. */
export const repeated = (texts: string[]): string[] => [
  ...new Set(texts.filter((text, i) => texts.indexOf(text) !== i)),
];
