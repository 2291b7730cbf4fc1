import { describe, expect, it } from 'vitest';
import { MAKERS } from '@/demo/makers';
import { RELEASES } from '@/demo/releases';
import { readGtin } from '../codes/gtin';
import { styleCodeKey } from '../codes/styleCode';
import { type IndexedRelease, type IndexedSize, matchReleases, type ReleaseIndex } from './match';
import type { Release } from './release';

const makerName = (release: Release) => MAKERS.find(({ id }) => id === release.maker)?.name ?? '';
const indexed = (release: Release): IndexedRelease => {
  const { id: releaseId, kind, name, styleCode, colourName } = release;
  return {
    releaseId,
    kind,
    makerName: makerName(release),
    name,
    styleCode,
    colourName,
    sizeKeys: release.sizes.map(({ key }) => key),
  };
};
const SIZES: IndexedSize[] = RELEASES.flatMap((release) =>
  release.sizes.map(({ key, gtin }) => ({
    ...indexed(release),
    sizeKey: key,
    gtin,
    gtin14: readGtin(gtin).readings[0]?.gtin14 ?? '',
  })),
);
/** The whole demo world is similar to everything here, so that ranking has to do the work. */
const index: ReleaseIndex = {
  byGtin14: async (numbers) => SIZES.filter(({ gtin14 }) => numbers.includes(gtin14)),
  byStyleKey: async (key) => RELEASES.filter(({ styleCode }) => styleCodeKey(styleCode) === key).map(indexed),
  similar: async () => RELEASES.map(indexed),
};
const best = async (query: string) => (await matchReleases(query, index))[0];

describe('matching', () => {
  it('finds release and size by barcode number in any spacing', async () => {
    expect(await best('9 521204 100064')).toMatchObject({ releaseId: 'tarn-court-low-fog', sizeKey: '42', score: 1 });
  });
  it('corrects a mistyped barcode number to those in the records and says how', async () => {
    const swapped = await best('9521204100046');
    expect(swapped).toMatchObject({ releaseId: 'tarn-court-low-fog', sizeKey: '42' });
    expect(swapped?.reason).toMatch(/digits 12 and 13 swapped/);
    const misread = await best('9521204108064');
    expect(misread).toMatchObject({ releaseId: 'tarn-court-low-fog', sizeKey: '42' });
    expect(misread?.reason).toMatch(/digit 10 read as 0 instead of 8/);
  });
  it.each([
    ['vk4821107', 'tarn-court-low-fog', /as in the record/],
    ['VK4821-1O7', 'tarn-court-low-fog', /“O” for “0”/],
    ['VK4812-107', 'tarn-court-low-fog', /“12” for “21”/],
    ['VK6105-31', 'holt-ridge-moss', /“1” left out/],
  ])('finds style code %s', async (query, releaseId, reason) => {
    const candidate = await best(query);
    expect(candidate?.releaseId).toBe(releaseId);
    expect(candidate?.reason).toMatch(reason);
  });
  it.each([
    ['holt ridge ember 44', 'holt-ridge-ember', '44'],
    ['skery runer dune', 'skerry-runner-dune', null],
    ['Ilvane saltmeadow 100ml', 'saltmeadow', '100 ml'],
    ['SALTMÉADOW', 'saltmeadow', null],
    ['parka flint XL', 'leeward-parka-flint', 'XL'],
  ])('finds “%s”', async (query, releaseId, sizeKey) => {
    const candidate = await best(query);
    expect(candidate).toMatchObject({ releaseId });
    if (sizeKey && /\d/.test(sizeKey)) expect(candidate?.sizeKey).toBe(sizeKey);
  });
  it('ranks by what fits better and never offers one release twice for the same size', async () => {
    const candidates = await matchReleases('tarn court low ink', index);
    expect(candidates[0]?.releaseId).toBe('tarn-court-low-ink');
    const keys = candidates.map(({ releaseId, sizeKey }) => `${releaseId}/${sizeKey}`);
    expect(new Set(keys).size).toBe(keys.length);
    expect(candidates.length).toBeLessThanOrEqual(8);
  });
  it.each(['', 'x', '🙂🙂🙂', 'zzzzqqqq', '"; DROP TABLE release_index; --', 'א'.repeat(5000)])(
    'finds nothing for %.12s',
    async (query) => {
      expect(await matchReleases(query, index)).toEqual([]);
    },
  );
});
