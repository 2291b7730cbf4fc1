import { cleanText, plainText } from '../../codes/clean';
import { otherNames } from '../../codes/otherNames';
import type { ReadingContext } from '../context';
import { expectedFact } from '../expected';
import words from '../fibres.json';
import { type FactResult, fails } from '../reading';
import { wordsKey } from '../words';
import { readNamedFact } from './names';

/** So much of one fibre, in one part of the goods where that is said. */
interface Share {
  percent: string;
  /** In the records' own word; null for one that no list knows. */
  fibre: string | null;
  role: string | null;
}

const namesOf = (lists: Record<string, string>): Map<string, string> =>
  new Map([...otherNames(lists), ...Object.keys(lists).map((own) => [own, own] as const)]);
const FIBRES = namesOf(words.fibres);
const ROLES = namesOf(words.roles);
/** Words for sorts of material, as shoes have to be marked with: each may be of many fibres. */
const SORTS = new Set(words.sorts.split(' '));

/** A label without signs for its shares, with them: figures beside fibres that come to wholes, `82PA 18EL`, `cotton 100`. */
function withSigns(text: string): string {
  const parts = text.match(/\d+|\p{L}+/gu) ?? [];
  const isFibre = (part = ''): boolean => FIBRES.has(part);
  const shares = parts.map((part, i) =>
    /^\d{1,3}$/.test(part) && (isFibre(parts[i - 1]) || isFibre(parts[i + 1])) ? Number(part) : 0,
  );
  const sum = shares.reduce((all, share) => all + share, 0);
  if (sum === 0 || sum % 100 !== 0) return text;
  return parts.map((part, i) => (shares[i] ? `${part}%` : part)).join(' ');
}

/** The shares that a label gives: `Shell 100 % polyamide`, `82% PA 18% EL`. */
function sharesOf(raw: string, known: Set<string>): Share[] {
  const said = plainText(raw)
    .toUpperCase()
    .replace(/PER ?CENT|PROZENT|POUR ?CENT/g, '%');
  const text = said.includes('%') ? said : withSigns(said);
  const parts = text.match(/[\d.,]*\d *%|\p{L}+/gu) ?? [];
  const isShare = (part: string): boolean => part.endsWith('%');
  const fibreOf = (word = ''): string | null => FIBRES.get(word) ?? (known.has(word) ? word : null);
  const [first, last] = [parts.findIndex(isShare), parts.findLastIndex(isShare)];
  // Where the last word of a part comes behind the last share, they all do: `100% polyamide shell`.
  const isBehind = parts.findLastIndex((part) => ROLES.has(part)) > last;
  // Where a fibre begins and a share ends the list, each share comes behind its fibre: `polyamide 82% elastane 18%`.
  const beside = fibreOf(parts[first - 1]) !== null && fibreOf(parts[last + 1]) === null ? -1 : 1;
  const shares: Share[] = [];
  let role: string | null = null;
  for (const [i, part] of parts.entries()) {
    const named = ROLES.get(part);
    if (named && isBehind) for (const share of shares) share.role ??= named;
    else if (named) role = named;
    if (!isShare(part)) continue;
    shares.push({ percent: part.replace(/[ %]/g, '').replace(',', '.'), fibre: fibreOf(parts[i + beside]), role });
  }
  return shares;
}

/** In one order, so that two labels that say the same are one. */
const normalOf = (shares: Share[]): string =>
  shares
    .map(({ percent, fibre, role }) => [role, `${Number(percent)}%`, fibre].filter(Boolean).join(' '))
    .sort()
    .join(', ');

const isSame = (a: Share, b: Share): boolean =>
  Number(a.percent) === Number(b.percent) && a.fibre === b.fibre && (!a.role || !b.role || a.role === b.role);

/**
 * What goods are made of, fibre by fibre: in whatever language, order and words around them. A fibre that no list
 * knows, a part that is not printed there and one that the record lacks tell nothing.
 */
export function readMaterialsFact(raw: string, place: string | null, context: ReadingContext): FactResult {
  const [recorded] = expectedFact('materials', place, context)?.values ?? [];
  const known = new Set(wordsKey(recorded ?? '').split(' '));
  const [printed, meant] = [sharesOf(raw, known), sharesOf(recorded ?? '', known)];
  const sort =
    printed.length === 0 &&
    meant.length > 0 &&
    wordsKey(raw)
      .split(' ')
      .find((word) => SORTS.has(word));
  if (sort) return fails(`“${sort}” is a sort of material, and says nothing of the fibres.`);
  if (printed.length === 0 && meant.length > 0 && /\d/.test(raw))
    return fails('Its figures are no shares that come to a whole; look at it again.');
  if (!recorded || printed.length === 0 || meant.length === 0) return readNamedFact('materials', raw, place, context);
  const display = cleanText(raw);
  const missing = meant.filter((share) => !printed.some((each) => isSame(each, share)));
  const strange = printed.filter((share) => !meant.some((each) => isSame(each, share)));
  if (missing.length === 0 && strange.length === 0) return { reading: { normal: normalOf(meant), display } };
  const unread = printed.find(({ fibre }) => fibre === null);
  if (unread) return fails(`${unread.percent} % of something that no list of fibres knows.`);
  if (strange.length === 0) return fails('It gives some of the parts only; the rest may stand elsewhere.');
  if (missing.length === 0) return fails('It gives more parts than the record knows of.');
  return { reading: { normal: normalOf(printed), display } };
}
