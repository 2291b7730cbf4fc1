import { randomLcg, randomNormal } from 'd3-random';
import type { NewEvent } from '@/core/casefile/event';
import type { Circumstances } from '@/core/casefile/events/circumstancesStated';
import type { RecordedFinding } from '@/core/casefile/events/findingRecorded';
import type { TruthSource } from '@/core/casefile/events/truthConfirmed';
import { fold } from '@/core/casefile/fold';
import { answersOf } from '@/core/checks/answers';
import type { CheckDefinition } from '@/core/checks/check';
import type { Finding } from '@/core/checks/finding';
import { gatherFindings } from '@/core/checks/findings';
import { pairOutcome } from '@/core/checks/outcome';
import { contextOf } from '@/core/crossread/context';
import { crossread } from '@/core/crossread/crossread';
import { addDays, daysBetween } from '@/core/dates/day';
import { statedClasses } from '@/core/judgement/classes';
import { type Grounds, groundsOf } from '@/core/judgement/grounds';
import type { Release } from '@/core/releases/release';
import type { Desk } from '@/desk/desk';
import { type HistoricCase, keepHistory } from '@/desk/history';
import { textAnswer } from './textAnswer';

const CASES = 400;
const DAYS = 730;
const SOURCES: [TruthSource, number, number][] = [
  ['maker', 1, 0.25],
  ['refund dispute', 0.8, 0.35],
  ['laboratory', 0.95, 0.1],
  ['consensus', 0.7, 0.3],
];
const CHANNELS: Circumstances['channel'][] = ['walk-in', 'regular', 'marketplace', 'auction', 'trade'];
const CHECKERS = ['isolde-varr', 'tomas-quelle', 'bryn-askerby'];

type Classes = ReturnType<typeof statedClasses>;

/** A number between 0 and 1 that belongs to a text, so that the hidden truth of a check is always the same. */
function fate(text: string): number {
  let hash = 2_166_136_261;
  for (const character of text) hash = Math.imul(hash ^ character.charCodeAt(0), 16_777_619);
  return (hash >>> 0) / 4_294_967_296;
}

/**
 * What nobody at the desk knows: how often a check really differs, which is not quite what is stated. Copies of
 * the second generation have mended one sign in five.
 */
function hiddenTruth(check: CheckDefinition, stated: Classes, second: boolean): Classes {
  const stray = 0.6 + 0.8 * fate(check.id);
  const mended = second && fate(`${check.id}/mended`) < 0.2;
  const limit = (chance: number) => Math.min(0.95, Math.max(0.003, chance));
  return {
    usual: limit(stated.usual * stray),
    offDay: limit(stated.offDay * stray),
    well: limit(mended ? stated.usual : stated.well * stray),
    poorly: limit(mended ? stated.usual * 1.5 : stated.poorly * stray),
  };
}

/** The releases that workshops copy; the copies of the others have nothing in common. */
const FROM_WORKSHOPS = new Set([
  'tarn-court-low-fog',
  'tarn-court-high-bracken',
  'holt-ridge-moss',
  'ninefold-water',
  'skerrow-cask',
]);
/** So many workshops copy one of them. */
const MAKES = 2;
/** How rarely a copy is other than those of its make. */
const STRAYS = 0.08;

/** What the copies of a workshop show: how well it copies each strand, and which signs of the worse it leaves. */
function ofMake(folder: string, release: string, { id, strand }: CheckDefinition, wellCopied: number) {
  if (!FROM_WORKSHOPS.has(release)) return null;
  const make = `${release}/${Math.floor(MAKES * fate(`${folder}/make`))}`;
  const quality = fate(`${make}/${strand}`) < wellCopied ? ('well' as const) : ('poorly' as const);
  return { quality, leaves: (chance: number) => fate(`${make}/${id}`) < chance };
}

/** An answer that differs, or one that does not. */
function answerOf({ check, nominal }: Finding, differs: boolean, normal: () => number): RecordedFinding | null {
  const { answer } = check;
  if (answer.form === 'pair') {
    const left = answer.genuine[0] as string;
    const right = answer.states.find((state) => (pairOutcome(answer, left, state) === 'differs') === differs) ?? left;
    return { outcome: pairOutcome(answer, left, right), left, right };
  }
  if ((answer.form === 'quantity' || answer.form === 'count') && nominal) {
    const { value, tolerance } = nominal;
    if (answer.form === 'count')
      return { outcome: differs ? 'differs' : 'agrees', value: Math.round(value) + (differs ? 1 : 0) };
    const off = differs ? 2.4 + 1.2 * normal() : 0.45 * normal();
    const measured = Number((value + off * tolerance).toFixed(value < 2 ? 2 : 1));
    return { outcome: Math.abs(off) <= 1 ? 'agrees' : 'differs', value: measured };
  }
  if (answer.form === 'text') return textAnswer(answer, differs);
  const choice = answersOf(check).find(({ outcome }) => (outcome !== 'agrees') === differs);
  return choice ? { outcome: choice.outcome, choice: choice.label } : null;
}

