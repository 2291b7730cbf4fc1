import { align } from '../codes/align';
import { readGtin } from '../codes/gtin';
import { readStyleCode } from '../codes/styleCode';
import type { ReadingContext } from '../crossread/context';
import { expectedFact } from '../crossread/expected';
import { expandFacts, sizeColumnOf } from '../crossread/facts';
import { type KnownNames, splitLabel } from '../crossread/label/splitLabel';
import { readFact } from '../crossread/readFact';
import type { Quad } from '../measure/homography';
import type { SeenSymbol } from './eyes';
import { holdBars } from './heldBars';
import { byLayout } from './labelLayout';
import type { SeenWord } from './readPrint';
import type { SeenLabel } from './seenLabel';
import { takeSizes } from './sizeTables';

/** How far a reading can be relied on; only what is sure is taken without a look. */
export type Trust = 'sure' | 'likely' | 'doubtful';

/** The surest first. */
const TRUSTS: Trust[] = ['sure', 'likely', 'doubtful'];

/** A fact that a picture shows. */
export interface PictureFact {
  place: string;
  fact: string;
  raw: string;
  /** Where it stands in the picture, in px. */
  corners: Quad;
  trust: Trust;
  /** Of the recognition, 0 to 1; 1 where a code was decoded. */
  confidence: number;
  /** Why it is trusted so far, or why not, in words. */
  why: string;
  /** What it may be in truth: the reading that one confusable character makes right. */
  alternatives: string[];
}

export interface LabelFacts {
  facts: PictureFact[];
  /** Text that is no fact of the place. */
  left: string[];
  /** What the bars and the number under them say, where they differ. */
  conflict: string | null;
}

const LINEAR = new Set(['EAN13', 'EAN8', 'UPCA', 'UPCE', 'ITF', 'Code128']);
/** Of text that only has the right form. */
const FORM_ENOUGH = 0.93;
const LEAST = 0.5;

const condensed = (text: string): string =>
  text
    .normalize('NFKD')
    .replace(/[^\p{L}\p{N}]/gu, '')
    .toUpperCase();

/** The words in which a text stands: the shortest run that holds it. */
function wordsOf(raw: string, words: SeenWord[]): SeenWord[] {
  const wanted = condensed(raw);
  let best: SeenWord[] = [];
  for (let from = 0; from < words.length; from++) {
    let text = '';
    for (let to = from; to < words.length && text.length <= wanted.length + 24; to++) {
      text += condensed((words[to] as SeenWord).text);
      if (!text.includes(wanted)) continue;
      if (best.length === 0 || to - from + 1 < best.length) best = words.slice(from, to + 1);
      break;
    }
  }
  return best;
}

/** The corners around several words of one line. */
function around(words: SeenWord[], fallback: Quad): Quad {
  const [first, last] = [words[0], words.at(-1)];
  return first && last ? [first.corners[0], last.corners[1], last.corners[2], first.corners[3]] : fallback;
}

const numberOf = (raw: string): string | undefined => readGtin(raw).readings.find(({ valid }) => valid)?.gtin14;

/** What the record has at this place, in the form in which readings are compared. */
function expectedForms(fact: string, place: string, context: ReadingContext): { raw: string; normal: string }[] {
  return (expectedFact(fact, place, context)?.values ?? []).flatMap((raw) => {
    const { reading } = readFact(fact, raw, context, place);
    return reading ? [{ raw, normal: reading.normal }] : [];
  });
}

/** How far a reading of letters can be relied on, and what else it may be. */
function weigh(
  fact: string,
  raw: string,
  confidence: number,
  place: string,
  context: ReadingContext,
): Pick<PictureFact, 'trust' | 'why' | 'alternatives'> {
  const read = readFact(fact, raw, context, place);
  const expected = expectedForms(fact, place, context);
  const percent = `read at ${Math.round(confidence * 100)} %`;
  const normal = read.reading?.normal;
  if (normal !== undefined && expected.some((each) => each.normal === normal))
    return {
      trust: confidence >= LEAST ? 'sure' : 'likely',
      why: `as the record has it, ${percent}`,
      alternatives: [],
    };
  // A point that was lost is a slip too: what is left of both is the same.
  const alternatives = expected
    .filter(
      (each) => align(condensed(each.raw), condensed(raw)).distance <= Math.max(0.4, 0.12 * condensed(each.raw).length),
    )
    .map((each) => each.raw);
  if (!read.reading)
    return { trust: 'doubtful', why: `${read.failure?.sentence ?? 'it cannot be read'} (${percent})`, alternatives };
  if (alternatives.length > 0)
    return { trust: 'doubtful', why: `one slip from what the record has, ${percent}`, alternatives };
  // What checks itself is not misread into something right by chance.
  const checked =
    (fact === 'gtin' && numberOf(raw) !== undefined) ||
    (read.reading.decoded?.length ?? 0) > 0 ||
    (fact === 'styleCode' && (context.facts[place]?.styleCode?.belongsTo?.length ?? 0) > 0);
  if (confidence >= FORM_ENOUGH || (checked && confidence >= 0.8))
    return { trust: 'likely', why: checked ? `right in itself, ${percent}` : percent, alternatives: [] };
  return { trust: 'doubtful', why: percent, alternatives: [] };
}

