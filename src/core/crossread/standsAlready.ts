import type { ReadingContext } from './context';
import { readFact } from './readFact';

/**
 * True where a text says what was read at that place already, in whatever spelling.
 *
 * @param place of the fact
 * @param raw the text that would be entered
 */
export function standsAlready(place: string, fact: string, raw: string, context: ReadingContext): boolean {
  const entry = context.facts[place]?.[fact];
  if (entry?.state !== 'read' || entry.via === 'derived') return false;
  const normal = (text: string) => readFact(fact, text, context, place).reading?.normal ?? text;
  return normal(entry.raw) === normal(raw);
}
