import type { FactEntry } from '../casefile/caseFile';
import type { Belonging } from '../casefile/events/factRead';
import { prefixOf } from '../codes/makerOfGtin';
import { formatSpan } from '../dates/day';
import { formatInterval } from '../dates/interval';
import { compareWithRelease } from '../dates/productionWindow';
import { normaliseSize } from '../sizes/printedSize';
import { placeName, type ReadingContext } from './context';
import { type Expected, releaseAt } from './expected';
import { factName, sizeColumnOf } from './facts';
import type { ProblemDetail } from './problem';
import { readFact } from './readFact';
import type { FactReading } from './reading';
import { wordsKey } from './words';

type Judged = ProblemDetail & { sentence: string };

/** The normal form of an expected value. */
export function normalOf(fact: string, value: string, context: ReadingContext): string {
  return readFact(fact, value, context).reading?.normal ?? (sizeColumnOf(fact) ? normaliseSize(value) : value);
}

const list = (texts: string[]): string => texts.slice(0, 3).join(', ');

/** A code that its maker would not have written, or not for this item. */
function judgeScheme(
  fact: string,
  where: string,
  entry: FactEntry,
  reading: FactReading,
  context: ReadingContext,
): Judged[] {
  const name = factName(fact, context.chart);
  const { misfit, decoded } = reading;
  if (misfit) {
    const { at, expected } = misfit.stop;
    const found = reading.normal.charAt(at);
    const stands = found
      ? `“${found}” stands where ${expected.join(' or ')} belongs`
      : `it ends where ${expected.join(' or ')} belongs`;
    const meant =
      misfit.repairs.length > 0
        ? ` Characters that are taken for each other would make it ${list(misfit.repairs.map(({ code }) => code))}.`
        : '';
    const cut = misfit.bounded ? ' Not every slip of a character was tried.' : '';
    const other = entry.fitsOther?.length ? ` It does fit ${list(entry.fitsOther)}.` : '';
    const sentence = `The ${name} on ${where} does not fit “${misfit.scheme}”: at position ${at + 1}, ${stands}.${meant}${cut}${other}`;
    return [{ kind: 'schemeMisfit', at, sentence }];
  }
  const best = decoded?.[0]?.readings[0];
  if (!best?.made || !decoded) return [];
  const said = formatInterval(best.made);
  const { daysOutOfUse, daysOff } = best;
  if (daysOff !== 0 && context.release) {
    const side = daysOff < 0 ? 'before any of this release was made' : 'after today';
    const sentence = `The ${name} on ${where} means ${said}, ${formatSpan(daysOff)} ${side}.`;
    return [{ kind: 'implausibleDate', daysOff, sentence }];
  }
  if (daysOutOfUse !== 0) {
    const side = daysOutOfUse < 0 ? 'before that scheme was used' : 'after that scheme was given up';
    const sentence = `The ${name} on ${where} means ${said} in “${decoded[0]?.scheme.name}”, ${formatSpan(daysOutOfUse)} ${side}.`;
    return [{ kind: 'implausibleDate', daysOff: daysOutOfUse, sentence }];
  }
  return [];
}

