import { readEpc } from '../codes/epc';
import { type Inventory, isSettled, MOST_ROUNDS, MOST_TAGS, type Tag, whereTagsLie } from './inventory';

/** A fact that a tray read, as it would be entered. */
export interface TrayFact {
  fact: 'epc' | 'tid' | 'userMemory' | 'secondEpc';
  state: 'read' | 'absent';
  raw: string;
}

/** What an inventory comes to. */
export interface TraySays {
  /** True once it may be entered. */
  done: boolean;
  sentence: string;
  /** What is to be minded beside it. */
  notes: string[];
  facts: TrayFact[];
}

const gtinOf = ({ epc }: Tag): string | null => readEpc(epc).reading?.gtin14 ?? null;
const howMany = (count: number, one: string): string => `${count} ${one}${count === 1 ? '' : 's'}`;

/** Everything that one tag says. */
function factsOf({ epc, tid, user }: Tag): TrayFact[] {
  return [
    { fact: 'epc', state: 'read', raw: epc },
    ...(tid ? [{ fact: 'tid' as const, state: 'read' as const, raw: tid }] : []),
    ...(user ? [{ fact: 'userMemory' as const, state: 'read' as const, raw: user }] : []),
  ];
}

/** The item's own tag is the one that names it; where none or several do, the strongest. */
function ownFirst(here: Tag[], gtin14: string | null): Tag[] {
  const names = (tag: Tag) => Number(gtin14 !== null && gtinOf(tag) === gtin14);
  return [...here].sort((a, b) => names(b) - names(a));
}

function notesOn(here: Tag[], beside: Tag[], garbled: number): string[] {
  const notes: string[] = [];
  const [own] = here;
  const twin = here.find((tag) => tag !== own && tag.epc === own?.epc);
  if (twin) notes.push('Two chips hold the same EPC. No maker writes a serial twice: one of them is a copy.');
  if (here.length > 1)
    notes.push(
      'A second tag may be another item’s. Take everything else off the tray and read again before keeping it.',
    );
  if (beside.length > 0)
    notes.push(
      `${howMany(beside.length, 'weak tag')} may lie beside the tray and ${beside.length === 1 ? 'is' : 'are'} left out.`,
    );
  if (garbled > 0)
    notes.push(`${howMany(garbled, 'answer')} came cut off and ${garbled === 1 ? 'counts' : 'count'} for nothing.`);
  return notes;
}

/**
 * What a tray has to say of an item.
 *
 * @param ended true where no further round comes: the reader was stopped, or it fell silent
 * @param gtin14 the number that the item is claimed to have, to tell its own tag by; null where none is known
 * @returns facts to be confirmed by a person. That no tag answers is no fact: a chip may be there and silent.
 */
export function traySays(inventory: Inventory, ended: boolean, gtin14: string | null): TraySays {
  const { rounds, tags, garbled } = inventory;
  const none = { notes: [], facts: [] };
  if (tags.length > MOST_TAGS)
    return {
      ...none,
      done: false,
      sentence: `${tags.length} tags answer: a shelf lies in reach, no item. Take everything else away, or wrap the tray in foil, and read again.`,
    };
  if (!isSettled(inventory)) {
    if (rounds >= MOST_ROUNDS)
      return {
        ...none,
        done: false,
        sentence: `New tags still come after ${rounds} rounds, so it does not settle. Something moves in reach; read again.`,
      };
    return ended
      ? {
          ...none,
          done: false,
          sentence: `The reader stopped after ${howMany(rounds, 'round')}, before it had settled. What it heard is no inventory; read again.`,
        }
      : { ...none, done: false, sentence: `Listening: ${howMany(tags.length, 'tag')} in ${howMany(rounds, 'round')}.` };
  }
  const { here, beside } = whereTagsLie(inventory);
  const [own, second] = ownFirst(here, gtin14);
  if (!own)
    return {
      ...none,
      done: true,
      sentence: `No tag answers in ${rounds} rounds. Hold it against a lamp: is there a chip with its coil, or paper alone?`,
      notes: notesOn(here, beside, garbled),
    };
  const other: TrayFact = second
    ? { fact: 'secondEpc', state: 'read', raw: second.epc }
    : { fact: 'secondEpc', state: 'absent', raw: '' };
  return {
    done: true,
    sentence: `${howMany(here.length, 'tag')} on the tray, settled after ${rounds} rounds.`,
    notes: notesOn([own, ...here.filter((tag) => tag !== own)], beside, garbled),
    facts: [...factsOf(own), other],
  };
}
