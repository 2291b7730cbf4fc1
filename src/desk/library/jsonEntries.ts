import { createReadStream } from 'node:fs';
import { open } from 'node:fs/promises';

/** One entry of a file as it stands there. */
export interface RawEntry {
  /** From 1, counted over the whole file. */
  line: number;
  text: string;
  /** Bytes of the file up to its end. */
  end: number;
}

const [NEWLINE, QUOTE, BACKSLASH, OPEN_LIST, CLOSE_LIST, OPEN, CLOSE] = [...'\n"\\[]{}'].map((sign) =>
  sign.charCodeAt(0),
);
/** Longer than any honest document. */
const LONGEST = 4_000_000;
/** A list has to begin so early in a file that is one. */
const LIST_WITHIN = 8;

/** A file that cannot be read as entries, as a sentence. */
export class BrokenFile extends Error {}

/** Finds the objects at the outermost level of a text that comes in pieces. */
class EntryScanner {
  private line = 1;
  private began = 1;
  private depth = 0;
  /** How deep entries lie: 1 in a list, 0 where they follow each other. */
  private base = 0;
  private at = 0;
  private inText = false;
  private escaped = false;
  /** What of an entry lies in pieces before this one. */
  private before: Buffer[] = [];

  /** The line of the entry that has begun and not ended; null where there is none. */
  get open(): number | null {
    return this.depth > this.base || (this.base === 1 && this.depth === 1) ? this.began : null;
  }

  take(piece: Buffer): RawEntry[] {
    const entries: RawEntry[] = [];
    let { line, depth, base, inText, escaped } = this;
    let start = this.before.length > 0 ? 0 : -1;
    for (let i = 0; i < piece.length; i++) {
      const byte = piece[i] as number;
      if (byte === NEWLINE) line++;
      if (inText) {
        if (escaped) escaped = false;
        else if (byte === BACKSLASH) escaped = true;
        else if (byte === QUOTE) inText = false;
      } else if (byte === QUOTE) inText = true;
      else if (byte === OPEN || byte === OPEN_LIST) {
        if (depth === 0 && byte === OPEN_LIST && this.at + i < LIST_WITHIN) base = 1;
        else if (depth === base && byte === OPEN) {
          start = i;
          this.began = line;
        }
        depth++;
      } else if (byte === CLOSE || byte === CLOSE_LIST) {
        depth--;
        if (depth !== base || start < 0) continue;
        const last = piece.subarray(start, i + 1);
        const text = this.before.length > 0 ? Buffer.concat([...this.before, last]).toString() : last.toString();
        this.before = [];
        start = -1;
        entries.push({ line: this.began, text, end: this.at + i + 1 });
      }
    }
    if (start >= 0) this.before.push(piece.subarray(start));
    if (this.before.reduce((sum, each) => sum + each.length, 0) > LONGEST)
      throw new BrokenFile(`The entry in line ${this.began} is longer than any document. Nothing after it was read.`);
    this.at += piece.length;
    Object.assign(this, { line, depth, base, inText, escaped });
    return entries;
  }
}

/** Lines of a text that comes in pieces, each an entry by itself. */
class LineReader {
  private line = 0;
  private at = 0;
  private before: Buffer[] = [];

  take(piece: Buffer): RawEntry[] {
    const entries: RawEntry[] = [];
    let start = 0;
    for (let end = piece.indexOf(NEWLINE as number); end >= 0; end = piece.indexOf(NEWLINE as number, start)) {
      entries.push(...this.entry(piece.subarray(start, end), this.at + end + 1));
      start = end + 1;
    }
    if (start < piece.length) this.before.push(piece.subarray(start));
    this.at += piece.length;
    return entries;
  }

  /** The last line, where none ends it. */
  rest(): RawEntry[] {
    return this.entry(Buffer.alloc(0), this.at);
  }

  private entry(last: Buffer, end: number): RawEntry[] {
    const text = (this.before.length > 0 ? Buffer.concat([...this.before, last]) : last).toString();
    this.before = [];
    this.line++;
    return text.trim() === '' ? [] : [{ line: this.line, text, end }];
  }
}

/** Whether the first line of a file is a document by itself, as in a file with one on each line. */
async function isByLines(path: string): Promise<boolean> {
  const file = await open(path);
  try {
    const { buffer, bytesRead } = await file.read(Buffer.alloc(LONGEST), 0, LONGEST, 0);
    const end = buffer.subarray(0, bytesRead).indexOf(NEWLINE as number);
    const first = JSON.parse(buffer.subarray(0, end < 0 ? bytesRead : end).toString()) as unknown;
    return typeof first === 'object' && first !== null && !Array.isArray(first);
  } catch {
    return false;
  } finally {
    await file.close();
  }
}

const pieces = (path: string) => createReadStream(path, { highWaterMark: 1 << 18 }) as AsyncIterable<Buffer>;

/**
 * The objects of a JSON array, or of a file with one on each line, one after the other: the file is never whole in memory.
 *
 * @throws BrokenFile where it ends in the middle of one
 */
export async function* jsonEntries(path: string): AsyncGenerator<RawEntry> {
  if (await isByLines(path)) {
    const lines = new LineReader();
    for await (const piece of pieces(path)) yield* lines.take(piece);
    yield* lines.rest();
    return;
  }
  const scanner = new EntryScanner();
  for await (const piece of pieces(path)) yield* scanner.take(piece);
  if (scanner.open !== null)
    throw new BrokenFile(
      `The file ends in the middle of the entry that begins in line ${scanner.open}. It did not arrive whole.`,
    );
}
