import { describe, expect, it } from 'vitest';
import { MAKERS } from '@/demo/makers';
import { RELEASES } from '@/demo/releases';
import { readGtin } from '../codes/gtin';
import { styleCodeKey, styleSlips } from '../codes/styleCode';
import { searchWords } from '../crossread/words';
import { type IndexedRelease, type IndexedSize, matchReleases, type ReleaseIndex } from './match';
import type { Release } from './release';
import { Vocabulary } from './vocabulary';

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
const wordsOf = (release: Release) =>
  searchWords(`${makerName(release)} ${release.name} ${release.colourName} ${release.styleCode}`);
const VOCABULARY = new Vocabulary([...new Set(RELEASES.flatMap(wordsOf))].map((word) => ({ word, count: 1 })));
const index: ReleaseIndex = {
  byGtin14: async (numbers) => SIZES.filter(({ gtin14 }) => numbers.includes(gtin14)),
  byStyleKey: async (key) => RELEASES.filter(({ styleCode }) => styleCodeKey(styleCode) === key).map(indexed),
  byStyleSlips: async (slips) =>
    RELEASES.filter(({ styleCode }) => styleSlips(styleCodeKey(styleCode)).some((slip) => slips.includes(slip))).map(
      indexed,
    ),
  vocabulary: async () => VOCABULARY,
  withWords: async (groups, limit) =>
    RELEASES.filter((release) => groups.every((group) => group.some((word) => wordsOf(release).includes(word))))
      .map(indexed)
      .slice(0, limit),
};
const best = async (query: string) => (await matchReleases(query, index))[0];

describe('matching', () => {
  it('takes a colour that is typed twice for the one that has it twice', async () => {
    const [fog] = RELEASES.map(indexed) as [IndexedRelease];
    const mixed = Array.from({ length: 8 }, (_, i) => ({ ...fog, releaseId: `m${i}`, colourName: 'Slate / Fog' }));
    const plain = { ...fog, releaseId: 'plain', colourName: 'Fog / Fog' };
    const alike: ReleaseIndex = { ...index, withWords: async () => [...mixed, plain] };
    expect((await matchReleases(`${fog.name} fog fog`, alike))[0]?.releaseId).toBe('plain');
  });

  it('says of a record that is out of use that it is', async () => {
    const [fog] = RELEASES.map(indexed);
    const gone: ReleaseIndex = {
      ...index,
      byStyleKey: async () => [{ ...(fog as IndexedRelease), retired: true }],
      byGtin14: async (numbers) => (await index.byGtin14(numbers)).map((size) => ({ ...size, retired: true })),
      withWords: async (groups, limit) =>
        (await index.withWords(groups, limit)).map((release) => ({ ...release, retired: true })),
    };
    for (const asked of [fog?.styleCode ?? '', '9521204100064', '9521204100046', fog?.name ?? '']) {
      expect((await matchReleases(asked, gone))[0]?.reason).toMatch(/out of use/);
      expect((await matchReleases(asked, index))[0]?.reason).not.toMatch(/out of use/);
    }
  });
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
    ['952120410064', /a 0 put in at place/],
    ['95212041000644', /digit \d+, a 4, left out/],
    ['9521204l00064', /letters taken for digits/],
    ['952I2O41OOO64', /letters taken for digits/],
    ['9 521204 100065', /check digit fails|digit 13 read/],
  ])('finds 9521204100064 by %s', async (typed, reason) => {
    const candidates = (await matchReleases(typed, index)).slice(0, 5);
    const right = candidates.find(({ releaseId, sizeKey }) => releaseId === 'tarn-court-low-fog' && sizeKey === '42');
    expect(right?.reason).toMatch(reason);
  });
  it('brings what fits the item before what is as near by itself', async () => {
    const all = await matchReleases('952120410006', index, { releaseId: 'tarn-court-low-fog', sizeKey: '42' });
    expect(all[0]).toMatchObject({ releaseId: 'tarn-court-low-fog', sizeKey: '42' });
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
