import type { CaseFile } from '../casefile/caseFile';
import type { Finding } from '../checks/finding';
import type { KnownCopy } from '../releases/knownCopy';
import type { Release } from '../releases/release';
import { picturedBy } from './picturedBy';

/** What gives a counterfeit away, as a known make lists it. */
export const signsOf = (findings: Finding[]): KnownCopy['signs'] =>
  findings
    .filter(({ mark }) => mark === 'differs' || mark === 'missing')
    .map(({ check, choice, text, left, right, value, nominal, reason }) => ({
      check: check.id,
      shows: (
        choice ??
        text ??
        (left ? `left ${left}, right ${right}` : undefined) ??
        (value === undefined ? undefined : `${value} ${nominal?.unit ?? ''}`.trim()) ??
        reason ??
        'differs'
      ).slice(0, 200),
    }));

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

/** The release with a counterfeit noted under a make: a new one, or one more of a known one. */
export function noteCopy(
  release: Release,
  make: { id: string; name: string; generation?: string },
  file: CaseFile,
  findings: Finding[],
): Release {
  const copies = release.copies ?? [];
  const met = file.opened.at.slice(0, 10);
  const known = copies.find(({ id }) => id === make.id);
  const signs = signsOf(findings);
  const values = Object.fromEntries(
    findings.flatMap(({ check: { answer }, value }) =>
      'measure' in answer && value !== undefined ? [[answer.measure, value]] : [],
    ),
  );
  const pictures = file.photos.map(({ sha256 }) => sha256);
  const [firstMet = met, , lastMet = met] = [met, known?.firstMet ?? met, known?.lastMet ?? met].sort();
  const next: KnownCopy = known
    ? {
        ...known,
        firstMet,
        lastMet,
        signs: [...known.signs, ...signs.filter(({ check }) => !known.signs.some((sign) => sign.check === check))],
        values: { ...values, ...known.values },
        pictures: [...new Set([...known.pictures, ...pictures])].slice(0, 40),
        ...picturedBy(file.photos, known.pictured),
        cases: [...new Set([...known.cases, file.number])],
      }
    : {
        ...make,
        firstMet: met,
        lastMet: met,
        signs,
        values,
        pictures: pictures.slice(0, 40),
        ...picturedBy(file.photos),
        cases: [file.number],
      };
  return { ...release, copies: [...copies.filter(({ id }) => id !== make.id), next] };
}
