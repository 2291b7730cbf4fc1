import { cleanText } from '../../codes/clean';
import { tallyNotches } from '../../sizes/notches';
import { mirrored, normaliseSize, rowsPrinting } from '../../sizes/sizeChart';
import { claimedRow, type ReadingContext } from '../context';
import { type FactResult, fails } from '../reading';

export function readSizeFact(column: string, raw: string, context: ReadingContext): FactResult {
  const { chart } = context;
  const rows = chart ? rowsPrinting(chart, column, raw) : [];
  if (chart && rows.length === 0) {
    const name = chart.columns.find((each) => each.id === column)?.name ?? column;
    const [seen] = rowsPrinting(chart, column, mirrored(cleanText(raw)));
    if (seen) {
      return fails(
        `${chart.name} has no ${name} ${cleanText(raw).slice(0, 20)}; read in a mirror it is ${seen.values[column]}, and only under UV is the size printed mirrored.`,
        true,
      );
    }
    const values = chart.rows.map((row) => row.values[column]).filter((value) => value !== undefined);
    const range = `${values[0]} to ${values.at(-1)}`;
    const claimed = claimedRow(context)?.values[column];
    const hint = claimed ? `; size ${context.sizeKey} prints ${claimed}` : '';
    return fails(`${chart.name} has no ${name} ${cleanText(raw).slice(0, 20)}; it runs ${range}${hint}.`, true);
  }
  return { reading: { normal: normaliseSize(raw), display: cleanText(raw), sizeKey: rows[0]?.key } };
}

/** The notches of an insole, added up to a size of the chart's leading column. */
export function readNotchFact(raw: string, { chart }: ReadingContext): FactResult {
  if (!chart?.notches?.length) return fails('The maker’s chart knows no notches.');
  const { sum, display, failure } = tallyNotches(raw, chart.notches);
  if (failure !== undefined) return fails(failure);
  const name = chart.columns.find(({ id }) => id === chart.leading)?.name ?? '';
  const [row] = rowsPrinting(chart, chart.leading, String(sum));
  if (!row) return fails(`${display} is ${sum}, and ${chart.name} has no ${name} ${sum}.`, true);
  return { reading: { normal: String(sum), display: `${display} = ${sum}`, says: `${name} ${sum}`, sizeKey: row.key } };
}

/** A size that the maker prints mirrored: accepted as it looks and as it is meant. */
export function readMirroredFact(raw: string, { chart }: ReadingContext): FactResult {
  if (!chart?.mirrored) return fails('This maker is not known to print a size mirrored.', true);
  const text = cleanText(raw);
  const [straight] = rowsPrinting(chart, chart.leading, text);
  const [turned] = rowsPrinting(chart, chart.leading, mirrored(text));
  const row = turned ?? straight;
  if (!row) return fails(`${chart.name} has no size that reads “${text.slice(0, 20)}”, straight or mirrored.`, true);
  const value = row.values[chart.leading] as string;
  return { reading: { normal: normaliseSize(value), display: value, says: 'printed mirrored', sizeKey: row.key } };
}
