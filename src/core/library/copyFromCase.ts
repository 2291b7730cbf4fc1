import type { CaseFile } from '../casefile/caseFile';
import type { Finding } from '../checks/finding';
import type { KnownCopy } from '../releases/knownCopy';
import type { Release } from '../releases/release';
import { picturedBy } from './picturedBy';

/** So many pictures a make keeps. */
const MOST_PICTURES = 40;

const MOST_SAID = 200;
const cut = (text: string): string => (text.length > MOST_SAID ? `${text.slice(0, MOST_SAID - 1)}…` : text);

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

/** A make’s signs, with those of other checks. */
const withSigns = ({ signs }: KnownCopy, more: KnownCopy['signs']): KnownCopy['signs'] => [
  ...signs,
  ...more.filter(({ check }) => !signs.some((sign) => sign.check === check)),
];

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
 * @param alike numbers of other cases that are of the same make
 */
export function noteCopy(
  release: Release,
  make: { id: string; name: string; generation?: string },
  file: CaseFile,
  findings: Finding[],
  size: number | null,
  alike: string[] = [],
): Release {
  const copies = release.copies ?? [];
  const met = file.opened.at.slice(0, 10);
  const known = copies.find(({ id }) => id === make.id);
  const signs = signsOf(findings, size);
  const measured = findings.flatMap(({ check: { answer }, value }) =>
    'measure' in answer && value !== undefined ? [{ measure: answer.measure, size, value }] : [],
  );
  const pictures = file.photos.map(({ sha256 }) => sha256);
  const [firstMet = met, , lastMet = met] = [met, known?.firstMet ?? met, known?.lastMet ?? met].sort();
  const next: KnownCopy = known
    ? {
        ...known,
        firstMet,
        lastMet,
        signs: withSigns(known, signs),
        measured: known.cases.includes(file.number) ? known.measured : newest([...(known.measured ?? []), ...measured]),
        pictures: [...new Set([...known.pictures, ...pictures])].slice(0, MOST_PICTURES),
        ...picturedBy(file.photos, known.pictured),
        cases: [...new Set([...known.cases, file.number, ...alike])],
      }
    : {
        ...make,
        firstMet: met,
        lastMet: met,
        signs,
        measured,
        pictures: pictures.slice(0, MOST_PICTURES),
        ...picturedBy(file.photos),
        cases: [file.number, ...alike.filter((number) => number !== file.number)],
      };
  const others = copies
    .filter(({ id }) => id !== make.id)
    .map((copy) => ({ ...copy, cases: copy.cases.filter((number) => !next.cases.includes(number)) }));
  return { ...release, copies: [...others, next] };
}

/** Two makes that turned out to be one: what the first has goes to the second, whose name it keeps. */
export function mergeMakes(copies: KnownCopy[], from: string, into: string): KnownCopy[] {
  const [one, other] = [from, into].map((id) => copies.find((copy) => copy.id === id));
  if (!one || !other || one === other) return copies;
  const pictures = [...new Set([...other.pictures, ...one.pictures])].slice(0, MOST_PICTURES);
  const pictured = Object.entries({ ...one.pictured, ...other.pictured }).filter(([sha256]) =>
    pictures.includes(sha256),
  );
  const days = [one.firstMet, one.lastMet, other.firstMet, other.lastMet].sort();
  const merged: KnownCopy = {
    ...other,
    firstMet: days[0] as string,
    lastMet: days[3] as string,
    signs: withSigns(other, one.signs),
    measured: newest([...(one.measured ?? []), ...(other.measured ?? [])]),
    values: { ...one.values, ...other.values },
    pictures,
    ...(pictured.length > 0 ? { pictured: Object.fromEntries(pictured) } : {}),
    cases: [...new Set([...other.cases, ...one.cases])],
    ...(one.note || other.note ? { note: [other.note, one.note].filter(Boolean).join(' ').slice(0, 1000) } : {}),
  };
  return copies.filter(({ id }) => id !== from).map((copy) => (copy.id === into ? merged : copy));
}
