import { describe, expect, it } from 'vitest';
import { labelContext } from '@/demo/testing/labels';
import { splitLabel } from './splitLabel';

const split = (text: string, place = 'boxLabel', id = 'tarn-court-mid-slate') => {
  const { placed, left } = splitLabel(text, place, labelContext({}, '42', id));
  return { facts: Object.fromEntries(placed.map(({ fact, raw }) => [fact, raw])), left };
};

describe('a label’s text', () => {
  it('is split into facts, whatever order its lines have', () => {
    const { facts, left } = split(
      'TARN COURT MID\nSLATE / BRASS\nVK4826-330\nUS M 8.5  US W 10  UK 8\nEU 42   27 CM\n9 521204 101269\nMADE IN MARROWLAND\nEUR 129.00\nINSPECTED BY 7',
    );
    expect(facts).toMatchObject({
      model: 'TARN COURT MID',
      colourName: 'SLATE / BRASS',
      styleCode: 'VK4826-330',
      'size.usMen': '8.5',
      'size.usWomen': '10',
      'size.uk': '8',
      'size.eu': '42',
      gtin: '9 521204 101269',
      country: 'MARROWLAND',
      price: 'EUR 129.00',
    });
    expect(left.join(' | ')).toMatch(/INSPECTED BY 7/);
  });
  it('goes by the names that the label gives its facts', () => {
    const { facts, left } = split(
      'STYLE: VK4826-330 | FACTORY: VM7 | SERIAL NO. VN460117L4 | MFG 10/05/24 - 10/07/24',
      'innerLabel',
    );
    expect(facts).toEqual({
      styleCode: 'VK4826-330',
      factoryCode: 'VM7',
      serial: 'VN460117L4',
      productionWindow: '10/05/24 - 10/07/24',
    });
    expect(left).toEqual([]);
  });
  it('finds a batch code by its maker’s scheme', () => {
    expect(split('H0794A2\n100 ml', 'boxBase', 'saltmeadow').facts).toMatchObject({
      batchCode: 'H0794A2',
      size: '100 ml',
    });
  });
  it('keeps what it could not place, and is bounded', () => {
    expect(split('§§§\n?!', 'insole').left).toEqual(['§§§', '?!']);
    expect(split('A1\n'.repeat(100_000)).left.length).toBeLessThanOrEqual(80);
  });
});
