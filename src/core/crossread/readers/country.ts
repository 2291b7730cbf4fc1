import { cleanText, plainText } from '../../codes/clean';
import type { ReadingContext } from '../context';
import origins from '../originWords.json';
import { type FactResult, fails } from '../reading';
import { wordsKey } from '../words';

const longestFirst = (phrases: string[]): string[] => [...phrases].sort((a, b) => b.length - a.length);
const MADE = longestFirst(origins.made);
const NOT_MADE = longestFirst(origins.notMade);
/** The languages in which the world's countries are known by name, beside the aliases of the maker. */
const LANGUAGES = ['en', 'fr', 'de', 'es', 'it', 'pt', 'nl', 'sv', 'da', 'nb', 'pl', 'tr'];
/** Regions that are no country that anything is made in. */
const NO_COUNTRY = new Set(['EU', 'EZ', 'UN', 'QO', 'ZZ']);

let world: Map<string, string> | null = null;

/** Names of the world's countries in many languages, and their ISO codes, to the English name. */
function worldCountries(): Map<string, string> {
  if (world) return world;
  world = new Map();
  const [english, ...others] = LANGUAGES.map(
    (language) => new Intl.DisplayNames([language], { type: 'region', fallback: 'none' }),
  );
  const letters = [...'ABCDEFGHIJKLMNOPQRSTUVWXYZ'];
  for (const code of letters.flatMap((first) => letters.map((second) => first + second))) {
    const name = NO_COUNTRY.has(code) ? undefined : english?.of(code);
    if (!name) continue;
    world.set(code, name);
    for (const each of [name, ...others.map((language) => language.of(code) ?? name)]) world.set(wordsKey(each), name);
  }
  return world;
}

/** Upper-case words with single spaces, without accents or punctuation. */
const worded = (text: string): string =>
  plainText(text)
    .toUpperCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();

/** A union of countries behind the name of one. */
const IN_UNION = new RegExp(` (?:${origins.unions.join('|')})$`);

/** The pieces of a print that may each name a country: between separators, and between phrases of origin. */
function pieces(raw: string): { text: string; made: boolean }[] {
  return cleanText(raw)
    .split(/[/|·•,;:()\n]+|\s[-–—]\s/u)
    .flatMap((part) => {
      const marked = [...MADE, ...NOT_MADE].reduce(
        (text, phrase) => ` ${text} `.replaceAll(` ${phrase} `, ` ${NOT_MADE.includes(phrase) ? '‹' : '›'} `).trim(),
        worded(part),
      );
      return marked
        .split(/(?=[‹›])/)
        .map((text) => ({ text: text.replace(/^[‹›]/, '').trim(), made: !text.startsWith('‹') }));
    })
    .filter(({ text, made }) => text !== '' && made);
}

/**
 * The country that a print names, without what stands around it, for a record that does not know it yet.
 *
 * @example countryNamed('MADE IN ESTRAVA') // 'Estrava'
 */
export const countryNamed = (raw: string): string | null => {
  const [first] = pieces(raw);
  return first ? first.text.toLowerCase().replace(/(?<!\p{L})\p{L}/gu, (letter) => letter.toUpperCase()) : null;
};

/** The countries that the record and the maker know, by every name that they give them. */
function knownCountries({ release, maker }: ReadingContext): Map<string, string> {
  const known = new Map<string, string>();
  for (const { name, aliases } of maker?.countries ?? [])
    for (const each of [name, ...aliases]) known.set(wordsKey(each), name);
  for (const { country } of release?.factories ?? [])
    if (!known.has(wordsKey(country))) known.set(wordsKey(country), country);
  return known;
}

/**
 * The country of origin: in many languages, with what stands around it, by alias and ISO code. A word that names no
 * known country is not read, so that a spelling we do not know is never taken for another country.
 */
export function readCountryFact(raw: string, context: ReadingContext): FactResult {
  const known = knownCountries(context);
  const parts = pieces(raw);
  const lookUp = (text: string): string | undefined => {
    const key = wordsKey(text);
    const named = known.get(key) ?? known.get(wordsKey(text.replaceAll(' ', '')));
    return named ?? (known.size > 0 ? worldCountries().get(key.length === 2 ? text : key) : undefined);
  };
  // Articles, figures and unions around a name change nothing.
  const countryOf = (text: string): string | undefined =>
    lookUp(text) ??
    lookUp(
      text
        .replace(/^(?:THE|LA|LE|LES|L|EL|LOS|IL|DER|DIE|DEN|DAS) /, '')
        .replace(/ ?\d+ ?/g, ' ')
        .replace(IN_UNION, '')
        .trim(),
    );
  const display = cleanText(raw);
  const named = parts.map(({ text }) => countryOf(text));
  const countries = [...new Set(named.filter((each) => each !== undefined))];
  const [country] = countries;
  if (parts.length === 0) return fails('There is no country in it.');
  if (!country) {
    // Without a record there is nothing to hold it against, and two places still have to agree.
    if (known.size === 0) return { reading: { normal: wordsKey(parts[0]?.text ?? ''), display } };
    return fails(
      `“${display.slice(0, 40)}” names no country that the record, its maker’s aliases or the ISO list know.`,
    );
  }
  if (countries.length > 1)
    return fails(`It names ${countries.join(' and ')}; which of them it was made in is not said.`);
  const beside = parts.filter((_, i) => named[i] === undefined).map(({ text }) => text);
  const plain = wordsKey(display) === wordsKey(country);
  const says = [plain ? '' : `names ${country}`, beside.length > 0 ? `beside it ${beside.join(', ')}` : '']
    .filter(Boolean)
    .join('; ');
  return { reading: { normal: wordsKey(country), display, ...(says ? { says } : {}) } };
}
