import { repeated } from '../repeated';
import { sizeNumber } from './printedSize';
import type { SizeChart } from './sizeChart';

/**
 * What is wrong with a size chart that follows its format: columns or sizes twice, values without a column, a
 * column that runs backwards.
 *
 * @returns sentences; empty where it may be saved
 */
export function checkChart(chart: SizeChart): string[] {
  const problems: string[] = [];
  const ids = chart.columns.map(({ id }) => id);
  const nameOf = (id: string) => chart.columns.find((each) => each.id === id)?.name ?? id;
  if (!ids.includes(chart.leading)) problems.push(`The leading column “${chart.leading}” is not there.`);
  for (const name of repeated(chart.columns.map(({ name }) => name))) problems.push(`Two columns are called ${name}.`);
  for (const id of repeated(ids)) problems.push(`Two columns have the id ${id}.`);
  for (const key of repeated(chart.rows.map(({ key }) => key))) problems.push(`Size ${key} is there twice.`);
  for (const { key, values } of chart.rows) {
    for (const id of Object.keys(values).filter((each) => !ids.includes(each)))
      problems.push(`Size ${key} has a value for “${id}”, which is no column.`);
    if (ids.includes(chart.leading) && !values[chart.leading])
      problems.push(`Size ${key} has no ${nameOf(chart.leading)}.`);
  }
  for (const id of ids) {
    const numbers = chart.rows
      .map(({ values }) => sizeNumber(values[id] ?? ''))
      .filter((n) => Number.isFinite(n) && n !== 0);
    if (numbers.some((value, i) => i > 0 && value < (numbers[i - 1] as number)))
      problems.push(`${nameOf(id)} runs backwards somewhere; sizes go from small to large.`);
  }
  for (const { name, lengthMm } of chart.notches ?? [])
    if (chart.notches?.some((other) => other.name !== name && Math.abs(other.lengthMm - lengthMm) < 2))
      problems.push(`The notch “${name}” is less than 2 mm from another one, so a ruler cannot tell them apart.`);
  return problems;
}
