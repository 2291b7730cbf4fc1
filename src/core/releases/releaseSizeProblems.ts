import { readGtin } from '../codes/gtin';
import type { Release } from './release';

/** What is wrong with the sizes of a release and their barcode numbers. */
export function releaseSizeProblems({ sizes }: Pick<Release, 'sizes'>): string[] {
  const problems: string[] = [];
  const keys = new Set<string>();
  const numbers = new Map<string, string>();
  for (const { key, gtin } of sizes) {
    if (keys.has(key)) problems.push(`Size ${key} is listed twice.`);
    keys.add(key);
    if (gtin === '') continue;
    const { readings, failure } = readGtin(gtin);
    const [reading] = readings;
    if (failure) problems.push(`Size ${key}: ${failure.sentence}`);
    else if (!reading?.valid)
      problems.push(
        `The barcode number of size ${key}, ${gtin}, ends in ${reading?.checkDigit} and should end in ${reading?.expectedCheckDigit}.`,
      );
    else {
      const other = numbers.get(reading.gtin14);
      if (other !== undefined && other !== key) problems.push(`Sizes ${other} and ${key} have one barcode number.`);
      numbers.set(reading.gtin14, key);
    }
  }
  return problems;
}
