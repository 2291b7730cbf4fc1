/** Whether every bar of this run was met. */
export let allMet = true;

/** One line for a bar that an issue sets: name, value, bar, `met` or `MISSED`. */
export function bar(name: string, value: number, limit: number, kind: 'at most' | 'at least', unit = ''): void {
  const met = kind === 'at most' ? value <= limit : value >= limit;
  if (!met) allMet = false;
  const figure = (n: number) => (Number.isInteger(n) ? String(n) : n.toFixed(n < 10 ? 3 : 1));
  console.log(
    `${name.padEnd(58)} ${figure(value).padStart(9)} ${unit.padEnd(4)} bar ${kind} ${figure(limit)} ${unit.padEnd(4)} ${met ? 'met' : 'MISSED'}`,
  );
}
