import { type FormatName, formatProblem } from '@/core/formats/validate';
import { Refusal } from './refusal';
import { soundText } from './soundText';

/**
 * The JSON of a file, held against its published format.
 *
 * @param what the file as a person calls it: `an exported case`
 * @throws Refusal with a sentence where it is not whole or not of that format
 */
export function parseFile<T>(text: string, format: FormatName, what: string): T {
  let value: unknown;
  try {
    value = JSON.parse(text, soundText);
  } catch (error) {
    if (error instanceof Refusal) throw error;
    throw new Refusal('invalid', `This is not a whole JSON file: ${(error as Error).message}.`);
  }
  const problem = formatProblem(format, value);
  if (problem) throw new Refusal('invalid', `This is not ${what}: ${problem}`);
  return value as T;
}
