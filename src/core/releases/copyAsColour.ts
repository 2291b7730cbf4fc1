import type { Release } from './release';

/**
 * Another colour of the same model, to begin from: what belongs to the model stays, what belongs to the colour (its
 * code, numbers, day of release, exemplars, copies and who said so) is left open.
 */
export function copyAsColour(release: Release): Release {
  const { exemplars: _, shelf: __, copies: ___, retired: ____, statements: _____, ...model } = release;
  return {
    ...model,
    id: '',
    styleCode: '',
    colourName: '',
    releaseDate: null,
    marketDates: undefined,
    sizes: release.sizes.map(({ key }) => ({ key, gtin: '' })),
    source: `as ${release.name}, ${release.colourName}: ${release.source}`.slice(0, 200),
  };
}
