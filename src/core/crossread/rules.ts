import { rowsPrinting, type SizeRow, sizesAgree } from '../sizes/sizeChart';
import type { Cell } from './cell';
import {
  chip,
  codeFitsScheme,
  datesTogether,
  differBetween,
  epcFitsLabel,
  eraFits,
  factFits,
  oneTag,
  oneVariant,
  seenBefore,
  sizeRecurs,
  symbolFitsLabel,
} from './codeRules';
import { placeName, type ReadingContext } from './context';
import { type CrossReading, cellOf } from './crossReading';
import { releaseAt } from './expected';
import { factName, sizeColumnOf } from './facts';
import { normalOf } from './judge';
import type { Problem } from './problem';
import {
  agrees,
  cantTell,
  differs,
  entered,
  isAsRecorded,
  open,
  otherProduct,
  ownProblems,
  type Rule,
  type RuleOutcome,
  unknown,
  unread,
} from './ruleOutcome';

function checkDigit(reading: CrossReading, _context: ReadingContext, [place = '']: string[]): RuleOutcome {
  const cells = entered(reading, place, ['gtin']);
  const gtin = cells[0]?.reading?.gtin;
  if (!gtin) return cells[0]?.problems[0] ? cantTell(cells[0].problems[0].sentence) : unread(cells, 'Barcode number');
  if (gtin.valid) return agrees(`${gtin.form} ${gtin.digits}: the check digit ${gtin.expectedCheckDigit} is right.`);
  return differs(cells[0]?.problems.filter((problem) => problem.kind === 'checkDigit') ?? []);
}

/** The size rows of the chart that account for every size column at a place. */
export function rowsAt(reading: CrossReading, place: string, context: ReadingContext): SizeRow[] | null {
  const printed = printedSizes(reading, place);
  if (!context.chart || Object.keys(printed).length === 0) return null;
  return context.chart.rows.filter((row) =>
    Object.entries(printed).every(
      ([column, raw]) => context.chart && rowsPrinting(context.chart, column, raw).includes(row),
    ),
  );
}

function printedSizes(reading: CrossReading, place: string): Record<string, string> {
  const printed: Record<string, string> = {};
  for (const row of reading.rows) {
    const column = sizeColumnOf(row.fact.id);
    const cell = row.cells[place];
    const impossible = cell?.problems.some(({ kind }) => kind === 'impossible');
    // What cannot be read as a size of its column, or was not read surely, weighs nothing.
    const counts = cell?.reading ? !cell.reading.uncertain : impossible;
    // As it was read: a width, another system beside it and a unit have been told apart from the size there.
    if (column && cell?.entry && counts) printed[column] = cell.reading?.normal ?? cell.entry.raw;
  }
  return printed;
}

/** The barcode number belongs to the style code and size that are printed beside it. */
function gtinFitsLabel(reading: CrossReading, context: ReadingContext, [place = '']: string[]): RuleOutcome {
  const cells = entered(reading, place, ['gtin']);
  const cell = cells[0];
  if (!cell?.reading?.gtin) return unread(cells, 'Barcode number');
  if (!cell.reading.gtin.valid) return cantTell('The number fails its check digit, so it stands for nothing yet.');
  const where = placeName(context, place);
  const owners = cell.entry?.belongsTo ?? [];
  const beside = releaseAt(place, context);
  const [owner] = owners;
  if (!owner)
    return cell.problems.length > 0
      ? differs(cell.problems)
      : cantTell(
          context.release
            ? 'The record has no barcode number for it.'
            : 'No record is chosen to look the number up in.',
        );
  const wanted = beside?.releaseId ?? context.release?.id;
  const fitting = owners.find((each) => each.releaseId === wanted);
  if (!fitting) {
    if (!beside)
      return cantTell(`The number belongs to ${owner.makerName} ${owner.name}; read the style code beside it.`);
    const sentence = `The barcode number on the ${where} belongs to ${owner.makerName} ${owner.name} (${owner.styleCode}), the style code beside it to ${beside.name} (${beside.styleCode}).`;
    return differs([{ kind: 'otherRelease', belongsTo: owner, place, fact: 'gtin', sentence }]);
  }
  const rows = rowsAt(reading, place, context);
  if (fitting.sizeKey && rows && rows.length > 0 && !rows.some((row) => row.key === fitting.sizeKey)) {
    const printed = rows[0]?.key ?? '';
    const sentence = `The barcode number on the ${where} is for size ${fitting.sizeKey}; the sizes printed beside it are those of ${printed}.`;
    return differs([{ kind: 'otherSize', found: fitting.sizeKey, expected: printed, place, fact: 'gtin', sentence }]);
  }
  const size = fitting.sizeKey ? `, size ${fitting.sizeKey}` : '';
  return agrees(`The number belongs to ${fitting.makerName} ${fitting.name} (${fitting.styleCode})${size}.`);
}

