import type { Cell } from './cell';
import { placeName, type ReadingContext } from './context';
import { type CrossReading, cellOf } from './crossReading';
import { expectedFact, releaseAt } from './expected';
import { normalOf } from './judge';
import type { Mark } from './mark';
import type { Problem } from './problem';

/** How the cross-reading answers a check. */
export interface RuleOutcome {
  state: Exclude<Mark, 'excused'>;
  /** The working, in a sentence. */
  sentence: string;
  problems: Problem[];
  /** P(differs | counterfeit) where the working itself says how much it tells, instead of the check's own. */
  c?: number;
}

/** A rule looks at the cells of one or two places. */
export type Rule = (reading: CrossReading, context: ReadingContext, places: string[]) => RuleOutcome;

export const open = (sentence: string): RuleOutcome => ({ state: 'open', sentence, problems: [] });
export const agrees = (sentence: string): RuleOutcome => ({ state: 'agrees', sentence, problems: [] });
export const cantTell = (sentence: string): RuleOutcome => ({ state: 'cantTell', sentence, problems: [] });
export const differs = (problems: Problem[]): RuleOutcome => ({
  state: 'differs',
  sentence: problems.map((problem) => problem.sentence).join(' '),
  problems,
});

/** The cells of some facts at one place that were looked at. */
export function entered(reading: CrossReading, place: string, facts: string[]): Cell[] {
  return facts.map((fact) => cellOf(reading, place, fact)).filter((cell): cell is Cell => cell?.entry != null);
}

/** What is wrong at the place itself; that another place prints otherwise is for the link checks to say. */
export const ownProblems = (cells: Cell[]): Problem[] =>
  cells.flatMap(({ problems }) => problems).filter(({ kind }) => kind !== 'placesDiffer');

/**
 * True where a fact is as the record has it. False where the record is silent, or does not know all and not this one;
 * two places that print the same are no record.
 */
export function isAsRecorded({ fact, place, reading }: Cell, context: ReadingContext): boolean {
  const values = expectedFact(fact, place, context)?.values ?? [];
  return values.some((value) => normalOf(fact, value, context) === reading?.normal);
}

/** What to say where the record is silent. */
export const unknown = ({ display }: Cell): RuleOutcome =>
  cantTell(`${display}: nothing in the record to hold it against.`);

/** What to say where no cell can be compared: not looked at, or looked at in vain. */
export function unread(cells: Cell[], what: string): RuleOutcome {
  const [read] = cells.filter(({ entry }) => entry?.state === 'read');
  if (read) return cantTell(`${what}: ${read.note}`.replace(/\.?$/, '.'));
  return cells.length === 0 ? open(`${what}: not read yet.`) : cantTell(`${what}: not printed or not legible.`);
}

/** True where the label at a place is another known product's, so that it cannot be held against this record. */
export function otherProduct(place: string, context: ReadingContext): string | null {
  const printed = releaseAt(place, context);
  return printed && context.release && printed.releaseId !== context.release.id
    ? `The ${placeName(context, place)} is that of another product, ${printed.makerName} ${printed.name} (${printed.styleCode}).`
    : null;
}
