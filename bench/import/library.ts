import { createWriteStream } from 'node:fs';
import { randomInt, randomLcg } from 'd3-random';
import { gtinCheckDigit } from '@/core/codes/gtin';
import { COLOURS, FORMS, SYLLABLES } from '../madeUpWords';

const MAKERS = ['veskarn', 'orrinfeld', 'ilvane', 'skerrow'];
export const SIZES = 14;

/** A made-up release of such a library, as it is searched for. */
export interface MadeUp {
  id: string;
  name: string;
  colourName: string;
  styleCode: string;
  gtins: string[];
}

/** Write a library of so many made-up releases with 14 sizes each, one document a line. Returns what is in it. */
export async function writeLibrary(path: string, releases: number): Promise<MadeUp[]> {
  const random = randomLcg(0.42);
  const number = (below: number): number => randomInt.source(random)(below)();
  const pick = <T>(list: T[]): T => list[number(list.length)] as T;
  const file = createWriteStream(path);
  const write = (document: object) =>
    new Promise<void>((done) =>
      file.write(`${JSON.stringify(document)}\n`) ? done() : file.once('drain', () => done()),
    );
  for (const id of MAKERS)
    await write({
      kind: 'maker',
      body: {
        id,
        name: `${id.charAt(0).toUpperCase()}${id.slice(1)}`,
        gtinPrefixes: [],
        styleShape: 'AA9999-999',
        dateOrder: 'DMY',
      },
    });
  const all: MadeUp[] = [];
  for (let i = 0; i < releases; i++) {
    const sizes = Array.from({ length: SIZES }, (_, s) => {
      const body = `952${String(100_000_000 + i * 100 + s)}`;
      return { key: String(38 + s / 2), gtin: `${body}${gtinCheckDigit(body)}` };
    });
    const made = {
      id: `release-${i}`,
      name: `${pick(SYLLABLES)}${pick(SYLLABLES)} ${pick(FORMS)}`,
      colourName: `${pick(COLOURS)} / ${pick(COLOURS)}`,
      styleCode: `${pick(['VK', 'VR', 'OR', 'SK'])}${1000 + number(9000)}-${100 + number(900)}`,
    };
    all.push({ ...made, gtins: sizes.map(({ gtin }) => gtin) });
    await write({
      kind: 'release',
      body: {
        ...made,
        kind: 'footwear',
        maker: pick(MAKERS),
        releaseDate: `2024-05-0${1 + (i % 9)}`,
        leadTime: { minDays: 30, maxDays: 300 },
        chart: null,
        sizes,
        factories: [
          { code: 'VM7', country: 'Marrowland' },
          { code: 'QE2', country: 'Estrava' },
        ],
        nominal: {},
        variants: [
          { id: 'vm7', name: 'VM7', traits: { factory: ['VM7'], country: ['Marrowland'] } },
          { id: 'qe2', name: 'QE2', traits: { factory: ['QE2'], country: ['Estrava'] } },
        ],
        checks: { add: [], off: [] },
        source: 'the maker’s file',
      },
    });
  }
  await new Promise<void>((done) => file.end(() => done()));
  return all;
}
