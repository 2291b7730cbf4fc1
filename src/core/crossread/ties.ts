import type { CodeScheme, Tie } from '../codes/schemes/codeScheme';
import type { Piece } from '../codes/schemes/parse';
import type { Cell } from './cell';
import { placeName, type ReadingContext } from './context';
import { normalOf } from './judge';
import type { Problem } from './problem';
import type { Row } from './row';
import { wordsKey } from './words';

/** What the rest of the item says of a tied fact, in words that a person would use; null where nothing is known. */
interface Known {
  says: string;
  /** True where the piece goes with it. */
  goes(piece: Piece): boolean;
}

const textsOf = ({ text, says }: Piece): string[] => [text, ...says.split(/\s*(?:,|\/|\bor\b)\s*/)].map(wordsKey);

const cellsOf = (rows: Row[], fact: string): Cell[] =>
  Object.values(rows.find((row) => row.fact.id === fact)?.cells ?? {}).filter(
    (cell) => cell.reading && !cell.reading.uncertain,
  );

const sideOf = ({ kind }: ReadingContext, place: string) => kind.places.find(({ id }) => id === place)?.side;

/** A box of another item says nothing of the code on the goods: whether the two belong together has its own checks. */
function printed(fact: 'factoryCode' | 'country', { place }: Cell, rows: Row[], context: ReadingContext): Known[] {
  const beside = cellsOf(rows, fact).filter((cell) => sideOf(context, cell.place) === sideOf(context, place));
  return beside.map((cell) => ({
    says: `the ${fact === 'country' ? 'country' : 'factory code'} on the ${placeName(context, cell.place)}, ${cell.display}`,
    goes: (piece) =>
      [piece.text, ...textsOf(piece)].some((text) => normalOf(fact, text, context) === cell.reading?.normal),
  }));
}

/** For each tie, what it is held against. */
const TIES: Record<Tie, (cell: Cell, name: string, rows: Row[], context: ReadingContext) => Known[]> = {
  side: ({ place }, _, __, { kind }) => {
    const hand = kind.places.find(({ id }) => id === place)?.hand;
    return hand
      ? [
          {
            says: `the ${hand} one, on which it stands`,
            goes: (piece) =>
              textsOf(piece).some((text) => text === wordsKey(hand) || text === wordsKey(hand.charAt(0))),
          },
        ]
      : [];
  },
  factoryCode: (cell, _, rows, context) => printed('factoryCode', cell, rows, context),
  country: (cell, _, rows, context) => printed('country', cell, rows, context),
  size: (_, __, ___, { sizeKey, chart }) => {
    const row = chart?.rows.find(({ key }) => key === sizeKey);
    if (!sizeKey) return [];
    const sizes = [sizeKey, ...Object.values(row?.values ?? {})].map(wordsKey);
    return [{ says: `size ${sizeKey}`, goes: (piece) => textsOf(piece).some((text) => sizes.includes(text)) }];
  },
  pair: ({ place, fact }, name, rows, context) =>
    cellsOf(rows, fact)
      .filter((other) => other.place !== place && sideOf(context, other.place) === sideOf(context, place))
      .flatMap((other) => {
        const texts = pieces(other, name).map(({ text }) => text);
        const says = `${texts.join(' or ')} on the ${placeName(context, other.place)}`;
        return texts.length > 0 ? [{ says, goes: (piece: Piece) => texts.includes(piece.text) }] : [];
      }),
};

/** A segment in every reading that a cell still has. */
const pieces = (cell: Cell, name: string): Piece[] =>
  (cell.reading?.decoded ?? []).flatMap(({ readings }) =>
    readings.flatMap((reading) => reading.pieces.filter((piece) => piece.name === name)),
  );

const tiesOf = (cell: Cell): { name: string; tied: Tie }[] => {
  const schemes: CodeScheme[] = (cell.reading?.decoded ?? []).map(({ scheme }) => scheme);
  // With several schemes a segment of one of them proves nothing.
  if (schemes.length !== 1) return [];
  return (schemes[0]?.segments ?? []).flatMap(({ name, tied }) => (tied ? [{ name, tied }] : []));
};

/**
 * Hold the parts of decoded codes against the facts that they have to go with: the side, the plant, the country, the
 * size, the pair's number. Only what no reading of the code allows is a problem. Changes the rows.
 */
export function holdTies(rows: Row[], context: ReadingContext): void {
  for (const row of rows) {
    for (const cell of Object.values(row.cells)) {
      if (!cell.reading?.decoded || cell.reading.uncertain) continue;
      for (const { name, tied } of tiesOf(cell)) {
        const found = pieces(cell, name);
        const against = TIES[tied](cell, name, rows, context).find(({ goes }) => found.length > 0 && !found.some(goes));
        if (!against) continue;
        const [first] = found as [Piece, ...Piece[]];
        const meant = first.says === first.text ? first.text : `${first.text}, ${first.says}`;
        const sentence = `The ${row.fact.name.toLowerCase()} on the ${placeName(context, cell.place)} says ${name} ${meant}; that does not go with ${against.says}.`;
        const problem: Problem = { kind: 'tieBroken', place: cell.place, fact: row.fact.id, sentence };
        const before = row.cells[cell.place] as Cell;
        row.cells[cell.place] = { ...before, mark: 'differs', note: sentence, problems: [...before.problems, problem] };
      }
    }
  }
}
