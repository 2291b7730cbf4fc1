import type { Belonging } from '../casefile/events/factRead';
import { type GtinReading, groupGtin, readGtin } from '../codes/gtin';
import { formatDay } from '../dates/day';
import { plausibleStart } from '../dates/productionWindow';
import { claimedRow, type ReadingContext } from './context';
import { sizeColumnOf } from './facts';
import { plausibleDates } from './readers/codes';

/** What the record says should be printed. */
export interface Expected {
  /** The values that are right, as printed; several where the record allows several. */
  values: string[];
  /** For the record's column. */
  display: string;
  /** Set where the record does not know all of them: what is not among them tells nothing. */
  open?: true;
}

const one = (value: string | undefined, display = value): Expected | null =>
  value === undefined || display === undefined ? null : { values: [value], display };

/** The release that the style code at a place stands for: the claimed one, or another that the records know. */
export function releaseAt(place: string, context: ReadingContext): Belonging | null {
  const belongings = context.facts[place]?.styleCode?.belongsTo ?? [];
  return belongings.find((each) => each.releaseId === context.release?.id) ?? belongings[0] ?? null;
}

/** The names that go with the style code printed at a place, where that is another known product's. */
function describedBy(place: string, context: ReadingContext) {
  const printed = releaseAt(place, context);
  return printed && printed.releaseId !== context.release?.id ? printed : context.release;
}

/** Facts that some records have, and of which an incomplete one knows some values only. */
const OPEN_FACTS = new Set([
  'factoryCode',
  'country',
  'dimensions',
  'materials',
  'price',
  'labelSuffix',
  'labelWord',
  'language',
]);

/**
 * What the record expects of a fact; null where it says nothing.
 *
 * @param place where it is printed: names are expected to fit the style code that stands beside them
 */
export function expectedFact(fact: string, place: string | null, context: ReadingContext): Expected | null {
  const expected = recordedFact(fact, place, context);
  if (!expected || !context.release?.incomplete || !OPEN_FACTS.has(fact)) return expected;
  return { ...expected, display: `${expected.display}, and others`, open: true };
}

/** True where the record is silent on a fact that others have: what is not printed there is not missed. */
export const isSilentOn = (fact: string, place: string, context: ReadingContext): boolean =>
  context.release !== null && OPEN_FACTS.has(fact) && recordedFact(fact, place, context) === null;

function recordedFact(fact: string, place: string | null, context: ReadingContext): Expected | null {
  const { release, sizeKey } = context;
  if (!release) return null;
  const column = sizeColumnOf(fact);
  if (column) return one(claimedRow(context)?.values[column]);
  switch (fact) {
    case 'gtin': {
      const gtin = release.sizes.find((size) => size.key === sizeKey)?.gtin;
      const reading = gtin ? readGtin(gtin).readings[0] : undefined;
      return gtin ? one(gtin, reading && groupGtin(reading as GtinReading)) : null;
    }
    case 'styleCode':
      return one(release.styleCode);
    case 'model':
      return one((place === null ? release : describedBy(place, context))?.name);
    case 'colourName':
      return one((place === null ? release : describedBy(place, context))?.colourName);
    case 'size':
      return one(sizeKey ?? undefined);
    case 'productionWindow': {
      if (release.releaseDate === null) return null;
      const { earliest, latest } = plausibleStart(release.releaseDate, release.leadTime);
      return { values: [], display: `starts ${formatDay(earliest)} – ${formatDay(latest)}` };
    }
    case 'factoryCode': {
      const codes = release.factories.map((factory) => factory.code);
      return codes.length > 0 ? { values: codes, display: codes.join(' or ') } : null;
    }
    case 'country': {
      const countries = [...new Set(release.factories.map((factory) => factory.country))];
      return countries.length > 0 ? { values: countries, display: countries.join(' or ') } : null;
    }
    case 'batchCode':
    case 'dateCode': {
      const scheme = context.schemes.find((each) => each.fact === fact && each.maker === context.maker?.id);
      return scheme ? { values: [], display: `made ${formatDay(plausibleDates(context).earliest)} or later` } : null;
    }
    case 'notches':
    case 'mirroredSize':
      return one(claimedRow(context)?.values[context.chart?.leading ?? '']);
    case 'dimensions': {
      const { dimensions } = release;
      if (!dimensions) return null;
      const { type, length, width, height } = dimensions;
      return one(`${type} ${length}x${width}x${height}`);
    }
    case 'materials':
      return one(release.materials);
    case 'price':
    case 'labelSuffix':
    case 'labelWord':
    case 'language': {
      const trait = release.traits?.find(({ seen }) => seen.by === 'text' && seen.fact === fact);
      const states = trait ? [...new Set(release.variants.flatMap(({ traits }) => traits[trait.id] ?? []))] : [];
      return states.length > 0 ? { values: states, display: states.join(' or ') } : null;
    }
    default:
      return null;
  }
}