/** What is wrong with a reading on its own and against the record. */
export function judge(
  fact: string,
  place: string,
  entry: FactEntry,
  reading: FactReading,
  expected: Expected | null,
  context: ReadingContext,
): Judged[] {
  const where = `the ${placeName(context, place)}`;
  const { release } = context;
  if (fact === 'secondEpc') {
    const sentence = `A second tag is on the item (${reading.display}); a genuine one carries one tag.`;
    return [{ kind: 'secondTag', sentence }];
  }
  if (reading.gtin && !reading.gtin.valid) {
    const { checkDigit, expectedCheckDigit } = reading.gtin;
    const corrections = entry.corrections ?? [];
    const meant = corrections.length > 0 ? ` One slip away the records know ${corrections.join(', ')}.` : '';
    const sentence = `The barcode number on ${where} fails its check digit: it ends in ${checkDigit} and should end in ${expectedCheckDigit}.${meant}`;
    return [{ kind: 'checkDigit', printed: checkDigit as number, expected: expectedCheckDigit, corrections, sentence }];
  }
  const { gtin14 = '', companyPrefix } = reading.epc ?? {};
  const known = prefixOf(gtin14, context.maker?.gtinPrefixes ?? []);
  if (companyPrefix && known && known.length >= 6 && known !== companyPrefix) {
    const sentence = `The tag on ${where} takes ${companyPrefix} for the company prefix; that of ${context.maker?.name} is ${known}, so no encoder of theirs wrote it.`;
    return [{ kind: 'differs', expected: known, found: companyPrefix, sentence }];
  }
  const [window] = reading.windows ?? [];
  if (window && release?.releaseDate) {
    const { daysOff, sentence } = compareWithRelease(window, release.releaseDate, release.leadTime);
    if (daysOff !== 0) {
      const said = `By ${where}, ${sentence.charAt(0).toLowerCase()}${sentence.slice(1)}`;
      return [{ kind: 'implausibleWindow', daysOff, sentence: said }];
    }
  }
  const misfits = judgeScheme(fact, where, entry, reading, context);
  if (misfits.length > 0) return misfits;
  if (fact === 'gtin' && !expected && isOthers(entry, context)) return [othersNumber(fact, where, entry, context)];
  if (expected && !expected.open && expected.values.length > 0) {
    const normals = expected.values.map((value) => normalOf(fact, value, context));
    if (!normals.includes(reading.normal)) return [mismatch(fact, place, entry, reading, expected, context)];
  }
  return [];
}

/** True where the records know a code of other products, and none of this one. */
const isOthers = ({ belongsTo = [] }: FactEntry, { release }: ReadingContext): boolean =>
  release !== null && belongsTo.length > 0 && belongsTo.every(({ releaseId }) => releaseId !== release.id);

/** That a code belongs to another product. */
function othersNumber(fact: string, where: string, { belongsTo }: FactEntry, context: ReadingContext): Judged {
  const other = belongsTo?.find(({ releaseId }) => releaseId !== context.release?.id) as Belonging;
  const size = other.sizeKey ? `, size ${other.sizeKey}` : '';
  return {
    kind: 'otherRelease',
    belongsTo: other,
    sentence: `The ${factName(fact, context.chart)} on ${where} belongs to another product: ${other.makerName} ${other.name} “${other.colourName}” (${other.styleCode})${size}.`,
  };
}

function mismatch(
  fact: string,
  place: string,
  entry: FactEntry,
  reading: FactReading,
  expected: Expected,
  context: ReadingContext,
): Judged {
  const where = `the ${placeName(context, place)}`;
  const name = factName(fact, context.chart);
  const other = entry.belongsTo?.find((each) => each.releaseId !== context.release?.id);
  const same = entry.belongsTo?.find((each) => each.releaseId === context.release?.id);
  if (fact === 'gtin' && same?.sizeKey) {
    return {
      kind: 'otherSize',
      found: same.sizeKey,
      expected: context.sizeKey ?? '',
      sentence: `The barcode number on ${where} is this release's in size ${same.sizeKey}, not ${context.sizeKey}.`,
    };
  }
  if ((fact === 'gtin' || fact === 'styleCode') && other) return othersNumber(fact, where, entry, context);
  if (fact === 'gtin') {
    const meant = entry.corrections?.length
      ? ` With two digits swapped the records know ${entry.corrections.join(', ')}.`
      : '';
    return {
      kind: 'unknownCode',
      sentence: `The barcode number on ${where} passes its check digit but is in no record.${meant}`,
    };
  }
  const colour = wordsKey(context.facts[place]?.colourName?.raw ?? '');
  const owners = entry.belongsTo?.filter((each) => each.releaseId !== releaseAt(place, context)?.releaseId) ?? [];
  const named = owners.find((each) => wordsKey(each.colourName) === colour) ?? owners[0];
  const beside = releaseAt(place, context);
  const isName = fact === 'model' || fact === 'colourName';
  const owner = isName && beside ? ` belongs to style code ${beside.styleCode}` : ' is what the record has';
  const instead =
    isName && named
      ? ` It is the ${name} of ${named.makerName} ${named.name} “${named.colourName}” (${named.styleCode}).`
      : '';
  return {
    kind: 'differs',
    expected: expected.display,
    found: reading.display,
    sentence: `The ${name} on ${where} is “${reading.display}”; “${expected.display}”${owner}.${instead}`,
  };
}
