import type { Belonging, EventBodies } from '@/core/casefile/event';
import { gtinCorrections, readGtin } from '@/core/codes/gtin';
import { normaliseStyleCode, styleCodeKey } from '@/core/codes/styleCode';
import type { IndexedRelease, IndexedSize } from '@/core/releases/match';
import type { Release } from '@/core/releases/release';
import { readDocument } from '@/store/documents';
import { releaseIndex } from '@/store/releaseIndex';
import type { Store } from '@/store/store';

/** What the records say of a printed code, kept with the reading so that it can be assessed the same later. */
export type Identity = Required<Pick<EventBodies['factRead'], 'belongsTo' | 'corrections'>>;

const NOTHING: Identity = { belongsTo: [], corrections: [] };
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

async function identifyGtin(store: Store, raw: string): Promise<Identity> {
  const index = releaseIndex(store);
  const { readings } = readGtin(raw);
  const owners = await index.byGtin14(readings.map((reading) => reading.gtin14));
  if (owners.length > 0) {
    return {
      ...NOTHING,
      belongsTo: await Promise.all(owners.slice(0, MOST).map((size) => belonging(store, size, size.sizeKey))),
    };
  }
  const candidates = readings.flatMap(gtinCorrections);
  const known = new Set((await index.byGtin14(candidates.map((each) => each.gtin14))).map((size) => size.gtin14));
  const corrections = candidates.filter((each) => known.has(each.gtin14)).map((each) => each.digits);
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

/** To which release and size in the records a printed fact belongs; nothing for facts that are no product code. */
export async function identify(store: Store, fact: string, raw: string): Promise<Identity> {
  if (fact === 'gtin') return identifyGtin(store, raw);
  if (fact === 'styleCode') return identifyStyle(store, raw);
  return NOTHING;
}
