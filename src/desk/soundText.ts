import { Refusal } from './refusal';

/** Names that every object has by itself: what is kept under such an id could not be told from it. */
const TAKEN = new Set(Object.getOwnPropertyNames(Object.prototype));

/**
 * Reviver for JSON that comes in: text that no database and no file could give back as it came is turned down at the
 * door, and so are ids that mean something else.
 *
 * @throws Refusal with a sentence
 */
export function soundText(key: string, value: unknown): unknown {
  if (typeof value !== 'string') return value;
  if (/\p{Surrogate}/u.test(value))
    throw new Refusal(
      'invalid',
      'A text holds half of a character, as where it was cut within an emoji. Send it whole.',
    );
  if (value.includes('\0')) throw new Refusal('invalid', 'A text holds a NUL character, which no label prints.');
  if (key === 'id' && TAKEN.has(value)) throw new Refusal('invalid', `“${value}” cannot be an id; choose another.`);
  return value;
}
