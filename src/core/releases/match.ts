import { align, withinOneSlip } from '../codes/align';
import { cleanText } from '../codes/clean';
import { digitsForLetters, type GtinCorrection, type GtinReading, gtinCorrections, readGtin } from '../codes/gtin';
import { normaliseStyleCode, styleCodeKey, styleSlips } from '../codes/styleCode';
import { searchWords } from '../crossread/words';
import { normaliseSize } from '../sizes/printedSize';
import type { Meant, Vocabulary } from './vocabulary';

/** What the index of release sizes knows of one size: enough to rank it and to show it. */
export interface IndexedSize {
  releaseId: string;
  kind: string;
  makerName: string;
  name: string;
  styleCode: string;
  colourName: string;
  sizeKey: string;
  gtin: string;
  gtin14: string;
  /** The record is out of use. */
  retired?: true;
}

/** A release without a particular size, as found by style code or words. */
export type IndexedRelease = Omit<IndexedSize, 'sizeKey' | 'gtin' | 'gtin14'> & { sizeKeys: string[] };

/** What an index must answer for matching. The store has one in SQLite; tests have one in memory. */
export interface ReleaseIndex {
  byGtin14(gtin14s: string[]): Promise<IndexedSize[]>;
  byStyleKey(key: string): Promise<IndexedRelease[]>;
  /** Releases of whose style code one of these is left when a character is left out, see `styleSlips`. */
  byStyleSlips(slips: string[]): Promise<IndexedRelease[]>;
  /** The words that the records have. */
  vocabulary(): Promise<Vocabulary>;
  /** Releases that have a word of every group. */
  withWords(groups: string[][], limit: number): Promise<IndexedRelease[]>;
}

/** What else is known of the item that is looked for: what fits it comes first. */
export interface KnownOfItem {
  releaseId?: string | null;
  maker?: string | null;
  kind?: string | null;
  sizeKey?: string | null;
}

export interface Candidate {
  releaseId: string;
  kind: string;
  makerName: string;
  name: string;
  styleCode: string;
  colourName: string;
  /** The size that the query names, or null where it names none. */
  sizeKey: string | null;
  sizeKeys: string[];
  /** 0 to 1; 1 only for an exact code. */
  score: number;
  reason: string;
}

/** At most so many candidates are shown, and none that fits worse than `LEAST`. */
const LIMIT = 8;
const LEAST = 0.35;
/** So many releases of similar words are ranked. */
const SIMILAR = 60;
/** Among those that have the one word that was typed, nothing is better than another but for what is known of the item. */
const ALIKE = 24;
const MOST_WORDS = 12;
/** What a word is worth that is typed more often than the record has it. */
const REPEATED = 0.95;
/** A match of words that leaves nothing to look for. */
const SURE = 0.8;

/** Whatever is said of a record says too that nobody should choose it unawares. */
const inUse = (reason: string, { retired }: { retired?: true }): string =>
  retired ? `${reason}; the record is out of use` : reason;

function fromSize(size: IndexedSize, score: number, reason: string): Candidate {
  const { releaseId, kind, makerName, name, styleCode, colourName, sizeKey } = size;
  const found = { releaseId, kind, makerName, name, styleCode, colourName, sizeKey, sizeKeys: [sizeKey], score };
  return { ...found, reason: inUse(reason, size) };
}

function correctionReason({ kind, at, digits }: GtinCorrection, typed: string, readings: GtinReading[]): string {
  const place = at + 1;
  const change = {
    swap: `digits ${place} and ${place + 1} swapped`,
    digit: `digit ${place} read as ${digits[at]} instead of ${typed[at]}`,
    missing: `a ${digits[at]} put in at place ${place}`,
    extra: `digit ${place}, a ${typed[at]}, left out`,
  }[kind];
  const valid = readings.some((reading) => reading.valid);
  const wrong = readings.length > 0 ? 'check digit fails' : `${typed.length} digits are no barcode number`;
  return `${valid ? 'in no record' : wrong}; with ${change} it is in the records`;
}

/** Numbers one slip away that the records have; where the text has letters for digits, those first. */
async function correctedGtins(digits: string, readings: GtinReading[], index: ReleaseIndex): Promise<Candidate[]> {
  const tried = [{ digits }, ...readings.filter(({ form }) => form === 'UPC-E')].flatMap((each) =>
    gtinCorrections(each, true),
  );
  const corrections = new Map(tried.map((each) => [each.gtin14, each]));
  const known = await index.byGtin14([...corrections.keys()]);
  return known.map((size) => {
    const correction = corrections.get(size.gtin14) as GtinCorrection;
    return fromSize(size, correction.likely, correctionReason(correction, digits, readings));
  });
}