/** The style code is the record's; another known product's says nothing for or against the label itself. */
function styleKnown(reading: CrossReading, context: ReadingContext, [place = '']: string[]): RuleOutcome {
  const cells = entered(reading, place, ['styleCode']);
  const cell = cells[0];
  if (!cell?.reading) return unread(cells, 'Style code');
  const other = otherProduct(place, context);
  if (other) return cantTell(`${other} If the goods are that product, choose its record.`);
  const problems = ownProblems([cell]);
  if (problems.length > 0) return differs(problems);
  return context.release ? agrees(`${cell.display} is the record's style code.`) : cantTell(cell.note);
}

/** Model and colour names go with the style code that is printed beside them. */
function wordsFitStyle(reading: CrossReading, context: ReadingContext, [place = '']: string[]): RuleOutcome {
  const cells = entered(reading, place, ['model', 'colourName']);
  const read = cells.filter((cell) => cell.reading);
  if (read.length === 0) return unread(cells, 'Model and colour name');
  const problems = ownProblems(read);
  if (problems.length > 0) return differs(problems);
  const strange = read.find((cell) => !isAsRecorded(cell, context));
  if (strange) return unknown(strange);
  return agrees(
    `${read.map((cell) => `“${cell.display}”`).join(' and ')} ${read.length > 1 ? 'go' : 'goes'} with the style code.`,
  );
}

/** All sizes printed together are one size by the maker's chart. */
function sizeColumnsAgree(reading: CrossReading, context: ReadingContext, [place = '']: string[]): RuleOutcome {
  const { chart } = context;
  const printed = printedSizes(reading, place);
  const count = Object.keys(printed).length;
  if (count < 2) return open('Fewer than two size columns are read.');
  if (!chart) return cantTell('The record names no size chart.');
  const { rows, problems } = sizesAgree(chart, printed);
  if (problems.length === 0) return agrees(`All ${count} printed sizes are ${chart.name} ${rows[0]?.key}.`);
  const nameOf = (column: string) => chart.columns.find((each) => each.id === column)?.name ?? column;
  return differs(
    problems.map((problem): Problem => {
      const fact = `size.${problem.column}`;
      const name = nameOf(problem.column);
      const sentence =
        problem.kind === 'notInChart'
          ? `${chart.name} has no ${name} ${problem.value}; nearest are ${problem.nearest.join(', ')}.`
          : `${name} ${problem.value} does not go with ${problem.others.map((column) => `${nameOf(column)} ${printed[column]}`).join(', ')}; ${chart.name} prints ${name} ${problem.expected}.`;
      const expected = problem.kind === 'columnsDisagree' ? problem.expected : null;
      return { kind: 'sizesDisagree', expected, place, fact, sentence };
    }),
  );
}

/** Production began before the release by a plausible lead. */
function windowPlausible(reading: CrossReading, context: ReadingContext, [place = '']: string[]): RuleOutcome {
  const cells = entered(reading, place, ['productionWindow']);
  const cell = cells[0];
  const impossible = cell?.problems.filter((problem) => problem.kind === 'impossible') ?? [];
  if (impossible.length > 0) return differs(impossible);
  if (!cell?.reading?.windows) return unread(cells, 'Production window');
  if (!context.release) return cantTell('No record is chosen to hold the window against.');
  const other = otherProduct(place, context);
  if (other) return cantTell(other);
  if (cell.problems.length > 0) return differs(cell.problems);
  if (!context.release.releaseDate) return cantTell('The record has no release date to hold the window against.');
  return cell.reading.moot ? cantTell(`${cell.note}.`) : agrees('The production window suits the release date.');
}

