import { align } from '../codes/align';
import { cleanText } from '../codes/clean';
import { type GtinCorrection, type GtinReading, gtinCorrections, readGtin } from '../codes/gtin';
import { normaliseStyleCode, styleCodeKey } from '../codes/styleCode';
import { normaliseSize } from '../sizes/printedSize';
import type { GoodsKind } from './release';

/** What the index of release sizes knows of one size: enough to rank it and to show it. */
export interface IndexedSize {
  releaseId: string;
  kind: GoodsKind;
  makerName: string;
  name: string;
  styleCode: string;
  colourName: string;
  sizeKey: string;
  gtin: string;
  gtin14: string;
}

/** A release without a particular size, as found by style code or words. */
export type IndexedRelease = Omit<IndexedSize, 'sizeKey' | 'gtin' | 'gtin14'> & { sizeKeys: string[] };

/** What an index must answer for matching. The store has one in SQLite; tests have one in memory. */
export interface ReleaseIndex {
  byGtin14(gtin14s: string[]): Promise<IndexedSize[]>;
  byStyleKey(key: string): Promise<IndexedRelease[]>;
  /** Releases that share the most three-letter pieces with the text, best first. */
  similar(text: string, limit: number): Promise<IndexedRelease[]>;
}

export interface Candidate {
  releaseId: string;
  kind: GoodsKind;
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
const SIMILAR = 40;

function fromSize(size: IndexedSize, score: number, reason: string): Candidate {
  const { releaseId, kind, makerName, name, styleCode, colourName, sizeKey } = size;
  return { releaseId, kind, makerName, name, styleCode, colourName, sizeKey, sizeKeys: [sizeKey], score, reason };
}

function correctionReason(correction: GtinCorrection, reading: GtinReading): string {
  const at = correction.at + 1;
  const change =
    correction.kind === 'swap'
      ? `digits ${at} and ${at + 1} swapped`
      : `digit ${at} read as ${correction.digits[correction.at]} instead of ${reading.digits[correction.at]}`;
  return `${reading.valid ? 'in no record' : 'check digit fails'}; with ${change} it is in the records`;
}

async function matchGtin(readings: GtinReading[], index: ReleaseIndex): Promise<Candidate[]> {
  const exact = await index.byGtin14(readings.map((reading) => reading.gtin14));
  const candidates = exact.map((size) => {
    const reading = readings.find((each) => each.gtin14 === size.gtin14) as GtinReading;
    const failing = reading.valid ? '' : ', though its check digit fails';
    return fromSize(size, reading.valid ? 1 : 0.9, `barcode number as in the record${failing}`);
  });
  if (candidates.length > 0) return candidates;
  for (const reading of readings) {
    const corrections = gtinCorrections(reading);
    const known = await index.byGtin14(corrections.map((correction) => correction.gtin14));
    for (const correction of corrections) {
      for (const size of known.filter((each) => each.gtin14 === correction.gtin14)) {
        candidates.push(fromSize(size, correction.kind === 'swap' ? 0.8 : 0.75, correctionReason(correction, reading)));
      }
    }
  }
  return candidates;
}

/** Words without accents and signs, lower case. */
const words = (text: string): string[] =>
  text
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .split(/[^\p{L}\p{N}.]+/u)
    .filter((word) => word !== '');

/** Letters of one word that the other lacks: a bound on the slips between them that costs little. */
function strangers(typed: string, word: string): number {
  let count = 0;
  for (const letter of typed) if (!word.includes(letter)) count += 1;
  return count;
}

/** How well a typed word stands for one of the release's words, 0 to 1; a beginning counts nearly as much as a whole. */
function wordScore(typed: string, known: string[]): number {
  const allowed = typed.length <= 3 ? 0 : typed.length <= 6 ? 1 : 2;
  let best = 0;
  for (const word of known) {
    if (word === typed) return 1;
    if (typed.length >= 2 && word.startsWith(typed)) best = Math.max(best, 0.9);
    if (Math.abs(word.length - typed.length) > allowed || strangers(typed, word) > allowed) continue;
    const slips = align(word, typed).distance;
    if (slips <= allowed) best = Math.max(best, 1 - slips / Math.max(word.length, typed.length));
  }
  return best;
}

function matchWords(query: string[], release: IndexedRelease): Candidate | null {
  const known = words(`${release.makerName} ${release.name} ${release.colourName} ${release.styleCode}`);
  const sizeOf = (word: string) => release.sizeKeys.find((key) => normaliseSize(key) === normaliseSize(word));
  let sizeKey: string | null = null;
  let sum = 0;
  const misspelt: string[] = [];
  const unknown: string[] = [];
  for (const word of query) {
    const score = wordScore(word, known);
    const size = score < 1 && /\d/.test(word) ? sizeOf(word) : undefined;
    if (size) {
      sizeKey = size;
      sum += 1;
    } else {
      sum += score;
      if (score === 0) unknown.push(word);
      else if (score < 0.9) misspelt.push(word);
    }
  }
  if (sum === 0) return null;
  const notes = [
    misspelt.length > 0 ? `${misspelt.map((word) => `“${word}”`).join(', ')} taken as a slip` : '',
    unknown.length > 0 ? `${unknown.map((word) => `“${word}”`).join(', ')} not found` : '',
  ].filter((note) => note !== '');
  const reason = notes.length > 0 ? `words of the name; ${notes.join('; ')}` : 'words of the name';
  return { ...release, sizeKey, score: (0.85 * sum) / query.length, reason };
}

function matchStyle(query: string, release: IndexedRelease): Candidate | null {
  const { steps, distance } = align(normaliseStyleCode(release.styleCode), query);
  if (distance === 0) return { ...release, sizeKey: null, score: 1, reason: 'style code as in the record' };
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
  return { ...release, sizeKey: null, score: 0.95 - distance / query.length, reason: `style code but for ${detail}` };
}

/** Best first, each release and size once; a release without a size stands for all of its sizes. */
function rank(found: Candidate[]): Candidate[] {
  found.sort((a, b) => b.score - a.score);
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

/**
 * The releases and sizes that a scan or some typing may mean, with typing errors forgiven, best first.
 *
 * @param query a barcode number, a style code, or words of maker, name, colour and size
 * @param index where the release sizes are looked up
 * @returns at most 8 candidates, each with the reason for it
 */
export async function matchReleases(query: string, index: ReleaseIndex): Promise<Candidate[]> {
  const text = cleanText(query).slice(0, 120);
  if (text.length < 2) return [];
  const found: Candidate[] = [];
  const { readings } = readGtin(text);
  if (readings.length > 0) found.push(...(await matchGtin(readings, index)));
  const digitsOnly = /^[\d\s-]+$/.test(text);
  if (found.some((candidate) => candidate.score === 1 || digitsOnly)) return rank(found);

  const style = /\d/.test(text) ? normaliseStyleCode(text) : '';
  const styled = style.length >= 4 ? await index.byStyleKey(styleCodeKey(text)) : [];
  const consider = (candidate: Candidate | null) => candidate && candidate.score >= LEAST && found.push(candidate);
  for (const release of styled) consider(matchStyle(style, release));
  if (found.some((candidate) => candidate.score === 1)) return found;

  const typed = words(text);
  for (const release of await index.similar(text, SIMILAR)) {
    if (style.length >= 4) consider(matchStyle(style, release));
    consider(matchWords(typed, release));
  }
  return rank(found);
}