/** Characters that no picture tells apart in every face. */
const TWINS: Record<string, string> = { O: '0', '0': 'O', I: '1', '1': 'I' };
/** Facts that are codes of the maker's. */
const CODES = new Set(['styleCode', 'batchCode', 'serial', 'factoryCode']);
/** Of texts with more of them nothing is told. */
const MOST_TWINS = 5;

/** A text with each choice of its look-alike characters, but as it stands. */
function withTwins(raw: string): string[] {
  const twins = [...raw].flatMap((character, i) => (TWINS[character] ? [i] : []));
  if (twins.length > MOST_TWINS) return [];
  return Array.from({ length: 2 ** twins.length - 1 }, (_, choice) =>
    [...raw]
      .map((character, i) =>
        (choice + 1) & (1 << twins.indexOf(i)) && twins.includes(i) ? TWINS[character] : character,
      )
      .join(''),
  );
}

/**
 * A code in which a letter was taken for the figure that looks like it, or the other way round, by the one reading that
 * the shape of the maker's style codes or its code schemes allow; null where there is none such, or several.
 */
function byTwins(fact: string, raw: string, place: string, context: ReadingContext): string | null {
  const shape = context.maker?.styleShape;
  const fits = (text: string): boolean =>
    fact === 'styleCode'
      ? shape !== undefined && readStyleCode(text, shape).reading?.repairs.length === 0
      : (readFact(fact, text, context, place).reading?.decoded?.length ?? 0) > 0;
  if (fits(raw)) return null;
  const [code, other] = withTwins(raw).filter(fits);
  return code !== undefined && other === undefined ? code : null;
}

/** How far a code can be relied on whose look-alike characters were told by what the maker's codes can be. */
function weighTold(
  fact: string,
  raw: string,
  shaped: string,
  confidence: number,
  place: string,
  context: ReadingContext,
): Pick<PictureFact, 'trust' | 'why' | 'alternatives'> {
  const { trust, why } = weigh(fact, shaped, confidence, place, context);
  return {
    trust: trust === 'sure' ? 'likely' : trust,
    why: `looks like ${raw}, which no code of this maker can be; ${why}`,
    alternatives: [raw],
  };
}

/** Ids of the facts that a place prints. */
const printedAt = (place: string, { kind, chart }: ReadingContext): Set<string> =>
  new Set(expandFacts(kind.places.find(({ id }) => id === place)?.facts ?? [], chart).map(({ id }) => id));

/** What the bars of a label say, at the place itself or as a scan of its own. */
function bySymbol({ text, corners, format }: SeenSymbol, place: string, context: ReadingContext): PictureFact | null {
  const is = { corners, raw: text, confidence: 1, trust: 'sure' as const, alternatives: [] };
  if (LINEAR.has(format) && numberOf(text)) {
    const at = [place, 'barcodeScan'].find((each) => printedAt(each, context).has('gtin'));
    return at ? { ...is, place: at, fact: 'gtin', why: 'decoded from the bars' } : null;
  }
  return printedAt('barcodeScan', context).has('symbol')
    ? { ...is, place: 'barcodeScan', fact: 'symbol', why: 'decoded from the symbol' }
    : null;
}

/** A number that bars fit. */
export type HeldNumber = Pick<PictureFact, 'raw' | 'corners' | 'confidence'>;

/**
 * What bars say that are too blurred to be decoded: the one number of the release that they fit, wherever the label stands.
 */
export function heldNumber({ bars }: SeenLabel, { release }: ReadingContext): HeldNumber | null {
  const numbers = (release?.sizes ?? []).flatMap(({ gtin }) => (gtin ? [gtin] : []));
  for (const { corners, field } of bars) {
    const held = holdBars(field, numbers);
    if (!held) continue;
    const raw = numbers.find((number) => number.padStart(13, '0') === held.digits) ?? held.digits;
    return { raw, corners, confidence: held.fits };
  }
  return null;
}

/** The same as a fact of a place that prints such a number. */
function byHeldBars(held: HeldNumber | null, place: string, context: ReadingContext): PictureFact | null {
  if (!held || !printedAt(place, context).has('gtin')) return null;
  const why = `too blurred to decode; the bars fit ${held.raw} and no other number of this release`;
  return { ...held, place, fact: 'gtin', trust: 'likely', why, alternatives: [] };
}

