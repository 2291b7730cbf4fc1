/** An age of so many months at least and at most, for people: `11 to 12 months`. */
export function ageText([least, most]: [number, number]): string {
  const range = least === most ? String(least) : `${least} to ${most}`;
  return `${range} ${most === 1 ? 'month' : 'months'}`;
}
