/** The chance of a logit. */
export const sigmoid = (logit: number): number => 1 / (1 + Math.exp(-logit));