/** A text that begins and ends with a figure and is a date by its looks. */
const isDate = (text: string): boolean => /^\d{1,4}[./-]\d{1,2}[./-]\d{1,4}$/.test(text);

/** Groups of figures, as they stand under bars. */
const isGroup = (text: string): boolean => /^\d{1,7}$/.test(text);

/** The runs of one row. A dash between two dates is too faint to be seen at times; a number stands in groups. */
function spoken(runs: string[]): string {
  const digits = runs.filter(isGroup).join('');
  const number = [8, 12, 13].includes(digits.length) && runs.filter(isGroup).length > 1;
  const glue = (before: string, run: string): string =>
    isDate(run) && isDate(before) ? ' - ' : number && isGroup(run) && isGroup(before) ? ' ' : '\t';
  return runs.map((run, i) => (i === 0 ? run : `${glue(runs[i - 1] ?? '', run)}${run}`)).join('');
}

/**
 * The facts that a label in a picture shows, as its kind of goods has them at a place.
 *
 * @param label as `lookAt` saw it
 * @param others names of the product that its code stands for, where that is another than the record's
 * @param held what its bars fit, for whoever asks of several places: it takes a while and is the same at all of them
 * @returns each fact once, with where it stands and how far it can be relied on; nothing is mended silently
 */
export function factsIn(
  label: SeenLabel,
  place: string,
  context: ReadingContext,
  others: KnownNames[] = [],
  held: HeldNumber | null = heldNumber(label, context),
): LabelFacts {
  const words = label.lines.flat(2);
  const { sizes, rest } = takeSizes(label.lines, context.chart);
  const text = rest.map((line) => spoken(line.map((cell) => cell.map((word) => word.text).join(' ')))).join('\n');
  const { placed, left } = splitLabel(text, place, context, others);
  const decoded = label.symbols.flatMap((symbol) => bySymbol(symbol, place, context) ?? []);
  const bars = decoded.find(({ fact }) => fact === 'gtin') ?? byHeldBars(held, place, context);
  if (bars && !decoded.includes(bars)) decoded.push(bars);
  let conflict: string | null = null;
  const facts = decoded.filter(
    (each, i) => decoded.findIndex(({ place: at, fact }) => at === each.place && fact === each.fact) === i,
  );
  const bySize = sizes.map((size) => ({
    fact: `size.${size.column}`,
    raw: size.raw,
    own: size.words,
  }));
  const byText = placed
    .filter(({ fact }) => !bySize.some((size) => size.fact === fact))
    .map(({ fact, raw }) => ({ fact, raw, own: wordsOf(raw, words) }));
  const prints = printedAt(place, context);
  // What no code scheme can read may be a code with a letter for the figure that looks like it.
  const byLooks = left.flatMap((raw) =>
    [...prints]
      .filter(
        (fact) => CODES.has(fact) && !byText.some((each) => each.fact === fact) && byTwins(fact, raw, place, context),
      )
      .map((fact) => ({ fact, raw, own: wordsOf(raw, words) })),
  );
  const byBox = byLayout(label, place, context.maker?.labels ?? []).map(({ fact, words: own }) => ({
    fact,
    raw: own.map(({ text }) => text).join(' '),
    own,
  }));
  const found = new Map<string, PictureFact>();
  for (const { fact, raw, own } of [...bySize, ...byText, ...byLooks, ...byBox].filter(({ fact }) =>
    prints.has(fact),
  )) {
    const confidence = own.length > 0 ? Math.min(...own.map((word) => word.confidence)) : 0;
    if (fact === 'gtin' && bars) {
      const printed = numberOf(raw);
      if (printed && printed !== numberOf(bars.raw) && confidence >= 0.8)
        conflict = `The bars say ${bars.raw}; the number under them reads ${raw}. Look at both: one of them is another product’s.`;
      continue;
    }
    const shaped = CODES.has(fact) ? byTwins(fact, raw, place, context) : null;
    const one: PictureFact = {
      place,
      fact,
      raw: shaped ?? raw,
      confidence,
      corners: around(own, label.corners),
      ...(shaped
        ? weighTold(fact, raw, shaped, confidence, place, context)
        : weigh(fact, raw, confidence, place, context)),
    };
    // A box says where a fact stands; how it was read decides which reading is shown.
    const other = found.get(fact);
    if (!other || TRUSTS.indexOf(one.trust) < TRUSTS.indexOf(other.trust)) found.set(fact, one);
  }
  facts.push(...found.values());
  const order = (fact: string) => (sizeColumnOf(fact) ? 1 : 0);
  return {
    facts: facts.sort((a, b) => order(a.fact) - order(b.fact)),
    left: left.filter((text) => !byLooks.some(({ raw }) => raw === text)),
    conflict,
  };
}
