import type { CaseFile, FindingEntry } from '../casefile/caseFile';
import { leadingSize, type ReadingContext } from '../crossread/context';
import { type CrossReading, surelyRead } from '../crossread/crossReading';
import { RULES } from '../crossread/rules';
import { LISTING_RULES } from '../listing/listingRules';
import type { Release } from '../releases/release';
import { exemplarsOf } from '../releases/shelfItem';
import { repeated } from '../repeated';
import { circumstancesOf, notApplicable, waitForOthers } from './applies';
import type { CheckDefinition, KindDefinition } from './check';
import { expectedMeasure } from './exemplars';
import { checkFor, type PossibleVariants, waitsForTrait, waysOf, whenWords } from './expectation';
import { type Finding, type Nominal, nearestNominal } from './finding';
import { measuredForm } from './measuredForm';
import { asMeasured, outcomeOf, weighedValue } from './outcome';
import { withSecondOpinion } from './secondOpinion';

/** The checks of a release: its kind's, with its own added and some switched off. */
export function checksFor(kind: KindDefinition, release: Release | null): CheckDefinition[] {
  const off = new Set(release?.checks.off);
  const added = release?.checks.add ?? [];
  const own = new Set(added.map((check) => check.id));
  const all = [...kind.checks.filter((check) => !off.has(check.id) && !own.has(check.id)), ...added];
  const { wording } = release ?? {};
  return wording ? all.map((check) => worded(check, wording[check.id])) : all;
}

/** A check for words as the record has them. */
function worded(check: CheckDefinition, expected: string[] | undefined): CheckDefinition {
  return expected && check.answer.form === 'text' ? { ...check, answer: { form: 'text', expected } } : check;
}

/** Names that several checks have: were they one sign, it would be weighed twice. */
export const namedTwice = (checks: Pick<CheckDefinition, 'name'>[]): string[] =>
  repeated(checks.map(({ name }) => name));

/** What a measure of the release expects, for each variant that is still possible; undefined where it says nothing. */
function nominalOf(measure: string, context: ReadingContext, possible: PossibleVariants): Nominal | undefined {
  const recorded = context.release?.nominal[measure];
  if (!recorded) return undefined;
  const general = expectedMeasure(
    recorded,
    context.release ? exemplarsOf(context.release, measure) : [],
    leadingSize(context),
  );
  const [first, ...or] = waysOf(recorded.by ?? [], possible).map((way): Nominal => {
    if (!way) return general;
    // Exemplars and growth with size are those of the measure; the variant moves all of it.
    return { ...general, value: general.value + way.value - recorded.value, when: whenWords(way) };
  });
  return first && or.length > 0 ? { ...first, or } : first;
}

/** A check with what a person answered to it. */
function answered(asked: CheckDefinition, entry: FindingEntry, nominal: Nominal | undefined): Finding {
  const { at, by } = entry;
  if (entry.state === 'excused')
    return { check: asked, mark: 'excused', reason: entry.reason, problems: [], at, by, nominal };
  const { outcome, state: _, ...found } = entry;
  const beside = found.value === undefined ? null : measuredForm(asked);
  const check = asMeasured(beside?.check ?? asked, found.supplied);
  const expected = beside?.nominal ?? nominal;
  const nearest = expected && found.value !== undefined ? nearestNominal(expected, found.value) : expected;
  // Two ways to draw the same thing are no two variants.
  const held = beside && nearest ? { ...nearest, or: undefined } : nearest;
  const mark = outcomeOf({ check, nominal: held }, found) ?? outcome;
  const value = weighedValue({ check, nominal: held }, found);
  return { check, ...(check === asked ? {} : { asked }), mark, ...found, value, nominal: held, problems: [] };
}

/** A check that a person answers, or has answered, on this item. */
function personal(
  general: CheckDefinition,
  file: CaseFile,
  context: ReadingContext,
  possible: PossibleVariants,
): Finding {
  const check = checkFor(general, possible);
  const measure = 'measure' in check.answer ? check.answer.measure : null;
  const nominal = measure === null ? undefined : nominalOf(measure, context, possible);
  const finding: Finding = { check, mark: 'open', nominal, problems: [] };
  const entry = file.findings[check.id];
  const wordless = check.answer.form === 'text' && check.answer.expected.length === 0;
  if ((measure !== null && !nominal) || wordless) {
    const reason = wordless
      ? 'the record does not say what stands there'
      : 'the record gives no figure to hold it against';
    // What is found all the same is kept: a record may be made of it.
    const found = entry?.state === 'recorded' ? answered(check, entry, nominal) : finding;
    return { ...found, mark: 'excused', reason, noFigure: true };
  }
  const unknown = waitsForTrait(check);
  if (unknown) {
    const reason = `whatever it shows fits some variant until the ${unknown} is known`;
    if (entry?.state !== 'recorded') return { ...finding, mark: 'excused', reason };
    return { ...answered(check, entry, nominal), mark: 'cantTell', reason };
  }
  return entry ? answered(check, entry, nominal) : finding;
}

/** An open check that what the listing says answers. */
function listed(finding: Finding, file: CaseFile, context: ReadingContext, reading: CrossReading): Finding {
  const { check, mark } = finding;
  const found = mark === 'open' && check.listing ? LISTING_RULES[check.listing](file, context, reading) : null;
  if (!found) return finding;
  const { state, sentence, chances } = found;
  const told = { ...finding, mark: state, reason: sentence };
  return chances ? { ...told, check: { ...check, ...chances }, asked: check, stated: true } : told;
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
  const sure = surelyRead(reading);
  const findings = checks.map((check): Finding => {
    const reason = notApplicable(check, circumstances);
    if (reason) return { check, mark: 'excused', reason, problems: [] };
    const { answer } = check;
    if (answer.form === 'codes') {
      const rule = RULES[answer.rule];
      if (!rule) return { check, mark: 'open', reason: `no rule “${answer.rule}”`, problems: [] };
      const { state, sentence, problems, c } = rule(sure, context, answer.places);
      if (state === 'open' && check.whenRead)
        return { check, mark: 'excused', reason: 'nothing of it was read', problems: [] };
      return { check: c === undefined ? check : { ...check, c }, mark: state, reason: sentence, problems };
    }
    const first = listed(personal(check, file, context, circumstances), file, context, reading);
    const finding = withSecondOpinion(first, file.opinions);
    return releaseId ? { ...finding, releaseId } : finding;
  });
  return waitForOthers(findings);
}
