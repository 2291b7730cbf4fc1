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

/** The ways in which a count of notches is written, with their groups: count, name, length in mm. */
const FORMS: RegExp[] = [
  /^(?<length>\d{1,2}(?:[.,]\d)?) ?mm ?x ?(?<count>\d{1,2})(?!\d)/i,
  /^(?<count>\d{1,2}) ?x ?(?<length>\d{1,2}(?:[.,]\d)?)(?: ?mm)?(?![\d\p{L}])/iu,
  /^(?<count>\d{1,2}) ?(?:x )?(?!mm)(?<name>\p{L}+)/iu,
  /^(?<name>\p{L}+) ?(?:x )?(?<count>\d{1,2})(?![\d.,])/iu,
  /^(?<length>\d{1,2}(?:[.,]\d)?)(?: ?mm|(?! ?\p{L}))(?![\d\p{L}])/iu,
  /^(?<name>\p{L}+)/iu,
];

/** By its name or the letter that it begins with, if only one does. */
function byName(name: string, notches: Notch[]): Notch | undefined {
  const upper = name.toUpperCase().replace(/S$/, '') || name.toUpperCase();
  const whole = notches.find((each) => each.name.toUpperCase() === upper);
  const begun = notches.filter((each) => each.name.toUpperCase().startsWith(name.toUpperCase()));
  return whole ?? (begun.length === 1 ? begun[0] : undefined);
}

function byLength(mm: number, notches: Notch[]): Notch | undefined {
  const off = ({ lengthMm }: Notch) => Math.abs(lengthMm - mm);
  return notches.filter((each) => off(each) <= SLACK_MM).sort((a, b) => off(a) - off(b))[0];
}

/** The first count of a text with what follows it: `4 long`, `long 4`, `4L`, `4x8`, `8mm x4`, a name or a length alone. */
function entry(text: string, notches: Notch[]): { notch: Notch; count: number; rest: string } | string {
  for (const pattern of FORMS) {
    const match = pattern.exec(text);
    if (!match) continue;
    const { count = '1', name, length } = match.groups ?? {};
    const notch = name ? byName(name, notches) : byLength(Number(length?.replace(',', '.')), notches);
    if (notch) return { notch, count: Number(count), rest: text.slice(match[0].length).trim() };
  }
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
  const parts = cleanText(raw)
    .replace(/[×*]/g, 'x')
    .replace(/\bnotch(es)?\b/gi, '')
    .split(/\s*(?:[,;+&]|\band\b)\s*/i);
  const counts = new Map<Notch, number>();
  if (/^\d{1,2}$/.test(parts.join()))
    return {
      failure: `“${parts[0]}” alone may count notches or measure one; say of which they are: “${parts[0]} long”.`,
    };
  for (const part of parts) {
    for (let rest = part.trim(); rest !== ''; ) {
      const read = entry(rest, notches);
      if (typeof read === 'string') return { failure: read };
      counts.set(read.notch, (counts.get(read.notch) ?? 0) + read.count);
      rest = read.rest;
    }
  }
  const total = [...counts.values()].reduce((sum, count) => sum + count, 0);
  if (total === 0) return { failure: 'No notch was entered.' };
  if (total > MOST) return { failure: `${total} notches are more than an insole has room for.` };
  const sum = [...counts].reduce((so, [{ value }, count]) => so + value * count, 0);
  const display = [...counts].map(([{ name }, count]) => `${count} ${name}`).join(' + ');
  return { sum: Number(sum.toFixed(2)), display };
}
