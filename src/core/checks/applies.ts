import type { CaseFile } from '../casefile/caseFile';
import { leadingSize, type ReadingContext } from '../crossread/context';
import type { CrossReading } from '../crossread/crossReading';
import { fitVariants } from '../releases/variantFit';
import type { CheckDefinition } from './check';
import type { PossibleVariants } from './expectation';
import type { Finding } from './finding';
import { toolWords } from './tools';

/** What of a case decides which checks apply to it. */
export interface ItemCircumstances extends PossibleVariants {
  file: Pick<CaseFile, 'circumstances'>;
  /** Age of the goods in full months, least and most. */
  age: [least: number, most: number] | null;
  /** Leading size as a number. */
  size: number | null;
}

export function circumstancesOf(file: CaseFile, context: ReadingContext, reading: CrossReading): ItemCircumstances {
  const { fits } = fitVariants(context.release?.variants ?? [], reading.traits);
  return {
    file,
    variants: fits.filter(({ broken }) => broken.length === 0).map(({ variant }) => variant),
    seen: reading.traits,
    age: reading.dates.age,
    size: leadingSize(context),
  };
}

/** Why a check says nothing on this item, or null where it may be done. */
export function notApplicable(check: CheckDefinition, { file, variants, age, size }: ItemCircumstances): string | null {
  const { condition, inHand, packaged, toolsMissing = [] } = file.circumstances;
  if (check.notWhen.includes(condition)) return `says nothing on ${condition} goods`;
  if (check.inHand && !inHand) return 'needs the item in hand';
  if (!packaged && check.bearsOn !== 'goods') return 'came without packaging';
  const missing = check.tools?.filter((tool) => toolsMissing.includes(tool)) ?? [];
  if (missing.length > 0) return `not at hand: ${toolWords(missing)}`;
  const { traits = {}, minAgeMonths, maxAgeMonths, sizes } = check.appliesWhen ?? {};
  for (const [trait, states] of Object.entries(traits)) {
    const possible = variants.flatMap((variant) => variant.traits[trait] ?? []);
    if (variants.length > 0 && possible.length > 0 && !possible.some((state) => states.includes(state)))
      return `only where ${trait.replaceAll('-', ' ')} is ${states.join(' or ')}`;
  }
  if (age && minAgeMonths !== undefined && age[1] < minAgeMonths) return `only from ${minAgeMonths} months on`;
  if (age && maxAgeMonths !== undefined && age[0] > maxAgeMonths) return `only up to ${maxAgeMonths} months of age`;
  if (sizes && size !== null && (size < sizes[0] || size > sizes[1])) return `only in sizes ${sizes[0]} to ${sizes[1]}`;
  return null;
}

/** Excuse the checks that apply only where another one came out in a certain way, and it did not. */
export function waitForOthers(findings: Finding[]): Finding[] {
  const byId = new Map(findings.map((finding) => [finding.check.id, finding]));
  return findings.map((finding): Finding => {
    for (const [id, outcomes] of Object.entries(finding.check.appliesWhen?.checks ?? {})) {
      const other = byId.get(id);
      if (other && outcomes.some((outcome) => outcome === other.mark)) continue;
      const reason = `only after “${other?.check.name ?? id}” came out otherwise`;
      return { ...finding, mark: 'excused', reason, problems: [] };
    }
    return finding;
  });
}
