import { createHash, randomBytes, timingSafeEqual } from 'node:crypto';
import type { LineNews } from '@/core/devices/phoneSeen';

/** How long a phone's address holds. */
export const LINE_MINUTES = 30;
/** More pictures than this come from no hand. */
const MOST_PICTURES = 200;
/** Of all cases together; the oldest goes first. */
const MOST_LINES = 200;

/** What a phone can do for one case, for a while: add pictures, and nothing else. */
export interface PhoneLine {
  /** What stands in its address; who knows it may begin, once. */
  token: string;
  number: string;
  /** Who opened it; the pictures are entered in that name. */
  by: string;
  /** Instant of its end, in ms. */
  until: number;
  /** Hash of what the phone that began it holds; null while none has. */
  guest: string | null;
  /** Pictures that came by it. */
  pictures: number;
  /** Called with each change: a phone began, a picture came, the line is over. */
  listeners: Set<(news: LineNews) => void>;
}

/** The lines that are open at a desk, by their token. They end with the program. */
export type PhoneLines = Map<string, PhoneLine>;

const secret = (): string => randomBytes(24).toString('base64url');
const hashOf = (text: string): string => createHash('sha256').update(text).digest('hex');
const sameText = (a: string, b: string): boolean =>
  a.length === b.length && timingSafeEqual(Buffer.from(a), Buffer.from(b));

/** Tell whoever watches a line. */
export function tell(line: PhoneLine, news: LineNews): void {
  for (const listener of line.listeners) listener(news);
}

/** End a line; its address and its phone are of no use from then on. */
export function endLine(lines: PhoneLines, line: PhoneLine): void {
  lines.delete(line.token);
  tell(line, { over: true });
}

/** The line that is open for a case; those whose time is over end here. */
export function lineOf(lines: PhoneLines, number: string, now: number): PhoneLine | null {
  for (const line of [...lines.values()]) if (line.until <= now) endLine(lines, line);
  return [...lines.values()].find((line) => line.number === number) ?? null;
}

/** Open a line for a case. Whatever line it had ends. */
export function openLine(lines: PhoneLines, number: string, by: string, now: number): PhoneLine {
  const before = lineOf(lines, number, now);
  if (before) endLine(lines, before);
  const [oldest] = lines.values();
  if (oldest && lines.size >= MOST_LINES) endLine(lines, oldest);
  const line: PhoneLine = {
    token: secret(),
    number,
    by,
    until: now + LINE_MINUTES * 60_000,
    guest: null,
    pictures: 0,
    listeners: new Set(),
  };
  lines.set(line.token, line);
  return line;
}

/** Why a phone gets nowhere, as a sentence that its owner reads. */
export type LineProblem = { problem: string };

const OVER = {
  problem: `This address is no longer good: it holds for ${LINE_MINUTES} minutes, and whoever opened it can end it. Ask at the bench for a new one.`,
};
const TAKEN = {
  problem: 'Another phone has used this address already, and it is good for one. Ask at the bench for a new one.',
};

/** The line of an address, for whoever holds `held`; `begun` where that phone is the one that began. */
export function lineAt(
  lines: PhoneLines,
  token: string,
  held: string | null,
  now: number,
): { line: PhoneLine; begun: boolean } | LineProblem {
  const line = lines.get(token);
  if (line && line.until <= now) endLine(lines, line);
  if (!line || line.until <= now) return OVER;
  const begun = line.guest !== null && held !== null && sameText(hashOf(held), line.guest);
  return line.guest !== null && !begun ? TAKEN : { line, begun };
}

/**
 * Give a line to the first phone that asks.
 *
 * @returns what that phone holds from then on
 */
export function beginLine(line: PhoneLine): string {
  const held = secret();
  line.guest = hashOf(held);
  tell(line, { begun: true });
  return held;
}

/** True where a line takes no more. */
export const isFull = ({ pictures }: PhoneLine): boolean => pictures >= MOST_PICTURES;
