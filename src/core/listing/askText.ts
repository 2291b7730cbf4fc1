import type { PictureAsked } from '../casefile/events/pictureAsked';
import texts from './askTexts.json';

export type AskLanguage = keyof typeof texts;

/** Languages in which a seller can be asked. */
export const ASK_LANGUAGES = (Object.keys(texts) as AskLanguage[]).map((id) => ({ value: id, label: texts[id].name }));

/** The line that makes a picture one of today. */
export const slipLine = (number: string, language: AskLanguage): string =>
  texts[language].slip.replace('{number}', number);

/** How a request begins and ends, for a page of it. */
export const askFrame = (language: AskLanguage): { begin: string; end: string } => texts[language];

/** A language in which a seller can be asked; English where a word names none. */
export const askLanguage = (word: string | null): AskLanguage =>
  ASK_LANGUAGES.find(({ value }) => value === word)?.value ?? 'en';

/**
 * The message that asks a seller for pictures. What is to be on them is worded as the kind of goods has it.
 *
 * @param number of the case, for the slip of paper in the picture
 */
export function askText(
  requests: Pick<PictureAsked, 'name' | 'how'>[],
  { number, language, house }: { number: string; language: AskLanguage; house: string },
): string {
  const { begin, end } = texts[language];
  const list = requests.map(({ name, how }, i) => `${i + 1}. ${name}. ${how}`);
  return [begin, '', ...list, '', slipLine(number, language), end, ...(house ? ['', house] : [])].join('\n');
}
