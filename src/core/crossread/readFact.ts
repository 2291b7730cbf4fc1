import { cleanText, unwrapped } from '../codes/clean';
import { foreignSaid, latinLetters } from '../codes/lookAlikes';
import { SCHEME_FACTS, type SchemeFact } from '../codes/schemes/codeScheme';
import { codeCharacters } from '../codes/schemes/decode';
import { REPAIR_STEPS } from '../codes/schemes/repair';
import type { ReadingContext } from './context';
import { sizeColumnOf } from './facts';
import { behindWords, nameInFront } from './label/labelNames';
import { fitsScheme, readGtinFact, readSchemeFact, readStyleFact, readSymbolFact } from './readers/codes';
import { readCountryFact } from './readers/country';
import { readBoughtFact, readEraFact, readWindowFact } from './readers/dates';
import { readMaterialsFact } from './readers/materials';
import { readNamedFact } from './readers/names';
import {
  readDimensionsFact,
  readFactoryFact,
  readOfferedFact,
  readPlainCode,
  readPriceFact,
  readWordsFact,
} from './readers/plain';
import { readMirroredFact, readNotchFact, readSizeFact, readWholeSize } from './readers/sizes';
import { readEpcFact, readTidFact, readUserMemoryFact } from './readers/tags';
import { type FactResult, fails } from './reading';

type Reader = (raw: string, place: string | null, context: ReadingContext) => FactResult;

const READERS: Record<string, Reader> = {
  gtin: (raw, _, context) => readGtinFact(raw, context),
  styleCode: (raw, _, context) => readStyleFact(raw, context),
  size: (raw, _, context) => readWholeSize(raw, context),
  notches: (raw, _, context) => readNotchFact(raw, context),
  mirroredSize: (raw, _, context) => readMirroredFact(raw, context),
  productionWindow: readWindowFact,
  factoryCode: (raw, _, context) => readFactoryFact(raw, context),
  country: (raw, _, context) => readCountryFact(raw, context),
  labelSuffix: readPlainCode,
  lidStamp: readPlainCode,
  price: readPriceFact,
  priceAsked: readPriceFact,
  priceStruck: readPriceFact,
  sizesOffered: readOfferedFact,
  dimensions: readDimensionsFact,
  era: (raw, _, context) => readEraFact(raw, context),
  model: (...print) => readNamedFact('model', ...print),
  materials: readMaterialsFact,
  colourName: (...print) => readNamedFact('colourName', ...print),
  symbol: (raw, _, context) => readSymbolFact(raw, context),
  epc: readEpcFact,
  secondEpc: readEpcFact,
  tid: readTidFact,
  userMemory: readUserMemoryFact,
  boughtOn: (raw, _, context) => readBoughtFact(raw, context),
  ...Object.fromEntries(
    SCHEME_FACTS.map((fact: SchemeFact): [string, Reader] => [
      fact,
      (raw, _, context) => readSchemeFact(fact, raw, context),
    ]),
  ),
};

/** A question mark behind an entry: read, but not surely. */
const UNSURE = /(?<=\S)\s*\?\s*$/;

/** Facts in which a word in front can be nothing but their name. */
const NUMBERED = new Set(['gtin', 'styleCode', 'factoryCode']);

/** The text without the name that a label gives the fact: `Col. Fog/Alder`, `EAN 9521204100064`. */
function unlabelled(fact: string, text: string): { text: string; name: string | null } {
  const named = nameInFront(text);
  if (named?.fact !== fact || named.rest === '') return { text, name: null };
  const name = text.slice(0, text.length - named.rest.length).trim();
  const sure = named.marked || name.endsWith('.') || (NUMBERED.has(fact) && /\d/.test(named.rest));
  return sure ? { text: named.rest, name } : { text, name: null };
}

/** What stands before a number of any kind. */
const ANY_NUMBER = /^(?:NO|NR|NUM|N[°º])[.: ]+/i;

/** The sign of a lot, which some print close to its code, and others leave out where it is a part of it. */
const LOT_SIGN = /^L(?:OT)?(?=[A-Z0-9])/i;

/** The application identifier of a batch or a serial, before what it names in a symbol. */
const IDENTIFIER = /^\(?(?:10|21)\)?(?=[A-Z0-9])/i;

type Fits = (text: string) => boolean;

