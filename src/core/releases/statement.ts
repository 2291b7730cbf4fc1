import type { Support } from '../checks/check';
import { type Day, formatDay } from '../dates/day';
import type { Release } from './release';

/**
 * What somebody says of one part of a release. The record holds what stands; a statement that says otherwise stands
 * beside it until a person decides.
 */
export interface Statement {
  /** A field of the record, or one entry of it: `releaseDate`, `nominal.cap-weight`. */
  about: string;
  /** Who says so. */
  source: string;
  on: Day;
  support: Support;
  /** What it says, where that differs from what the record holds. */
  says?: unknown;
  /** Why what it says was not followed; absent while nobody has decided. */
  setAside?: string;
}

/** A part of a release of which something may be said. */
export interface StatedPart {
  about: string;
  name: string;
}

const PARTS: Record<string, string> = {
  name: 'name',
  styleCode: 'style code',
  colourName: 'colour or edition',
  releaseDate: 'release date',
  marketDates: 'release dates by market',
  leadTime: 'lead time',
  sizes: 'sizes and barcode numbers',
  factories: 'factories',
  variants: 'variants',
  eras: 'packaging eras',
  datesApart: 'how far dates lie apart',
  dimensions: 'box code',
  materials: 'materials',
  prices: 'prices',
};

const split = (about: string): [field: string, entry: string] => {
  const dot = about.indexOf('.');
  return dot < 0 ? [about, ''] : [about.slice(0, dot), about.slice(dot + 1)];
};

/** Every part of a release of which something may be said. */
export const statedParts = ({ nominal }: Pick<Release, 'nominal'>): StatedPart[] => [
  ...Object.entries(PARTS).map(([about, name]) => ({ about, name })),
  ...Object.keys(nominal).map((id) => ({ about: `nominal.${id}`, name: `figure ${id.replaceAll('-', ' ')}` })),
];

/** A part as a sentence names it; null for none that there is. */
export function partName(release: Pick<Release, 'nominal'>, about: string): string | null {
  return statedParts(release).find((part) => part.about === about)?.name ?? null;
}

/** What the record holds there. */
export function partOf(release: Release, about: string): unknown {
  const [field, entry] = split(about);
  const value = release[field as keyof Release];
  return entry === '' ? value : (value as Record<string, unknown> | undefined)?.[entry];
}

/** The release with something else there. */
export function withPart(release: Release, about: string, value: unknown): Release {
  const [field, entry] = split(about);
  if (entry === '') return { ...release, [field]: value };
  return { ...release, [field]: { ...(release[field as keyof Release] as object), [entry]: value } };
}

/** What is said otherwise than the record holds, and not decided. */
export const contradictions = ({ statements = [] }: Pick<Release, 'statements'>): Statement[] =>
  statements.filter(({ says, setAside }) => says !== undefined && setAside === undefined);

/** The release as one of its statements has it. */
export const asStated = (release: Release, { about, says }: Statement): Release => withPart(release, about, says);

/**
 * Decide for a statement: the record holds what it says, and what the record held stands beside it, set aside.
 *
 * @param at its place among the statements
 * @param why the reason for whoever reads it later
 */
export function follow(release: Release, at: number, why: string): Release {
  const { statements = [] } = release;
  const followed = statements[at] as Statement;
  const { says, setAside: _, ...rest } = followed;
  const before = partOf(release, followed.about);
  const others = statements.map((each, i): Statement => {
    if (i === at) return rest;
    if (each.about !== followed.about || each.says !== undefined) return each;
    return { ...each, says: before, setAside: why };
  });
  const had = statements.some((each, i) => i !== at && each.about === followed.about && each.says === undefined);
  const former: Statement[] = had
    ? []
    : [
        {
          about: followed.about,
          source: release.source,
          on: followed.on,
          support: 'one source',
          says: before,
          setAside: why,
        },
      ];
  return { ...withPart(release, followed.about, says), statements: [...others, ...former] };
}

/** A value of a part in a few words. */
export function valueWords(value: unknown): string {
  if (value === null || value === undefined) return 'not known';
  if (value === '') return 'none';
  if (typeof value === 'string') return /^\d{4}-\d{2}-\d{2}$/.test(value) ? formatDay(value) : value;
  if (typeof value !== 'object') return String(value);
  if (Array.isArray(value)) return value.length === 0 ? 'none' : value.map(valueWords).join('; ');
  const fields = value as Record<string, unknown>;
  if ('value' in fields && 'tolerance' in fields) return `${fields.value} ± ${fields.tolerance} ${fields.unit}`;
  if ('minDays' in fields) return `${fields.minDays} to ${fields.maxDays} days`;
  if ('length' in fields && 'width' in fields)
    return `${fields.type} ${fields.length}x${fields.width}x${fields.height} mm`.trim();
  return Object.entries(fields)
    .filter(([name]) => name !== 'id')
    .map(([, each]) => valueWords(each))
    .join(', ');
}

/** What is wrong with the statements of a release: about nothing that there is. */
export function statementProblems(release: Release): string[] {
  return (release.statements ?? []).flatMap(({ about, source }) =>
    partName(release, about) === null
      ? [`“${source}” says something of “${about}”, which is no part of the record.`]
      : [],
  );
}
