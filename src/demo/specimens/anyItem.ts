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

const PLACES: Record<string, Pick<KindDefinition, 'places'>['places']> = Object.fromEntries(
  Object.entries({ apparel, figure, footwear, fragrance, spirits }).map(([id, kind]) => [
    id,
    (kind as unknown as KindDefinition).places,
  ]),
);

/**
 * An item of the demo world that has a place, with what stands there.
 *
 * @param place id of a place; null takes any item and prints nothing
 */
export function anyItem(
  place: string | null,
  random: () => number,
): { item: MadeUpItem; maker: string; printed: Record<string, string> } {
  const oneOf = <T>(list: T[]): T => list[Math.floor(random() * list.length)] as T;
  const placeOf = (kind: string) => PLACES[kind]?.find(({ id }) => id === place);
  const release = oneOf(RELEASES.filter((each) => place === null || placeOf(each.kind)));
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
  const facts = placeOf(release.kind)?.facts ?? [];
  return { item, maker: maker?.name ?? '', printed: place === null ? {} : printedAt(place, facts, item) };
}