/** The style code wherever this kind prints it; a careless copyist takes a number too far. */
function styleCodes(release: Release, { kind, maker }: Grounds, wrong: boolean, newId: () => string): NewEvent[] {
  const { id: releaseId, name, styleCode, colourName } = release;
  const raw = wrong ? `${styleCode.slice(0, -1)}${(Number(styleCode.at(-1)) + 1) % 10 || 3}` : styleCode;
  const own = { releaseId, revision: 1, makerName: maker?.name ?? '', name, styleCode, colourName, sizeKey: null };
  const belongsTo = wrong ? [] : [own];
  return kind.places
    .filter(({ side, facts }) => side !== 'said' && facts.includes('styleCode'))
    .map(({ id: place }) => ({
      id: newId(),
      type: 'factRead',
      body: { place, fact: 'styleCode', state: 'read', raw, via: 'typed', belongsTo, corrections: [] },
    }));
}

/**
 * Two years of cases whose truth became known, drawn from a hidden model with two generations of copies: the desk
 * can learn from them what its checks are worth by now.
 *
 * @param today the day on which the demo world stands still
 */
export async function fillHistory(
  desk: Desk,
  releases: Release[],
  today: string,
  moveTo: (day: string, hour: number) => void,
): Promise<void> {
  const random = randomLcg(0.5772156);
  const normal = randomNormal.source(random)(0, 1);
  const pick = <T>(list: T[]): T => list[Math.floor(random() * list.length)] as T;
  const begin = addDays(today, -DAYS);
  const history: HistoricCase[] = [];
  for (let i = 0; i < CASES; i++) {
    const day = addDays(begin, Math.floor((i * (DAYS - 14)) / CASES));
    const sold = releases.filter(({ releaseDate }) => releaseDate !== null && daysBetween(releaseDate, day) > -60);
    const release = pick(sold.length > 0 ? sold : releases);
    const counterfeit = random() < 0.3;
    const foreign = random() < (counterfeit ? 0.08 : 0.04);
    const second = day >= addDays(begin, DAYS / 2);
    const by = pick(CHECKERS);
    const draw = random();
    let reached = 0;
    const source =
      SOURCES.find(([, , share]) => {
        reached += share;
        return draw < reached;
      }) ?? (SOURCES[0] as (typeof SOURCES)[number]);
    moveTo(day, 9 + (i % 8));
    history.push({
      release: release.id,
      sizeKey: pick(release.sizes).key,
      query: `${release.name} ${release.colourName}`,
      circumstances: {
        channel: pick(CHANNELS),
        condition: random() < 0.8 ? 'new' : 'worn',
        inHand: true,
        packaged: true,
      },
      by,
      truth: {
        goods: counterfeit ? 'counterfeit' : 'genuine',
        packaging: foreign ? 'foreign' : 'own',
        source: source[0],
        trust: source[1],
        note: `told by the ${source[0] === 'consensus' ? 'three checkers of this desk' : source[0]}`,
      },
      at: desk.now(),
      confirmedAt: `${addDays(day, 10)}T10:00:00.000Z`,
      inspect: (folder) => {
        const grounds = groundsOf(folder.grounds);
        const file = fold(folder.id, folder.events);
        const context = contextOf(file, grounds);
        const classes = new Map<string, { genuine: 'usual' | 'offDay'; counterfeit: 'well' | 'poorly' }>();
        const wellCopied = second ? 0.6 : 0.4;
        const required = grounds.houseRules.required[release.kind] ?? [];
        const codes = styleCodes(release, grounds, counterfeit && random() < 0.12, desk.newId);
        const findings = gatherFindings(file, context, crossread(context)).flatMap((finding): NewEvent[] => {
          const { check, mark } = finding;
          if (mark === 'excused' || check.answer.form === 'codes' || check.trait) return [];
          if (random() < 0.35 && !required.includes(check.id)) return [];
          const known = classes.get(check.strand) ?? {
            genuine: random() < 0.1 ? ('offDay' as const) : ('usual' as const),
            counterfeit: random() < wellCopied ? ('well' as const) : ('poorly' as const),
          };
          classes.set(check.strand, known);
          const copied =
            check.bearsOn === 'goods' ? counterfeit : counterfeit ? !foreign : foreign && fate(folder.id) < 0.5;
          const chances = hiddenTruth(check, statedClasses(check, grounds.houseRules), second);
          const draw = random();
          const make = copied ? ofMake(folder.id, release.id, check, wellCopied) : null;
          // A make shows what it shows, but for a stray now and then.
          const differs = make
            ? make.leaves(chances[make.quality]) !== draw < STRAYS
            : draw < chances[copied ? known.counterfeit : known.genuine];
          const answer = answerOf(finding, differs, normal);
          return answer ? [{ id: desk.newId(), type: 'findingRecorded', body: { check: check.id, ...answer } }] : [];
        });
        return [...codes, ...findings];
      },
    });
  }
  await keepHistory(desk, history);
}
