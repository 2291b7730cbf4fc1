import { formatDay } from '../dates/day';
import type { SizeChart } from '../sizes/sizeChart';
import { indistinctVariants } from './bonds';
import { sizeRemarks } from './fillSizes';
import { type Era, type Maker, nominalFor, type Release } from './release';
import { exemplarsOf } from './shelfItem';

/** A genuine item further away than this, in tolerances, says that it or the figure is wrong. */
const FAR = 10;

const plain = (id: string) => id.replaceAll('-', ' ');

function overlappingEras(eras: Era[]): string[] {
  const sorted = [...eras].sort((a, b) => a.from.localeCompare(b.from));
  return sorted.slice(1).flatMap((next, i) => {
    const before = sorted[i] as Era;
    if (before.until !== null && before.until < next.from) return [];
    const until = before.until === null ? 'is still in use' : `ends ${formatDay(before.until)}`;
    return [
      `The era “${before.name}” ${until}, and “${next.name}” begins ${formatDay(next.from)}: packaging of the days in both may be either.`,
    ];
  });
}

function farExemplars(release: Release): string[] {
  return Object.entries(release.nominal).flatMap(([id, measure]) =>
    exemplarsOf(release, id).flatMap(({ value, size, source }) => {
      const expected = [nominalFor(measure, size), ...(measure.by ?? []).map((by) => by.value)];
      const off = Math.min(...expected.map((each) => Math.abs(value - each))) / measure.tolerance;
      return off > FAR
        ? [
            `The ${plain(id)} of an exemplar (${source}) is ${value} ${measure.unit}, ${Math.round(off)} tolerances from ${expected[0]} ${measure.unit}: one of the two is wrong.`,
          ]
        : [];
    }),
  );
}

function indistinct(release: Release): string[] {
  return indistinctVariants(release.variants).map(({ variant, from, alike }) =>
    alike
      ? `Nothing tells the variant “${variant.name}” from “${from.name}”.`
      : `Whatever the variant “${variant.name}” shows, “${from.name}” may show too: it can never be told from it.`,
  );
}

/** What is odd about the eras, variants and exemplars of a release. */
export const partRemarks = (release: Release): string[] => [
  ...overlappingEras(release.eras ?? []),
  ...indistinct(release),
  ...farExemplars(release),
];

/** What is odd about a release record. It may be kept so, and whoever keeps it should know. */
export const releaseRemarks = (release: Release, chart: SizeChart | null, maker: Maker | null): string[] => [
  ...sizeRemarks(release.sizes, chart, maker?.gtinPrefixes ?? []),
  ...partRemarks(release),
];
