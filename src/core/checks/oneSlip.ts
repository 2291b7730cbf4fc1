/**
 * Whether two texts are one slip of the fingers apart: a character missing, added, wrong, or two swapped. Case counts
 * for nothing.
 *
 * @example oneSlip('Brigth', 'bright') // true
 */
export function oneSlip(typed: string, meant: string): boolean {
  const [a, b] = [typed.toLowerCase(), meant.toLowerCase()];
  if (a === b || Math.abs(a.length - b.length) > 1) return false;
  let from = 0;
  while (from < a.length && a[from] === b[from]) from++;
  const [restA, restB] = [a.slice(from), b.slice(from)];
  if (a.length !== b.length) return a.length > b.length ? restA.slice(1) === restB : restA === restB.slice(1);
  const swapped = restA[0] === restB[1] && restA[1] === restB[0] && restA.slice(2) === restB.slice(2);
  return swapped || restA.slice(1) === restB.slice(1);
}