/** A code without what the label puts before it: what is right without that, or what stands behind its name. */
function withoutWord(fact: string, text: string, fits: Fits): { text: string; name: string } | null {
  const named = nameInFront(text);
  const rest = (named?.fact === fact && named.rest !== '' ? named.rest : text).replace(ANY_NUMBER, '');
  const unsigned = fact === 'batchCode' ? text.replace(LOT_SIGN, '') : text;
  const right = [behindWords(text, fits, false), unsigned, text.replace(IDENTIFIER, '')];
  const bare = right.find((each) => each !== text && fits(each)) ?? rest;
  return bare === text || bare === '' ? null : { text: bare, name: text.slice(0, text.length - bare.length).trim() };
}

/** In longer lines no code is looked for; shorter ones may be a year or an hour that fits a scheme by chance. */
const MOST_WORDS = 9;
const LEAST_CHARACTERS = 5;

/** A code in a line with other things: what stands before it, and behind. */
interface InLine {
  text: string;
  name: string;
  behind: string;
}

/**
 * A code among other words of its line: `MFG 07/21 H0244C2`, `L3158111 14:05`, `H0244C2/EXP 2030`. The longest run of
 * words that fits is the code.
 *
 * @returns null where none fits, `unclear` where several do, or one that is too short to be sure of
 */
function amongWords(text: string, fits: Fits): InLine | 'unclear' | null {
  const words = text.split(/[\s|]+|(?<=[A-Z0-9]{4})\s*[/(]\s*/i).map(unwrapped);
  if (words.length > MOST_WORDS) return null;
  for (let count = words.length - 1; count > 0; count--) {
    const runs = Array.from({ length: words.length - count + 1 }, (_, from): InLine => {
      const [before, run, behind] = [words.slice(0, from), words.slice(from, from + count), words.slice(from + count)];
      return { text: run.join(' '), name: before.join(' '), behind: behind.join(' ') };
    }).filter((run) => fits(run.text));
    const [first] = runs;
    const isSure =
      first && runs.every((run) => run.text === first.text && codeCharacters(run.text).length >= LEAST_CHARACTERS);
    if (first) return isSure ? first : 'unclear';
  }
  return null;
}

/**
 * Read one printed fact.
 *
 * @param fact fact id, see facts.ts; a trailing question mark says that the person is not sure
 * @param raw the text as it was typed or scanned
 * @param place where it stands, which may settle in which order its dates are written
 * @returns its normal and display form; or a failure, `impossible` where the form is right and the content cannot be
 */
export function readFact(fact: string, raw: string, context: ReadingContext, place: string | null = null): FactResult {
  const unsure = UNSURE.test(raw) && fact !== 'symbol';
  const { text: latin, foreign } = latinLetters(unsure ? raw.replace(UNSURE, '') : raw);
  // A symbol's text is what was scanned, to the last sign.
  const print = fact === 'symbol' ? latin.trim() : unwrapped(cleanText(latin));
  const { text: own, name: labelled } = unlabelled(fact, print);
  const text = NUMBERED.has(fact) ? own.replace(ANY_NUMBER, '') : own;
  const column = sizeColumnOf(fact);
  const read: Reader = column ? (sure) => readSizeFact(column, sure, context) : (READERS[fact] ?? readWordsFact);
  const whole = read(text, place, context);
  // A code that fits no scheme of its maker as it stands may fit without the word that the label puts before it.
  const budget = { steps: REPAIR_STEPS };
  const fits = (rest: string) => fitsScheme(fact as SchemeFact, rest, context, budget);
  const misfit = whole.reading?.misfit !== undefined;
  const inLine = misfit ? amongWords(text, fits) : null;
  if (inLine === 'unclear') return fails('Which of it is the code cannot be told; enter the code alone.');
  const word = misfit && !inLine ? withoutWord(fact, text, fits) : null;
  const bareLot = `L${word?.text ?? text}`;
  const isLot = misfit && !inLine && fact === 'batchCode' && !(word && fits(word.text)) && fits(bareLot);
  const bare = inLine ?? (isLot ? { text: bareLot, name: word?.name ?? '' } : word);
  const result = bare ? read(bare.text, place, context) : whole;
  const name = bare ? bare.name : labelled;
  if (!result.reading) return result;
  const says = [
    foreign.length > 0 ? foreignSaid(foreign) : '',
    name ? `without “${name}”` : '',
    isLot ? 'with the L of a lot' : '',
    inLine?.behind ? `“${inLine.behind}” stands behind it` : '',
    result.reading.says,
  ].filter(Boolean);
  return {
    reading: {
      ...result.reading,
      ...(unsure ? { uncertain: true } : {}),
      ...(says.length > 0 ? { says: says.join('; ') } : {}),
    },
  };
}
