import type { CaseFile } from '../casefile/caseFile';
import type { Finding } from '../checks/finding';
import type { KnownCopy } from '../releases/knownCopy';
import type { Release } from '../releases/release';
import { picturedBy } from './picturedBy';

/** So many pictures a make keeps. */
const MOST_PICTURES = 40;

const MOST_SAID = 200;
const cut = (text: string): string => (text.length > MOST_SAID ? `${text.slice(0, MOST_SAID - 1)}…` : text);

/** So many signs, and the commonest of them. */
const MOST_SIGNS = 100;

/** So many measurements, and the newest of them. */
const MOST_MEASURED = 600;

/**
 * What gives a counterfeit away, as a known make lists it.
 *
 * @param size its leading size, said with what was measured; null for goods without
 */
export const signsOf = (findings: Finding[], size: number | null): KnownCopy['signs'] =>
  findings
    .filter(({ mark }) => mark === 'differs' || mark === 'missing')
    .map(({ check, choice, text, left, right, value, nominal, reason }) => {
      const figures = left === undefined ? value : `left ${left}, right ${right}`;
      const at = check.answer.form === 'quantity' && size !== null ? `at size ${size}` : '';
      const measured = figures === undefined ? undefined : [figures, nominal?.unit, at].filter(Boolean).join(' ');
      return { check: check.id, shows: cut(choice ?? text ?? measured ?? reason ?? 'differs') };
    });

const newest = (measured: KnownCopy['measured'] & object) => measured.slice(-MOST_MEASURED);

type Signs = KnownCopy['signs'];

const commonestFirst = (signs: Signs): Signs => signs.toSorted((a, b) => (b.cases ?? 0) - (a.cases ?? 0));

/**
 * A make’s signs with those of more copies, the commonest first; where both show one, it was met in the cases of both.
 * What nobody counted from the beginning stays without a count.
 */
function withSigns(signs: Signs, more: Signs): Signs {
  const also = new Map(more.map((sign) => [sign.check, sign]));
  const merged = signs.map(({ cases, ...sign }): Signs[number] => {
    const others = also.get(sign.check);
    if (cases === undefined || (others && others.cases === undefined)) return sign;
    return { ...sign, cases: cases + (others?.cases ?? 0) };
  });
  const fresh = more.filter(({ check }) => !signs.some((sign) => sign.check === check));
  return commonestFirst([...merged, ...fresh]).slice(0, MOST_SIGNS);
}

/** What one copy showed. */
type Shown = Pick<Required<KnownCopy>, 'signs' | 'measured' | 'pictures'>;

/** For which check pictures were taken, of those that a make keeps. */
function picturedOf(pictures: string[], known: KnownCopy['pictured']): KnownCopy['pictured'] {
  const kept = Object.entries(known ?? {}).filter(([sha256]) => pictures.includes(sha256));
  return kept.length > 0 ? Object.fromEntries(kept) : undefined;
}

/** A make of which a case turned out to be none: what was only met there goes with it. */
function withoutCase(copy: KnownCopy, number: string, { signs, measured, pictures }: Shown): KnownCopy {
  if (!copy.cases.includes(number)) return copy;
  const kept = copy.pictures.filter((each) => !pictures.includes(each));
  const gone = new Set(signs.map(({ check }) => check));
  const key = (each: object) => JSON.stringify(each);
  const left = measured.map(key);
  return {
    ...copy,
    cases: copy.cases.filter((each) => each !== number),
    signs: commonestFirst(
      copy.signs.flatMap((sign) => {
        if (sign.cases === undefined || !gone.has(sign.check)) return [sign];
        return sign.cases > 1 ? [{ ...sign, cases: sign.cases - 1 }] : [];
      }),
    ),
    measured: copy.measured?.filter((each) => {
      const at = left.indexOf(key(each));
      if (at >= 0) left.splice(at, 1);
      return at < 0;
    }),
    pictures: kept,
    pictured: picturedOf(kept, copy.pictured),
  };
}

