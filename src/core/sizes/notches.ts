import { cleanText } from '../codes/clean';

/** A notch that a maker cuts into the edge of an insole, and what one of them counts. */
export interface Notch {
  name: string;
  lengthMm: number;
  value: number;
}

export type TallyResult =
  | { sum: number; display: string; failure?: undefined }
  | { sum?: undefined; display?: undefined; failure: string };

/** Notches are measured with a ruler; this far off still counts as that length. */
const SLACK_MM = 1;
const MOST = 40;

/** One entry: `4 long`, `long 4`, `4x8`, a name or a length alone. */
function entry(text: string, notches: Notch[]): { notch: Notch; count: number } | string {
  const byName = (name: string) => notches.find((each) => each.name.toUpperCase() === name.toUpperCase());
  const byLength = (mm: number) =>
    notches
      .filter((each) => Math.abs(each.lengthMm - mm) <= SLACK_MM)
      .sort((a, b) => Math.abs(a.lengthMm - mm) - Math.abs(b.lengthMm - mm))[0];
  const match = /^(?:(\d{1,2})\s*[x×]?\s+)?([\p{L}]+)(?:\s*[x×]?\s*(\d{1,2}))?$/u.exec(text);
  if (match) {
    const notch = byName(match[2] as string);
    if (notch) return { notch, count: Number(match[1] ?? match[3] ?? 1) };
  }
  const measured = /^(?:(\d{1,2})\s*[x×]\s*)?(\d{1,2}(?:[.,]\d)?)\s*(?:mm)?$/i.exec(text);
  const notch = measured ? byLength(Number((measured[2] as string).replace(',', '.'))) : undefined;
  if (measured && notch) return { notch, count: Number(measured[1] ?? 1) };
  const known = notches.map(({ name, lengthMm }) => `${name} (${lengthMm} mm)`).join(', ');
  return `“${text.slice(0, 20)}” is no notch of this maker; it cuts ${known}.`;
}

/**
 * Add up the notches of an insole edge.
 *
 * @param raw by name or by length in mm: `4 long, 2 short` or `8 8 8 8 3 3` or `4x8 2x3`
 * @param notches what the maker's chart says each counts
 * @returns the sum, or what cannot be read
 * @example tallyNotches('4 long, 1 short', notches).sum // 42
 */
export function tallyNotches(raw: string, notches: Notch[]): TallyResult {
  const text = cleanText(raw);
  const parts = /[,;+]/.test(text) || /\p{L}/u.test(text) ? text.split(/\s*[,;+]\s*/) : text.split(' ');
  const counts = new Map<Notch, number>();
  for (const part of parts.filter((each) => each !== '')) {
    const read = entry(part, notches);
    if (typeof read === 'string') return { failure: read };
    counts.set(read.notch, (counts.get(read.notch) ?? 0) + read.count);
  }
  const total = [...counts.values()].reduce((sum, count) => sum + count, 0);
  if (total === 0) return { failure: 'No notch was entered.' };
  if (total > MOST) return { failure: `${total} notches are more than an insole has room for.` };
  const sum = [...counts].reduce((so, [{ value }, count]) => so + value * count, 0);
  const display = [...counts].map(([{ name }, count]) => `${count} ${name}`).join(' + ');
  return { sum: Number(sum.toFixed(2)), display };
}
