import type { FactEntry } from '@/core/casefile/caseFile';
import type { Belonging } from '@/core/casefile/events/factRead';
import type { KindDefinition } from '@/core/checks/check';
import { readGtin } from '@/core/codes/gtin';
import { normaliseStyleCode } from '@/core/codes/styleCode';
import type { ReadingContext } from '@/core/crossread/context';
import type { Release } from '@/core/releases/release';
import { SCHEMES } from '@/demo/codeSchemes';
import { CHARTS, MAKERS } from '@/demo/makers';
import { printedAt } from '@/demo/printed';
import { RELEASES } from '@/demo/releases';
import apparel from '@/desk/shipped/apparel.json';
import figure from '@/desk/shipped/figure.json';
import footwear from '@/desk/shipped/footwear.json';
import fragrance from '@/desk/shipped/fragrance.json';
import smokingPacks from '@/desk/shipped/smoking-packs.json';
import spirits from '@/desk/shipped/spirits.json';
import textileFootwear from '@/desk/shipped/textile-footwear.json';

export const TODAY = '2026-11-24';

const recordOf = (id: string) => RELEASES.find((each) => each.id === id) as Release;
const KINDS: Record<string, unknown> = {
  apparel,
  figure,
  footwear,
  fragrance,
  spirits,
  'smoking-packs': smokingPacks,
  'textile-footwear': textileFootwear,
};

/** What the records would say of a code, as the desk's index does. */
function belongsTo(fact: string, raw: string): Belonging[] {
  return RELEASES.flatMap((release): Belonging[] => {
    const { id: releaseId, name, styleCode, colourName } = release;
    const base = { releaseId, revision: 1, makerName: 'Veskarn', name, styleCode, colourName };
    if (fact === 'styleCode')
      return normaliseStyleCode(styleCode) === normaliseStyleCode(raw) ? [{ ...base, sizeKey: null }] : [];
    const number = readGtin(raw).readings[0]?.gtin14;
    return release.sizes
      .filter(({ gtin }) => gtin.padStart(14, '0') === number)
      .map(({ key }) => ({ ...base, sizeKey: key }));
  });
}

/**
 * A case's facts, from `place.fact` to text; `-` for looked for and not there, `?` for illegible.
 *
 * @param id the demo release that the item is held against
 */
export function labelContext(
  printed: Record<string, string>,
  sizeKey: string | null = '42',
  id = 'tarn-court-low-fog',
): ReadingContext {
  const facts: Record<string, Record<string, FactEntry>> = {};
  for (const [at, raw] of Object.entries(printed)) {
    const [place = '', ...rest] = at.split('.');
    const fact = rest.join('.');
    const codes = fact === 'gtin' || fact === 'styleCode' ? { belongsTo: belongsTo(fact, raw) } : {};
    const state = raw === '-' ? 'absent' : raw === '?' ? 'illegible' : 'read';
    facts[place] = { ...facts[place], [fact]: { place, fact, raw, state, via: 'typed', at: '', by: '', ...codes } };
  }
  const release = recordOf(id);
  return {
    kind: KINDS[release.kind] as KindDefinition,
    maker: MAKERS.find((each) => each.id === release.maker) ?? null,
    release,
    chart: CHARTS.find((each) => each.id === release.chart) ?? null,
    schemes: SCHEMES.filter((scheme) => scheme.maker === release.maker),
    facts,
    sizeKey,
    today: TODAY,
    met: {},
  };
}

/**
 * Everything that a genuine item of a demo release prints, from `place.fact` to text.
 *
 * @param size one of the release's; its third where none is named
 */
export function genuinePrints(id: string, size?: string): { size: string | null; printed: Record<string, string> } {
  const release = recordOf(id);
  const key = size ?? release.sizes[2]?.key ?? release.sizes[0]?.key ?? null;
  const { kind, schemes, chart, maker } = labelContext({}, key, id);
  const item = { release, maker, chart, schemes, size: key, factory: 0, lead: 100, number: 77 };
  const printed = kind.places.flatMap(({ id: place, facts }) =>
    Object.entries(printedAt(place, facts, item)).map(([fact, text]) => [`${place}.${fact}`, text]),
  );
  return { size: key, printed: Object.fromEntries(printed) };
}
