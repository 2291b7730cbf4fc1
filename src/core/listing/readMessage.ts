import type { Day } from '../dates/day';
import { readPrintedDate } from '../dates/printedDate';
import words from './listingWords.json';
import { moneyOf } from './money';
import { anyOf } from './saidWords';

/** What a seller's message says, by fact of the listing. */
export interface MessageFact {
  fact: string;
  raw: string;
}

const AMOUNT = String.raw`(?:(?:[A-Z]{3}|[€£$¥])\s?\d[\d.,']*\d|(?:[A-Z]{3}|[€£$¥])\s?\d|\d[\d.,']*\s?(?:[€£$¥]|(?:EUR|USD|GBP|CHF|SEK|NOK|DKK|PLN|JPY|CAD|AUD)\b))`;
const prices = new RegExp(AMOUNT, 'g');
const BEFORE_STRUCK = new RegExp(
  String.raw`(?:${anyOf(words.struck)}(?: price| preis)?(?: at| of| von| de)?|~~)[\s:]*$`,
  'iu',
);
const BOUGHT = new RegExp(String.raw`${anyOf(words.bought)}([^.;\n]{0,90})`, 'iu');
/** Stretches of a sentence that may be a date, longest first. */
const DATE_WORDS = new RegExp(
  String.raw`(?:${anyOf(words.beforeDate)}\s+)?((?:\d{1,2}(?:st|nd|rd|th)?\.?\s+(?:de\s+)?)?\p{L}{3,10}\.?,?\s+(?:de\s+)?\d{4}|\d{4}-\d{2}(?:-\d{2})?|\d{1,2}[./-]\d{1,2}[./-]\d{2,4}|\d{1,2}[./]\d{4}|(?:19|20)\d{2})`,
  'iu',
);
/** Where something was bought: a name in capitals, or some shop. */
const WHERE = new RegExp(
  String.raw`(?:${anyOf(words.from)})\s+(?:(?:the|a|der|dem|einem|la|le|un|une|el|una|il|lo|de|het)\s+)?((?:\p{Lu}[\p{L}’'-]+(?:\s+|$|(?=[,;.]))){1,3}|\p{L}+ (?:${words.shop.join('|')}))`,
  'u',
);
const SIZES = new RegExp(
  String.raw`${anyOf(words.sizes)}\.?\s*(?:available|left|on offer|verfügbar|disponibles?|disponibili|beschikbaar)?\s*[:=]?\s*((?:[\d.½⅓⅔]+|X{0,3}[SML]|XS)(?:\s*(?:,|\/|&|and|und|et|y|e|en|to|bis|-|–|x|×)\s*(?:[\d.½⅓⅔]+|X{0,3}[SML]))+)`,
  'iu',
);
const EXTRAS = anyOf(Object.values(words.extras).flat());
const COMES = new RegExp(
  String.raw`(?:${anyOf(words.with)}|${anyOf(words.without)})\.?[^.;\n]{0,80}?${EXTRAS}(?:[^.;\n]{0,40}${EXTRAS})?`,
  'iu',
);
const WITH = new RegExp(String.raw`^${anyOf(words.with)}\.?\s+`, 'iu');
const MOST = 4_000;

const clean = (text: string): string => text.replace(/\s+/g, ' ').replace(/^[\s,;:–-]+|[\s,;:–-]+$/g, '');

/**
 * What a seller's message says that a listing has a field for. All of it is proposed, and the person keeps what is so.
 *
 * @param today the last day on which anything can have been bought
 * @example readMessage('EUR 90, bought in June 2024', today) // priceAsked EUR 90, boughtOn June 2024
 */
export function readMessage(message: string, today: Day): MessageFact[] {
  const text = message.slice(0, MOST);
  const facts: MessageFact[] = [];
  const add = (fact: string, raw: string | undefined) => {
    const said = clean(raw ?? '');
    if (said !== '' && !facts.some((each) => each.fact === fact)) facts.push({ fact, raw: said });
  };
  for (const { 0: raw, index } of text.matchAll(prices)) {
    if (!moneyOf(raw)) continue;
    add(BEFORE_STRUCK.test(text.slice(0, index)) ? 'priceStruck' : 'priceAsked', raw);
  }
  const bought = BOUGHT.exec(text)?.[1] ?? '';
  const date = DATE_WORDS.exec(bought)?.[1]?.replace(/(\d)(?:st|nd|rd|th)\b/, '$1');
  if (date && readPrintedDate(date, { preferred: 'DMY', latest: today }).readings.length > 0) add('boughtOn', date);
  add('boughtWhere', WHERE.exec(date ? bought.replace(date, ' ') : bought)?.[1]);
  add('sizesOffered', SIZES.exec(text)?.[1]);
  const comes = COMES.exec(text);
  add('included', comes?.[0].replace(WITH, ''));
  add('sellerSays', text.slice(0, 400));
  return facts;
}
