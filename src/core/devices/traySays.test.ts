import { describe, expect, it } from 'vitest';
import { epcOfItem } from '../codes/epcOfItem';
import { MOST_ROUNDS, NOTHING_HEARD, type TagRead, withRound } from './inventory';
import { traySays } from './traySays';

const epcOf = (gtin: string, serial: string) => epcOfItem(gtin, '9521204', serial) as string;
const OWN = epcOf('9521204100088', '70425');
const OTHER = epcOf('9521204100064', '12');
const GTIN = '09521204100088';
const CHIP = 'E280F0222000000000001267';
const read = (epc: string, more: Partial<TagRead> = {}): TagRead => ({ epc, rssi: -50, ...more });
const heard = (rounds: TagRead[][]) => rounds.reduce(withRound, NOTHING_HEARD);
const settled = (...tags: TagRead[]) => heard(Array.from({ length: 9 }, () => tags));
const facts = (...tags: TagRead[]) => traySays(settled(...tags), false, GTIN).facts;

describe('what a tray says', () => {
  it('is the tag with its memories, and that there is no second one', () => {
    expect(facts(read(OWN, { tid: CHIP, user: '4142' }))).toEqual([
      { fact: 'epc', state: 'read', raw: OWN },
      { fact: 'tid', state: 'read', raw: CHIP },
      { fact: 'userMemory', state: 'read', raw: '4142' },
      { fact: 'secondEpc', state: 'absent', raw: '' },
    ]);
  });

  it('takes the tag that names the item for its own, though another is stronger', () => {
    expect(facts(read(OTHER, { rssi: -40 }), read(OWN)).map(({ raw }) => raw)).toEqual([OWN, OTHER]);
  });

  it('says of two chips with one EPC that one is a copy', () => {
    const { notes, facts } = traySays(
      settled(read(OWN, { tid: CHIP }), read(OWN, { tid: CHIP.replace('1267', '9999') })),
      false,
      GTIN,
    );
    expect(notes.join()).toContain('one of them is a copy');
    expect(facts.at(-1)).toEqual({ fact: 'secondEpc', state: 'read', raw: OWN });
  });

  it('enters nothing where no tag answers: a silent chip does not answer either', () => {
    const says = traySays(heard(Array.from({ length: 7 }, () => [])), false, GTIN);
    expect(says).toMatchObject({ done: true, facts: [] });
    expect(says.sentence).toContain('Hold it against a lamp');
  });

  it.each([
    ['a reader that stopped before it had settled', heard([[read(OWN)], [read(OWN)]]), true, /stopped after 2 rounds/],
    ['a reader that still listens', heard([[read(OWN)]]), false, /Listening/],
    [
      'a shelf in reach',
      heard([Array.from({ length: 500 }, (_, i) => read(epcOf('9521204100088', String(i + 1))))]),
      false,
      /500 tags answer/,
    ],
    [
      'tags that come and go',
      heard(
        Array.from({ length: MOST_ROUNDS }, (_, i) =>
          i % 6 === 0 ? [read(epcOf('9521204100088', String(i + 1)))] : [],
        ),
      ),
      false,
      /does not settle/,
    ],
  ])('enters nothing of %s', (_, inventory, ended, sentence) => {
    const says = traySays(inventory, ended, GTIN);
    expect(says).toMatchObject({ done: false, facts: [] });
    expect(says.sentence).toMatch(sentence);
  });
});
