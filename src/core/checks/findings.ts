import type { CaseFile, FindingEntry } from '../casefile/fold';
import { leadingSize, type ReadingContext } from '../crossread/context';
import type { CrossReading } from '../crossread/crossread';
import { RULES } from '../crossread/rules';
import type { Release } from '../releases/release';
import { circumstancesOf, notApplicable, waitForOthers } from './applies';
import type { CheckDefinition, KindDefinition } from './check';
import { expectedMeasure } from './exemplars';
import { type Finding, measuredOutcome, type Nominal } from './finding';
import { withSecondOpinion } from './secondOpinion';

/** The checks of a release: its kind's, with its own added and some switched off. */
export function checksFor(kind: KindDefinition, release: Release | null): CheckDefinition[] {
  const off = new Set(release?.checks.off);
  const added = release?.checks.add ?? [];
  const own = new Set(added.map((check) => check.id));
  return [...kind.checks.filter((check) => !off.has(check.id) && !own.has(check.id)), ...added];
}

function nominalOf(measure: string, context: ReadingContext): Nominal | undefined {
  const recorded = context.release?.nominal[measure];
  if (!recorded) return undefined;
  return expectedMeasure(recorded, context.release?.exemplars?.[measure] ?? [], leadingSize(context));
}

function answered(check: CheckDefinition, entry: FindingEntry, nominal: Nominal | undefined): Finding {
  const { at, by } = entry;
  if (entry.state === 'excused') return { check, mark: 'excused', reason: entry.reason, problems: [], at, by, nominal };
  const { outcome, state: _, ...found } = entry;
  return { check, mark: measuredOutcome(check, found.value, nominal) ?? outcome, ...found, nominal, problems: [] };
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
  const circumstances = circumstancesOf(file, context, reading);
  const releaseId = context.release?.id;
  const findings = checks.map((check): Finding => {
    const reason = notApplicable(check, circumstances);
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
    const measured = answer.form === 'quantity' || answer.form === 'count';
    const nominal = measured ? nominalOf(answer.measure, context) : undefined;
    if (measured && !nominal) {
      return { check, mark: 'excused', reason: 'the record gives no figure for it', problems: [] };
    }
    const entry = file.findings[check.id];
    const first: Finding = entry ? answered(check, entry, nominal) : { check, mark: 'open', nominal, problems: [] };
    const finding = withSecondOpinion(first, file.opinions);
    return releaseId ? { ...finding, releaseId } : finding;
  });
  return waitForOthers(findings);
}
