import { describe, expect, it } from 'vitest';
import { madeUpCheck } from '@/demo/testing/madeUpCheck';
import type { CaseFile } from '../casefile/caseFile';
import type { KindDefinition, Place } from './check';
import { picturesWanted } from './picturesWanted';

const place = (id: string, name: string, more: Partial<Place> = {}): Place => ({
  id,
  name,
  side: 'packaging',
  facts: ['gtin'],
  ...more,
});
const kind = {
  places: [
    place('listing', 'Listing', { side: 'said' }),
    place('lid', 'Lid', { more: true }),
    place('boxLabel', 'Box label'),
    place('rfid', 'RFID tag'),
    place('innerLabel', 'Inner label', { side: 'goods' }),
  ],
} as KindDefinition;
const checks = [
  madeUpCheck('seam', { name: 'Seam', instruction: 'Both sides of the heel.', inHand: false }),
  madeUpCheck('smell', { name: 'Smell', inHand: true }),
];
const file = (more: Partial<CaseFile> = {}): CaseFile =>
  ({ circumstances: { packaged: true }, photos: [], facts: {}, findings: {}, ...more }) as unknown as CaseFile;
const names = (of: CaseFile) => picturesWanted(kind, checks, of).map(({ name }) => name);

describe('the pictures that are wanted', () => {
  it('are of the usual places, then of checks that a picture answers, then of the others', () => {
    expect(names(file())).toEqual(['Box label', 'Inner label', 'Seam', 'Lid']);
    expect(picturesWanted(kind, checks, file())[2]).toEqual({
      name: 'Seam',
      how: 'Both sides of the heel.',
      check: 'seam',
    });
  });

  it('come no more once they were taken, or the place was read, or the check answered', () => {
    const photos = [{ name: 'Box label' }, { name: 'x', check: 'seam' }] as CaseFile['photos'];
    expect(names(file({ photos }))).toEqual(['Inner label', 'Lid']);
    expect(
      names(file({ facts: { innerLabel: {} }, findings: { seam: {} } as unknown as CaseFile['findings'] })),
    ).toEqual(['Box label', 'Lid']);
  });

  it('are of the goods alone where there is no packaging', () => {
    const circumstances = { packaged: false } as CaseFile['circumstances'];
    expect(names(file({ circumstances }))[0]).toBe('Inner label');
    expect(names(file({ circumstances }))).not.toContain('Lid');
  });
});