async function matchGtin(text: string, index: ReleaseIndex): Promise<Candidate[]> {
  const swapped = digitsForLetters(text);
  const digits = swapped ?? text.replace(/\D/g, '');
  const { readings } = readGtin(digits);
  const exact = readings.length > 0 ? await index.byGtin14(readings.map((reading) => reading.gtin14)) : [];
  if (exact.length === 0)
    return digits.length >= 6 && digits.length <= 15 ? correctedGtins(digits, readings, index) : [];
  return exact.map((size) => {
    const reading = readings.find((each) => each.gtin14 === size.gtin14) as GtinReading;
    const failing = reading.valid ? '' : ', though its check digit fails';
    const letters = swapped ? ', letters taken for digits' : '';
    return fromSize(
      size,
      reading.valid ? (swapped ? 0.95 : 1) : 0.9,
      `barcode number as in the record${failing}${letters}`,
    );
  });
}

/** A typed word with every known one that it may stand for. */
interface TypedWord {
  typed: string;
  meant: Meant[];
}

/** So many releases have one of the words that a typed one may stand for. */
const spread = ({ meant }: TypedWord): number => meant.reduce((sum, { count }) => sum + count, 0);

/** Releases that have what was typed, or the most telling part of it where none has all. */
async function similar(words: TypedWord[], index: ReleaseIndex, limit: number): Promise<IndexedRelease[]> {
  const known = words.filter(({ meant }) => meant.length > 0).sort((a, b) => spread(a) - spread(b));
  const groups = known.map(({ meant }) => meant.map(({ word }) => word));
  if (groups.length === 0) return [];
  if (groups.length === 1 && groups[0]?.length === 1) return index.withWords(groups, Math.min(limit, ALIKE));
  const all = await index.withWords(groups, limit);
  if (all.length > 0 || groups.length === 1) return all;
  const found = new Map<string, IndexedRelease>();
  const add = (releases: IndexedRelease[]) => {
    for (const release of releases) found.set(release.releaseId, release);
  };
  // Without one of the words, the commonest first: a word too many is likelier than a rare one that happens to be known.
  for (let i = groups.length - 1; i >= 0; i--) {
    if (groups.length > 2)
      add(
        await index.withWords(
          groups.filter((_, at) => at !== i),
          limit,
        ),
      );
    if (found.size >= limit / 2) break;
  }
  return [...found.values()];
}

function matchWords(query: TypedWord[], release: IndexedRelease): Candidate | null {
  const { makerName, name, colourName, styleCode } = release;
  // A colour that stands twice in the query (“black / black”) fits a record better that has it twice.
  const left = searchWords(`${makerName} ${name} ${colourName} ${styleCode}`);
  const known = new Set(left);
  const taken = (word: string): boolean => {
    const at = left.indexOf(word);
    if (at >= 0) left.splice(at, 1);
    return at >= 0;
  };
  const sizeOf = (word: string) => release.sizeKeys.find((key) => normaliseSize(key) === normaliseSize(word));
  let sizeKey: string | null = null;
  let sum = 0;
  const misspelt: string[] = [];
  const unknown: string[] = [];
  for (const { typed, meant } of query) {
    const fits = meant.find(({ word }) => known.has(word));
    const score = !fits ? 0 : taken(fits.word) ? fits.score : REPEATED * fits.score;
    const size = score < 1 ? sizeOf(typed) : undefined;
    if (size) {
      sizeKey = size;
      sum += 1;
    } else {
      sum += score;
      if (score === 0) unknown.push(typed);
      else if (score < 0.9) misspelt.push(typed);
    }
  }
  if (sum === 0) return null;
  const quoted = (list: string[]) => list.map((word) => `“${word.toLowerCase()}”`).join(', ');
  const notes = [
    misspelt.length > 0 ? `${quoted(misspelt)} taken as a slip` : '',
    unknown.length > 0 ? `${quoted(unknown)} not found` : '',
  ].filter((note) => note !== '');
  const reason = notes.length > 0 ? `words of the name; ${notes.join('; ')}` : 'words of the name';
  return { ...release, sizeKey, score: (0.85 * sum) / query.length, reason: inUse(reason, release) };
}

function matchStyle(query: string, release: IndexedRelease): Candidate | null {
  const own = normaliseStyleCode(release.styleCode);
  if (own === query)
    return { ...release, sizeKey: null, score: 1, reason: inUse('style code as in the record', release) };
  const { steps, distance } = align(own, query);
  if (distance > Math.max(1, query.length / 4)) return null;
  const slips = steps.filter((step) => step.op !== 'same');
  const detail = slips
    .map((step) =>
      step.op === 'insert'
        ? `“${step.found}” too many`
        : step.op === 'delete'
          ? `“${step.expected}” left out`
          : `“${step.found}” for “${step.expected}”`,
    )
    .join(', ');
  return {
    ...release,
    sizeKey: null,
    score: 0.95 - distance / query.length,
    reason: inUse(`style code but for ${detail}`, release),
  };
}

