const CASE_NUMBER = /^PP-\d{4,}$/;

/** The number of the case whose slip was scanned; null where it is something else. */
export function slipIn(text: string): string | null {
  const number = text.trim().toUpperCase();
  return CASE_NUMBER.test(number) ? number : null;
}
