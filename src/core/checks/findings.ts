import type { CaseFile, FindingEntry } from '../casefile/fold';
import type { Mark } from '../crossread/cell';
import { claimedRow, type ReadingContext } from '../crossread/context';
import type { CrossReading } from '../crossread/crossread';
import type { Problem } from '../crossread/problem';
import { RULES } from '../crossread/rules';
import { type NominalMeasure, nominalFor, type Release } from '../releases/release';
import { normaliseSize } from '../sizes/sizeChart';
import type { CheckDefinition, KindDefinition } from './check';

/** The expectation that a measured value is held against. */
export interface Nominal {
  value: number;
  tolerance: number;
  unit: string;
  source: string;
}

/** Where one check stands on one case. */
export interface Finding {
  check: CheckDefinition;
  mark: Mark;
  /** Measured value and its standard uncertainty, in the unit of `nominal`. */
  value?: number;
  nominal?: Nominal;
  choice?: string;
  note?: string;
  /** Why it is excused, or the working of the cross-reading. */
  reason?: string;
  problems: Problem[];
  /** Set where a person answered. */
  by?: string;
  at?: string;
}

/** The checks of a release: its kind's, with its own added and some switched off. */
export function checksFor(kind: KindDefinition, release: Release | null): CheckDefinition[] {
  const off = new Set(release?.checks.off);
  const added = release?.checks.add ?? [];
  const own = new Set(added.map((check) => check.id));
  return [...kind.checks.filter((check) => !off.has(check.id) && !own.has(check.id)), ...added];
}

/** Why a check says nothing on this item, or null where it may be done. */
function notApplicable(check: CheckDefinition, file: CaseFile): string | null {
  const { condition, inHand, packaged } = file.circumstances;
  if (check.notWhen.includes(condition)) return `says nothing on ${condition} goods`;
  if (check.inHand && !inHand) return 'needs the item in hand';
  if (!packaged && check.bearsOn !== 'goods') return 'came without packaging';
  return null;
}

function nominalOf(measure: NominalMeasure | undefined, context: ReadingContext): Nominal | undefined {
  if (!measure) return undefined;
  const leading = claimedRow(context)?.values[context.chart?.leading ?? ''];
  const size = leading === undefined ? null : Number(normaliseSize(leading));
  const { tolerance, unit, source } = measure;
  return { value: nominalFor(measure, Number.isNaN(size) ? null : size), tolerance, unit, source };
}

/** A value agrees where its own uncertainty could bring it within the tolerance. */
export function withinTolerance(value: number, uncertainty: number, nominal: Nominal): boolean {
  // Values are entered in decimals, which binary fractions miss by a hair.
  return Math.abs(value - nominal.value) <= nominal.tolerance + uncertainty + 1e-9;
}

function answered(check: CheckDefinition, entry: FindingEntry, nominal: Nominal | undefined): Finding {
  const { at, by } = entry;
  if (entry.state === 'excused') return { check, mark: 'excused', reason: entry.reason, problems: [], at, by, nominal };
  const { outcome, choice, value, note } = entry;
  const measured = check.answer.form === 'quantity' && value !== undefined && nominal;
  const mark = measured
    ? withinTolerance(value, check.answer.form === 'quantity' ? check.answer.uncertainty : 0, nominal)
      ? 'agrees'
      : 'differs'
    : outcome;
  return { check, mark, choice, value, note, nominal, problems: [], at, by };
}

/**
 * Every check of a case with where it stands: answered by a person, by the cross-reading, excused, or open.
 *
 * @returns in the order of the kind's layers
 */
export function gatherFindings(file: CaseFile, context: ReadingContext, reading: CrossReading): Finding[] {
  const order = new Map(context.kind.layers.map((layer, index) => [layer.id, index]));
  const checks = checksFor(context.kind, context.release);
  checks.sort((a, b) => (order.get(a.layer) ?? 99) - (order.get(b.layer) ?? 99));
  return checks.map((check): Finding => {
    const reason = notApplicable(check, file);
    if (reason) return { check, mark: 'excused', reason, problems: [] };
    const { answer } = check;
    if (answer.form === 'codes') {
      const rule = RULES[answer.rule];
      if (!rule) return { check, mark: 'open', reason: `no rule “${answer.rule}”`, problems: [] };
      const { state, sentence, problems, c } = rule(reading, context, answer.places);
      if (state === 'open' && check.whenRead)
        return { check, mark: 'excused', reason: 'nothing of it was read', problems: [] };
      return { check: c === undefined ? check : { ...check, c }, mark: state, reason: sentence, problems };
    }
    const nominal =
      answer.form === 'quantity' ? nominalOf(context.release?.nominal[answer.measure], context) : undefined;
    if (answer.form === 'quantity' && !nominal) {
      return { check, mark: 'excused', reason: 'the record gives no figure for it', problems: [] };
    }
    const entry = file.findings[check.id];
    return entry ? answered(check, entry, nominal) : { check, mark: 'open', nominal, problems: [] };
  });
}