/** The factory code is one of the release's, and the country is that factory's. */
function originKnown(reading: CrossReading, context: ReadingContext, [place = '']: string[]): RuleOutcome {
  const cells = entered(reading, place, ['factoryCode', 'country']).filter((cell) => cell.reading);
  if (cells.length === 0) return unread(entered(reading, place, ['factoryCode', 'country']), 'Factory and country');
  if (!context.release) return cantTell('No record is chosen to hold the origin against.');
  const other = otherProduct(place, context);
  if (other) return cantTell(other);
  const problems = ownProblems(cells);
  if (problems.length > 0) return differs(problems);
  const code = cells.find((cell) => cell.fact === 'factoryCode');
  const country = cells.find((cell) => cell.fact === 'country');
  const factory = context.release.factories.find((each) => each.code.toUpperCase() === code?.display);
  if (factory && country && normalOf('country', factory.country, context) !== country.reading?.normal) {
    const sentence = `Factory ${factory.code} is in ${factory.country}; the ${placeName(context, place)} says ${country.display}.`;
    return differs([{ kind: 'wrongCountry', expected: factory.country, place, fact: 'country', sentence }]);
  }
  const strange = cells.find((cell) => !isAsRecorded(cell, context));
  if (strange) return unknown(strange);
  return agrees(`${cells.map((cell) => cell.display).join(', ')}: known for this release.`);
}

/** One fact is the same on the packaging and on the goods. */
const sameFact =
  (fact: string): Rule =>
  (reading, context, places) => {
    const cells = places.map((place) => cellOf(reading, place, fact)).filter((cell) => cell !== undefined);
    const name = factName(fact, context.chart);
    const read = cells.filter((cell) => cell.reading);
    if (read.length < 2) {
      return cells.length > 1 && cells.every((cell) => cell.entry)
        ? cantTell(`The ${name} is not legible in both places.`)
        : open(`The ${name} is not read in both places.`);
    }
    const [a, b] = read as [Cell, Cell];
    if (a.reading?.normal === b.reading?.normal)
      return agrees(`${a.display} on ${placeName(context, a.place)} and ${placeName(context, b.place)}.`);
    const sentence = `The ${name} is “${a.display}” on the ${placeName(context, a.place)} and “${b.display}” on the ${placeName(context, b.place)}.`;
    return differs([{ kind: 'placesDiffer', otherPlace: a.place, place: b.place, fact, sentence }]);
  };

/** The sizes on the packaging and on the goods can be one size. */
function sameSize(reading: CrossReading, context: ReadingContext, places: string[]): RuleOutcome {
  const [a = '', b = ''] = places;
  const printed = [a, b].map((place) => rowsAt(reading, place, context));
  const [first, second] = printed;
  if (!first || !second) return open('The size is not read in both places.');
  if (first.length === 0 || second.length === 0)
    return cantTell('The printed sizes of one place do not agree among themselves.');
  if (first.some((row) => second.includes(row))) return agrees(`Size ${first[0]?.key} in both places.`);
  const sentence = `The ${placeName(context, a)} is for size ${first[0]?.key}, the ${placeName(context, b)} for size ${second[0]?.key}.`;
  const fact = `size.${context.chart?.leading}`;
  return differs([{ kind: 'placesDiffer', otherPlace: a, place: b, fact, sentence }]);
}

/** The rules that a check of form `codes` may name. */
export const RULES: Record<string, Rule> = {
  checkDigit,
  gtinFitsLabel,
  styleKnown,
  wordsFitStyle,
  sizeColumnsAgree,
  windowPlausible,
  originKnown,
  sameGtin: sameFact('gtin'),
  sameStyleCode: sameFact('styleCode'),
  sameBatchCode: sameFact('batchCode'),
  sameSize,
  sameSerialNever: differBetween('serial'),
  sameSecurityCodeNever: differBetween('securityCode'),
  batchCodeFits: codeFitsScheme('batchCode'),
  dateCodeFits: codeFitsScheme('dateCode'),
  serialFits: codeFitsScheme('serial'),
  datesTogether,
  chip,
  epcFitsLabel,
  oneTag,
  oneVariant,
  symbolFitsLabel,
  sizeRecurs,
  seenBefore,
  dimensionsFit: factFits('dimensions'),
  materialsFit: factFits('materials'),
  eraFits,
};
