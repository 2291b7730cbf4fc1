import type { KindDefinition } from '@/core/checks/check';
import apparel from '@/desk/shipped/apparel.json';
import figure from '@/desk/shipped/figure.json';
import footwear from '@/desk/shipped/footwear.json';
import fragrance from '@/desk/shipped/fragrance.json';
import spirits from '@/desk/shipped/spirits.json';
import { SCHEMES } from '../codeSchemes';
import { CHARTS, MAKERS } from '../makers';
import { type MadeUpItem, printedAt } from '../printed';
import { RELEASES } from '../releases';

const KINDS = { apparel, figure, footwear, fragrance, spirits } as unknown as Record<string, KindDefinition>;

/**
 * An item of the demo world that has a place, with what stands there.
 *
 * @param place id of a place; null takes any item and prints nothing
 */
export function anyItem(
  place: string | null,
  random: () => number,
): { item: MadeUpItem; kind: KindDefinition; maker: string; printed: Record<string, string> } {
  const oneOf = <T>(list: T[]): T => list[Math.floor(random() * list.length)] as T;
  const placeOf = (kind: string) => KINDS[kind]?.places.find(({ id }) => id === place);
  const release = oneOf(RELEASES.filter((each) => KINDS[each.kind] && (place === null || placeOf(each.kind))));
  const maker = MAKERS.find(({ id }) => id === release.maker) ?? null;
  const item: MadeUpItem = {
    release,
    maker,
    chart: CHARTS.find(({ id }) => id === release.chart) ?? null,
    schemes: SCHEMES.filter((scheme) => scheme.maker === release.maker),
    size: oneOf(release.sizes)?.key ?? null,
    factory: Math.floor(random() * Math.max(1, release.factories.length)),
    lead: Math.round(40 + 120 * random()),
    number: Math.floor(9000 * random()),
  };
  const kind = KINDS[release.kind] as KindDefinition;
  const facts = kind.places.find(({ id }) => id === place)?.facts ?? [];
  return { item, kind, maker: maker?.name ?? '', printed: place === null ? {} : printedAt(place, facts, item) };
}
