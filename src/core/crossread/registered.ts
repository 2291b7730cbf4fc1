import type { CodeMet, Meeting } from '../casefile/events/codeMet';
import type { ReadingContext } from './context';
import type { CrossReading } from './crossReading';

/** A code as the register keeps it. */
export interface RegisterCode {
  fact: string;
  /** Within what the code is unique: the maker, or the barcode number for unit numbers. */
  scope: string;
  normal: string;
}

/** A code of an item with where it stands. */
export interface RegisterEntry extends RegisterCode {
  place: string;
  display: string;
  /** True for codes that recur on many items. */
  shared: boolean;
}

const UNIQUE = ['serial', 'securityCode', 'unitNumber', 'epc', 'tid'];
const SHARED = ['batchCode', 'dateCode', 'lidStamp'];

/** The facts that the register keeps. */
export const REGISTERED_FACTS = [...UNIQUE, ...SHARED];

/** One text for a registered code. */
export const registerKey = ({ fact, scope, normal }: RegisterCode): string => `${fact}|${scope}|${normal}`;

/** True where a note of the register speaks of this reading. */
export const isAbout = (met: CodeMet, fact: string, normal: string): boolean =>
  met.fact === fact && met.key.split('|').slice(2).join('|') === normal;

/** True where two lists name the same places of the same items. */
export function sameMeetings(a: Meeting[], b: Meeting[]): boolean {
  const names = (list: Meeting[]) =>
    list
      .map(({ number, place }) => `${number}/${place}`)
      .sort()
      .join();
  return names(a) === names(b);
}

/**
 * The codes of an item that the register keeps. What was not read surely is not kept, nor what only the seller
 * tells.
 */
export function registerEntries(reading: CrossReading, context: ReadingContext): RegisterEntry[] {
  const entries: RegisterEntry[] = [];
  for (const { fact, cells } of reading.rows) {
    if (!REGISTERED_FACTS.includes(fact.id)) continue;
    for (const cell of Object.values(cells)) {
      if (!cell.reading || cell.reading.uncertain || cell.reading.recurs) continue;
      if (context.kind.places.find(({ id }) => id === cell.place)?.side === 'said') continue;
      const number = reading.rows.find((row) => row.fact.id === 'gtin')?.cells[cell.place]?.reading?.normal;
      // A chip's number is its own wherever it is met.
      const scope =
        fact.id === 'tid'
          ? 'chip'
          : fact.id === 'unitNumber' && number
            ? number
            : (context.maker?.id ?? context.kind.id);
      const { normal, display } = cell.reading;
      entries.push({ fact: fact.id, scope, normal, place: cell.place, display, shared: SHARED.includes(fact.id) });
    }
  }
  return entries;
}
