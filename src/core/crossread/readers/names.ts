import { cleanText } from '../../codes/clean';
import type { ReadingContext } from '../context';
import { expectedFact } from '../expected';
import { behindWords, nameInFront } from '../label/labelNames';
import { type FactResult, fails } from '../reading';
import { nameIn } from '../words';
import { readWordsFact } from './plain';

/** Everything that the records say of the item in words, whose name may stand in a line with it. */
function saidOf({ release, maker, kind, sizeKey }: ReadingContext): string[] {
  const { name = '', colourName = '', styleCode = '' } = release ?? {};
  return [name, colourName, styleCode, maker?.name ?? '', kind.name, sizeKey ?? ''];
}

/** True where the records know a product by the very name that is printed, which is not this one. */
const isAnothers = (place: string | null, { facts, release }: ReadingContext): boolean =>
  (place === null ? undefined : facts[place]?.model?.belongsTo)?.some(({ releaseId }) => releaseId !== release?.id) ??
  false;

/**
 * A name, or what goods are made of, held against the words of the record: what else is known of the item may stand
 * beside it. A print with words that nobody knows, or without some of its own, may be this name and may be another.
 */
export function readNamedFact(fact: string, raw: string, place: string | null, context: ReadingContext): FactResult {
  const text = cleanText(raw);
  const [recorded] = expectedFact(fact, place, context)?.values ?? [];
  if (!recorded || (fact === 'model' && isAnothers(place, context))) return readWordsFact(text);
  const known = saidOf(context);
  const fitOf = (each: string) => nameIn(each, recorded, known);
  const named = nameInFront(text);
  const rest = named?.fact === fact ? named.rest : behindWords(text, (each) => fitOf(each).fits === 'whole', true);
  const fit = fitOf(rest);
  if (fit.fits === 'more')
    return fails(
      `“${fit.beside.join(' ')}” stands beside “${recorded}”, and whether it belongs to the name is not known.`,
    );
  if (fit.fits === 'part') return fails(`“${rest}” is not the whole of “${recorded}”; the rest may stand elsewhere.`);
  const { reading, failure } = readWordsFact(fit.fits === 'whole' ? recorded : text);
  if (!reading) return { failure };
  const beside = fit.fits === 'whole' && fit.beside.length > 0 ? [`beside it ${fit.beside.join(' ')}`] : [];
  const said = [...(fit.fits === 'whole' ? fit.short : []), ...beside];
  const says = said.length > 0 ? { says: said.join('; ') } : {};
  return { reading: { ...reading, ...says, display: text } };
}
