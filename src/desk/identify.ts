import type { EventBodies } from '@/core/casefile/event';
import type { Belonging } from '@/core/casefile/events/factRead';
import { cleanText } from '@/core/codes/clean';
import { gtinCorrections, readGtin } from '@/core/codes/gtin';
import { type CodeScheme, SCHEME_FACTS, type SchemeFact } from '@/core/codes/schemes/codeScheme';
import { decode } from '@/core/codes/schemes/decode';
import { normaliseStyleCode, styleCodeKey } from '@/core/codes/styleCode';
import { deriveFacts } from '@/core/crossread/derive';
import { wordsKey } from '@/core/crossread/words';
import { type IndexedRelease, type IndexedSize, releasesNamed } from '@/core/releases/match';
import type { Maker, Release } from '@/core/releases/release';
import { listDocuments, readDocument } from '@/store/documents';
import { releaseIndex } from '@/store/releaseIndex';
import type { Store } from '@/store/store';

/** What the records say of a printed code, kept with the reading so that it can be assessed the same later. */
export type Identity = Required<Pick<EventBodies['factRead'], 'belongsTo' | 'corrections' | 'fitsOther'>>;

const NOTHING: Identity = { belongsTo: [], corrections: [], fitsOther: [] };
const MOST = 10;

async function belonging(
  store: Store,
  found: IndexedSize | IndexedRelease,
  sizeKey: string | null,
): Promise<Belonging> {
  const { releaseId, makerName, name, styleCode, colourName } = found;
  const revision = (await readDocument<Release>(store, 'release', releaseId))?.revision ?? 1;
  return { releaseId, revision, makerName, name, styleCode, colourName, sizeKey };
}

/** What is claimed of the item: corrections that fit it come first. */
export interface Claimed {
  maker: string | null;
  release?: string | null;
}

async function identifyGtin(store: Store, raw: string, claimed: Claimed): Promise<Identity> {
  const index = releaseIndex(store);
  const { readings } = readGtin(raw);
  const owners = await index.byGtin14(readings.map((reading) => reading.gtin14));
  if (owners.length > 0) {
    return {
      ...NOTHING,
      belongsTo: await Promise.all(owners.slice(0, MOST).map((size) => belonging(store, size, size.sizeKey))),
    };
  }
  const candidates = readings.flatMap((reading) => gtinCorrections(reading));
  const sizes = new Map(
    (await index.byGtin14(candidates.map((each) => each.gtin14))).map((size) => [size.gtin14, size]),
  );
  const fits = (gtin14: string) => Number(sizes.get(gtin14)?.releaseId === claimed.release);
  const corrections = candidates
    .filter((each) => sizes.has(each.gtin14))
    .sort((a, b) => fits(b.gtin14) - fits(a.gtin14) || b.likely - a.likely)
    .map((each) => each.digits);
  return { ...NOTHING, corrections: [...new Set(corrections)].slice(0, MOST) };
}

async function identifyStyle(store: Store, raw: string): Promise<Identity> {
  const normal = normaliseStyleCode(raw);
  const releases = await releaseIndex(store).byStyleKey(styleCodeKey(raw));
  const exact = releases.filter((release) => normaliseStyleCode(release.styleCode) === normal);
  return {
    ...NOTHING,
    belongsTo: await Promise.all(exact.slice(0, MOST).map((release) => belonging(store, release, null))),
  };
}

/** The number inside a tag's EPC or a symbol's text. */
async function identifyContained(store: Store, fact: string, raw: string, claimed: Claimed): Promise<Identity> {
  const gtin = deriveFacts(
    { at: { [fact]: { place: 'at', fact, state: 'read', raw, via: 'typed', at: '', by: '' } } },
    '2000-01-01',
  ).at?.gtin;
  return gtin ? identifyGtin(store, gtin.raw, claimed) : NOTHING;
}

/** Other releases of that model name; the record's own is no news. */
async function identifyModel(store: Store, raw: string): Promise<Identity> {
  const wanted = wordsKey(raw);
  const found = await releasesNamed(cleanText(raw).slice(0, 80), releaseIndex(store), MOST * 2);
  const named = found.filter(({ name }) => wordsKey(name) === wanted).slice(0, MOST);
  return { ...NOTHING, belongsTo: await Promise.all(named.map((release) => belonging(store, release, null))) };
}

/** Code schemes of other makers that a code fits, where its own maker's do not fit it. */
async function fitsOther(store: Store, fact: SchemeFact, raw: string, maker: string | null): Promise<Identity> {
  const all = (await listDocuments<CodeScheme>(store, 'code-scheme')).map(({ body }) => body);
  const fits = all.filter((scheme) => decode(scheme, raw).readings.length > 0);
  const own = all.filter((scheme) => scheme.maker === maker && scheme.fact === fact);
  if (own.length === 0 || own.some((scheme) => fits.includes(scheme))) return NOTHING;
  const names = new Map((await listDocuments<Maker>(store, 'maker')).map(({ id, body }) => [id, body.name]));
  const others = fits.filter((scheme) => scheme.maker !== maker);
  return {
    ...NOTHING,
    fitsOther: others.slice(0, MOST).map((scheme) => `${names.get(scheme.maker) ?? scheme.maker}, “${scheme.name}”`),
  };
}

/**
 * What the records say of a printed fact: to which release and size a code belongs, which release goes by a
 * model name, which other maker writes such codes.
 *
 * @param claimed the maker and the release that the item is claimed to be of
 */
export async function identify(store: Store, fact: string, raw: string, claimed: Claimed): Promise<Identity> {
  if (fact === 'gtin') return identifyGtin(store, raw, claimed);
  if (fact === 'styleCode') return identifyStyle(store, raw);
  if (fact === 'epc' || fact === 'symbol') return identifyContained(store, fact, raw, claimed);
  if (fact === 'model') return identifyModel(store, raw);
  const schemed = SCHEME_FACTS.find((each) => each === fact);
  return schemed ? fitsOther(store, schemed, raw, claimed.maker) : NOTHING;
}
