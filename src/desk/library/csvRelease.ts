import type { KindDefinition } from '@/core/checks/check';
import { lettersOf } from '@/core/library/csvColumns';
import type { Maker, Release, ReleaseSize } from '@/core/releases/release';
import { type SizeChart, sizeKeyIn } from '@/core/sizes/sizeChart';
import type { CsvRelease } from './csvEntries';

/** What a table may name: by id, or by name in whatever letters. */
export interface Nameable {
  makers: Maker[];
  kinds: KindDefinition[];
  charts: SizeChart[];
}

const same =
  (wanted: string) =>
  ({ id, name }: { id: string; name: string }) =>
    id === wanted || lettersOf(name) === lettersOf(wanted);

/** The kind that a table names, by its whole name or a beginning that only one has. */
function kindNamed(kinds: KindDefinition[], wanted: string): KindDefinition | undefined {
  const begun = lettersOf(wanted);
  const [kind, other] = begun === '' ? [] : kinds.filter(({ name }) => lettersOf(name).startsWith(begun));
  return kinds.find(same(wanted)) ?? (other ? undefined : kind);
}

/** The id of a release that a table brings and nobody has given one. */
export const releaseId = (maker: string, styleCode: string): string =>
  `${maker}-${styleCode}`
    .normalize('NFD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 80);

/** The release that rows of a table belong to, by its id, or why there is none. */
export function identityOf(
  { maker, styleCode, part, problems }: CsvRelease,
  { makers, kinds }: Nameable,
): { id: string; maker: Maker; kind: string } | { problem: string } {
  const ofMaker = makers.find(same(maker));
  const kind = kindNamed(kinds, part.kind);
  const all = [
    ...problems,
    ...(ofMaker ? [] : [`the maker “${maker}” is not in the records`]),
    ...(kind ? [] : [`the kind of goods “${part.kind}” is none of ${kinds.map(({ name }) => name).join(', ')}`]),
  ];
  if (!ofMaker || !kind || all.length > 0)
    return { problem: `${all.join('; ')}.`.replace(/^./, (c) => c.toUpperCase()) };
  return { id: releaseId(ofMaker.id, styleCode), maker: ofMaker, kind: kind.id };
}

/** Sizes as their chart has them one after another, with those that it does not have behind. */
function inOrder(sizes: ReleaseSize[], chart: SizeChart | undefined): ReleaseSize[] {
  const at = new Map(chart?.rows.map(({ key }, i) => [key, i]));
  return sizes.toSorted((a, b) => (at.get(a.key) ?? Infinity) - (at.get(b.key) ?? Infinity) || 0);
}

/**
 * The release with what a table says of it. What no row says stays as the record has it; sizes are added and corrected,
 * never taken away.
 */
export function mergeRows(
  { part, styleCode, numberless }: CsvRelease,
  { id, maker, kind }: { id: string; maker: Maker; kind: string },
  { charts }: Nameable,
  source: string,
  before: Release | null,
): Release {
  const base: Release = before ?? {
    id,
    kind,
    maker: maker.id,
    name: part.name,
    styleCode,
    colourName: part.colourName,
    releaseDate: null,
    leadTime: { minDays: 0, maxDays: 730 },
    chart: null,
    sizes: [],
    factories: [],
    nominal: {},
    variants: [],
    checks: { add: [], off: [] },
    source,
    incomplete: true,
  };
  const chart = !part.chart ? base.chart : (charts.find(same(part.chart))?.id ?? part.chart);
  const rows = charts.find(({ id: each }) => each === chart);
  // Two numbers of one size in a table stay two, and are turned down as such.
  const keyOf = (size: string): string => (rows && sizeKeyIn(rows, size)) ?? size;
  const said = part.sizes.map(({ key, gtin }) => ({ key: keyOf(key), gtin }));
  const numbered = [...base.sizes.filter(({ key }) => !said.some((size) => size.key === key)), ...said];
  const others = new Set(numberless.filter(Boolean).map(keyOf));
  for (const { key } of numbered) others.delete(key);
  const sizes = [...numbered, ...[...others].map((key) => ({ key, gtin: '' }))];
  const factories = new Map(base.factories.map((factory) => [factory.code, factory]));
  for (const factory of part.factories ?? []) factories.set(factory.code, factory);
  const prices = new Map((base.prices ?? []).map((price) => [price.market, price]));
  for (const price of part.prices ?? []) prices.set(price.market, price);
  return {
    ...base,
    name: part.name || base.name,
    colourName: part.colourName || base.colourName,
    chart,
    sizes: inOrder(sizes, rows),
    factories: [...factories.values()],
    ...(part.releaseDate ? { releaseDate: part.releaseDate } : {}),
    ...(part.materials ? { materials: part.materials } : {}),
    ...(prices.size > 0 ? { prices: [...prices.values()] } : {}),
  };
}