/** How many of a make's signs an item shows, and how many of those that could be seen it does not. */
export interface MakeLikeness {
  make: KnownCopy;
  shown: number;
  notShown: number;
}

/** Known makes by how many of their signs an item shows; those of which it shows none are left out. */
export function likeMakes({ copies = [] }: Pick<Release, 'copies'>, findings: Finding[]): MakeLikeness[] {
  const marks = new Map(findings.map(({ check, mark }) => [check.id, mark]));
  return copies
    .map((make) => {
      const seen = make.signs.map(({ check }) => marks.get(check));
      return {
        make,
        shown: seen.filter((mark) => mark === 'differs' || mark === 'missing').length,
        notShown: seen.filter((mark) => mark === 'agrees').length,
      };
    })
    .filter(({ shown }) => shown > 0)
    .sort((a, b) => b.shown - b.notShown - (a.shown - a.notShown));
}

/**
 * The release with a counterfeit noted under a make: a new one, or one more of a known one. A case is of one make: it is
 * taken out of the others.
 *
 * @param size its leading size; null for goods without
 */
export function noteCopy(
  release: Release,
  make: { id: string; name: string; generation?: string },
  file: CaseFile,
  findings: Finding[],
  size: number | null,
): Release {
  const copies = release.copies ?? [];
  const met = file.opened.at.slice(0, 10);
  const shown: Shown = {
    signs: signsOf(findings, size).map((sign) => ({ ...sign, cases: 1 })),
    measured: findings.flatMap(({ check: { answer }, value }) =>
      'measure' in answer && value !== undefined ? [{ measure: answer.measure, size, value }] : [],
    ),
    pictures: file.photos.map(({ sha256 }) => sha256),
  };
  const known = copies.find(({ id }) => id === make.id);
  if (known?.cases.includes(file.number)) return release;
  const [firstMet = met, , lastMet = met] = [met, known?.firstMet ?? met, known?.lastMet ?? met].sort();
  const next: KnownCopy = {
    ...(known ?? make),
    firstMet,
    lastMet,
    signs: withSigns(known?.signs ?? [], shown.signs),
    measured: newest([...(known?.measured ?? []), ...shown.measured]),
    pictures: [...new Set([...(known?.pictures ?? []), ...shown.pictures])].slice(0, MOST_PICTURES),
    ...picturedBy(file.photos, known?.pictured),
    cases: [...(known?.cases ?? []), file.number],
  };
  const others = copies.filter(({ id }) => id !== make.id).map((copy) => withoutCase(copy, file.number, shown));
  return { ...release, copies: [...others, next] };
}

/** Two makes that turned out to be one: what the first has goes to the second, whose name it keeps. */
export function mergeMakes(copies: KnownCopy[], from: string, into: string): KnownCopy[] {
  const [one, other] = [from, into].map((id) => copies.find((copy) => copy.id === id));
  if (!one || !other || one === other) return copies;
  const pictures = [...new Set([...other.pictures, ...one.pictures])].slice(0, MOST_PICTURES);
  const days = [one.firstMet, one.lastMet, other.firstMet, other.lastMet].sort();
  const merged: KnownCopy = {
    ...other,
    firstMet: days[0] as string,
    lastMet: days[3] as string,
    signs: withSigns(other.signs, one.signs),
    measured: newest([...(one.measured ?? []), ...(other.measured ?? [])]),
    values: { ...one.values, ...other.values },
    pictures,
    pictured: picturedOf(pictures, { ...one.pictured, ...other.pictured }),
    cases: [...new Set([...other.cases, ...one.cases])],
    ...(one.note || other.note ? { note: [other.note, one.note].filter(Boolean).join(' ').slice(0, 1000) } : {}),
  };
  return copies.filter(({ id }) => id !== from).map((copy) => (copy.id === into ? merged : copy));
}
