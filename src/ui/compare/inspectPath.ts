/** Inspect of a case, at one of its checks. */
export const inspectPath = (number: string, check: string): string => `/case/${number}/inspect?check=${check}`;
