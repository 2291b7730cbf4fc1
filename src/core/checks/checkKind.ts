import { expandFacts } from '../crossread/facts';
import { RULES } from '../crossread/rules';
import type { Release } from '../releases/release';
import { repeated } from '../repeated';
import { answersOf } from './answers';
import type { CheckDefinition, KindDefinition } from './check';
import { whenWords } from './expectation';
import { TOOLS } from './tools';

/** A chain of checks that wait for each other and come back to where they began; null where there is none. */
function cycle(checks: CheckDefinition[]): string[] | null {
  const waitsFor = new Map(
    checks.map(({ id, after, appliesWhen }) => [id, [...after, ...Object.keys(appliesWhen?.checks ?? {})]]),
  );
  const done = new Set<string>();
  const walk = (id: string, path: string[]): string[] | null => {
    if (path.includes(id)) return [...path.slice(path.indexOf(id)), id];
    if (done.has(id)) return null;
    for (const next of waitsFor.get(id) ?? []) {
      const found = walk(next, [...path, id]);
      if (found) return found;
    }
    done.add(id);
    return null;
  };
  for (const { id } of checks) {
    const found = walk(id, []);
    if (found) return found;
  }
  return null;
}

/** Whatever expects by variant does so by one trait, each state once. */
function oneTrait(by: { trait: string; state: string }[]): string[] {
  const problems: string[] = [];
  const traits = new Set(by.map(({ trait }) => trait));
  if (traits.size > 1) problems.push(`varies by ${[...traits].join(' and ')}; choose one trait.`);
  const states = by.map(({ state }) => state);
  const twice = states.find((state, i) => states.indexOf(state) !== i);
  if (twice) problems.push(`says twice what is expected where it is ${twice}.`);
  return problems;
}

/** Every answer by its label; for a text, its wordings: another one may be right by variant. */
function possibleAnswers(check: CheckDefinition): string[] {
  const { answer, expectedBy = [] } = check;
  if (answer.form === 'text') return [...answer.expected, ...expectedBy.flatMap(({ genuine = [] }) => genuine)];
  return answersOf(check).map(({ label }) => label);
}

/** What is wrong with one check that follows its format. */
export function checkProblems(check: CheckDefinition): string[] {
  const say = (what: string) => `“${check.name}” ${what}`;
  const { answer, g, c } = check;
  const problems: string[] = [];
  if (g >= c)
    problems.push(say(`differs as often on genuine items (${g}) as on counterfeits (${c}), so it tells nothing.`));
  if (answer.form === 'choice') {
    const outcomes = answer.choices.map(({ outcome }) => outcome);
    if (!outcomes.includes('agrees') || !outcomes.some((each) => each === 'differs' || each === 'missing'))
      problems.push(say('needs an answer that agrees and one that differs.'));
    const labels = answer.choices.map(({ label }) => label);
    if (new Set(labels).size < labels.length) problems.push(say('has two answers of one name.'));
  }
  if (answer.form === 'ordinal') {
    const [first, last] = answer.genuine;
    if (first > last || last >= answer.scale.length) problems.push(say('has no such steps on its scale.'));
    else if (first === 0 && last === answer.scale.length - 1) problems.push(say('takes every step for genuine.'));
  }
  if (answer.form === 'pair') {
    const unknown = answer.genuine.find((state) => !answer.states.includes(state));
    if (unknown) problems.push(say(`calls “${unknown}” genuine, which is none of its states.`));
    if (answer.rule === 'free' && answer.genuine.length === answer.states.length)
      problems.push(say('takes every pair for genuine.'));
  }
  const by = check.expectedBy ?? [];
  const answers = possibleAnswers(check);
  const otherwise = by.flatMap(({ genuine = [] }) => genuine);
  const unknown = otherwise.find((label) => !answers.includes(label));
  if (otherwise.length > 0 && answers.length === 0)
    problems.push(say('says other answers by variant, but none are picked; say figures in the record of the release.'));
  else if (unknown) problems.push(say(`calls “${unknown}” genuine by variant, which is none of its answers.`));
  problems.push(...oneTrait(by).map(say));
  for (const tool of check.tools ?? []) if (!TOOLS[tool]) problems.push(say(`needs the unknown tool “${tool}”.`));
  if ((check.intrusiveness ?? 0) >= 2 && !check.recordBefore)
    problems.push(say('takes something apart; say what has to be recorded before.'));
  return problems;
}

/**
 * What is wrong with a kind of goods that follows its format: checks twice, in layers or strands that are not
 * there, waiting for each other in a circle, or unable to tell anything.
 *
 * @returns sentences; empty where it may be saved
 */
export function checkKind(kind: KindDefinition, added: CheckDefinition[] = []): string[] {
  const checks = [...kind.checks, ...added];
  const ids = checks.map(({ id }) => id);
  const problems = checks.flatMap(checkProblems);
  for (const id of repeated(ids)) problems.push(`There are two checks “${id}”.`);
  for (const { name, layer, strand, after, appliesWhen } of checks) {
    if (!kind.layers.some(({ id }) => id === layer))
      problems.push(`“${name}” is in a layer “${layer}” that is not there.`);
    if (!kind.strands[strand]) problems.push(`“${name}” is in a strand “${strand}” that is not there.`);
    const lost = [...after, ...Object.keys(appliesWhen?.checks ?? {})].find((id) => !ids.includes(id));
    if (lost) problems.push(`“${name}” waits for a check “${lost}” that is not there.`);
  }
  for (const { id, name, facts } of kind.places)
    for (const fact of facts)
      if (expandFacts([fact], null).length === 0)
        problems.push(`“${name}” (${id}) has the fact “${fact}”, which nobody can read.`);
  for (const { name, answer } of checks) {
    if (answer.form !== 'codes') continue;
    if (!RULES[answer.rule]) problems.push(`“${name}” goes by the rule “${answer.rule}”, which there is not.`);
    const lost = answer.places.find((each) => !kind.places.some(({ id }) => id === each));
    if (lost) problems.push(`“${name}” reads the place “${lost}”, which is not there.`);
  }
  const circle = cycle(checks);
  if (circle) problems.push(`Checks wait for each other in a circle: ${circle.join(', ')}.`);
  return problems;
}

/** What is wrong with the figures and own checks of a release. */
export function releaseProblems({
  nominal,
  variants,
  checks,
}: Pick<Release, 'nominal' | 'variants' | 'checks'>): string[] {
  const lost = ({ trait, state }: { trait: string; state: string }) =>
    !variants.some(({ traits }) => traits[trait]?.includes(state));
  const measures = Object.entries(nominal).flatMap(([id, { tolerance, by = [] }]) => [
    ...(tolerance > 0
      ? []
      : [`The measure “${id}” has a tolerance of zero; no two genuine items are that much alike.`]),
    ...oneTrait(by).map((problem) => `The measure “${id}” ${problem}`),
    ...by.filter(lost).map((entry) => `The measure “${id}” varies by ${whenWords(entry)}, which no variant has.`),
  ]);
  const own = checks.add.flatMap((check) => [
    ...checkProblems(check),
    ...(check.expectedBy ?? [])
      .filter(lost)
      .map((entry) => `“${check.name}” says what ${whenWords(entry)} shows, which no variant has.`),
  ]);
  return [...measures, ...own];
}