/** Enough to bring what fits the item before what is as near by itself, and no more. */
function fitting({ releaseId, maker, kind, sizeKey }: KnownOfItem): (candidate: Candidate) => number {
  return (candidate) =>
    candidate.score +
    (releaseId && candidate.releaseId === releaseId ? 0.2 : 0) +
    (maker && candidate.makerName === maker ? 0.06 : 0) +
    (kind && candidate.kind === kind ? 0.04 : 0) +
    (sizeKey && candidate.sizeKey === sizeKey ? 0.05 : 0);
}

/** Best first, each release and size once; a release without a size stands for all of its sizes. */
function rank(found: Candidate[], item: KnownOfItem): Candidate[] {
  const worth = fitting(item);
  found.sort((a, b) => worth(b) - worth(a));
  const seen = new Set<string>();
  return found
    .filter(({ releaseId, sizeKey }) => {
      const key = `${releaseId}/${sizeKey ?? ''}`;
      if (seen.has(key) || seen.has(releaseId)) return false;
      seen.add(key);
      if (sizeKey === null) seen.add(releaseId);
      return true;
    })
    .slice(0, LIMIT);
}

/** Releases whose style code is the text but for one slip. */
async function matchStyles(text: string, index: ReleaseIndex): Promise<Candidate[]> {
  const style = normaliseStyleCode(text);
  if (style.length < 4 || style.length > 24 || !/\d/.test(style)) return [];
  const key = styleCodeKey(text);
  const exact = await index.byStyleKey(key);
  const found =
    exact.length > 0
      ? exact
      : (await index.byStyleSlips(styleSlips(key))).filter(({ styleCode }) =>
          withinOneSlip(styleCodeKey(styleCode), key),
        );
  return found
    .map((release) => matchStyle(style, release))
    .filter((candidate): candidate is Candidate => candidate !== null && candidate.score >= LEAST);
}

/** Releases with words of the text, abbreviations written out and slips forgiven. */
async function matchNames(text: string, index: ReleaseIndex): Promise<Candidate[]> {
  // A decimal point belongs to a size.
  const typed = text.split(/\s+/).flatMap((word) => (/^\d+[.,]\d+$/.test(word) ? [word] : searchWords(word)));
  const vocabulary = await index.vocabulary();
  const matched = async (thorough: boolean) => {
    const words = typed.slice(0, MOST_WORDS).map((word) => ({ typed: word, meant: vocabulary.meant(word, thorough) }));
    return (await similar(words, index, SIMILAR))
      .map((release) => matchWords(words, release))
      .filter((candidate): candidate is Candidate => candidate !== null && candidate.score >= LEAST);
  };
  const found = await matched(false);
  // A slip may happen to be the beginning of another word.
  return found.some(({ score }) => score > SURE) ? found : [...found, ...(await matched(true))];
}

/**
 * The releases and sizes that a scan or some typing may mean, with typing errors forgiven, best first.
 *
 * @param query a barcode number, a style code, or words of maker, name, colour and size
 * @param index where the release sizes are looked up
 * @param item what else is known of the item
 * @returns at most 8 candidates, each with the reason for it
 */
export async function matchReleases(query: string, index: ReleaseIndex, item: KnownOfItem = {}): Promise<Candidate[]> {
  const text = cleanText(query).slice(0, 120);
  if (text.length < 2) return [];
  const digitsOnly = /^[\d\s-]+$/.test(text);
  const found = digitsOnly || digitsForLetters(text) ? await matchGtin(text, index) : [];
  if (found.some(({ score }) => score >= 0.9)) return rank(found, item);
  const styles = await matchStyles(text, index);
  found.push(...styles);
  if (found.some(({ score }) => score === 1)) return rank(found, item);
  // A number or a code that was found with a slip is no name.
  if (found.length === 0 || !/^\S+$/.test(text)) found.push(...(await matchNames(text, index)));
  return rank(found, item);
}

/** Releases that go by a name, in whatever spelling. */
export async function releasesNamed(name: string, index: ReleaseIndex, limit: number): Promise<IndexedRelease[]> {
  const vocabulary = await index.vocabulary();
  return similar(
    searchWords(name)
      .slice(0, MOST_WORDS)
      .map((typed) => ({ typed, meant: vocabulary.meant(typed) })),
    index,
    limit,
  );
}
