/** Exit codes. */
export const FINE = 0;
export const PROBLEMS = 1;
export const WRONG_USE = 2;

/** Wrong use of the command line. */
export class UsageError extends Error {}

/** JSON on standard output. */
export const print = (value: unknown): void => {
  process.stdout.write(`${JSON.stringify(value, null, 2)}\n`);
};

/** What the options of the command line say. */
export interface Options {
  maker?: string;
  to?: string;
  keep?: string;
  name?: string;
  kind?: string;
  seed?: string;
  fault?: string;
  shot?: string;
  large?: boolean;
  demo?: boolean;
  'no-history'?: boolean;
}
