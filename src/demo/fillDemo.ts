import { randomLcg } from 'd3-random';
import { v4 } from 'uuid';
import type { NewEvent } from '@/core/casefile/event';
import { fold } from '@/core/casefile/fold';
import type { CheckDefinition } from '@/core/checks/check';
import { type Finding, gatherFindings } from '@/core/checks/findings';
import type { ReadingContext } from '@/core/crossread/context';
import { crossread } from '@/core/crossread/crossread';
import { expandFacts, sizeColumnOf } from '@/core/crossread/facts';
import { addDays } from '@/core/dates/day';
import type { DateOrder } from '@/core/dates/printedDate';
import type { CaseFolder } from '@/core/judgement/grounds';
import { groundsOf } from '@/core/judgement/grounds';
import { verdictBody } from '@/core/judgement/verdictBody';
import { findRow } from '@/core/sizes/sizeChart';
import { readCaseFolder } from '@/desk/caseFolder';
import type { Desk } from '@/desk/desk';
import { openCase } from '@/desk/openCase';
import { readQueue } from '@/desk/queue';
import { recordEvents } from '@/desk/recordEvents';
import { saveRecords } from '@/desk/records';
import { type Answer, CASE_PLANS, type CasePlan } from './casePlans';
import { CHARTS, MAKERS } from './makers';
import { RELEASES } from './releases';
import { ROSTER } from './roster';

/** The day on which the demo world stands still. */
export const DEMO_TODAY = '2026-11-24';
const SEED = 0.7310585;

/** Clock and identities of the demo world: the same ones each time. */
function surroundings() {
  const random = randomLcg(SEED);
  let at = Date.parse(`${addDays(DEMO_TODAY, -90)}T09:00:00Z`);
  return {
    newId: () => v4({ random: Uint8Array.from({ length: 16 }, () => Math.floor(random() * 256)) }),
    now: () => {
      at += 20_000;
      return new Date(at).toISOString();
    },
    moveTo: (day: string, hour: number) => {
      at = Math.max(at, Date.parse(`${day}T${String(hour).padStart(2, '0')}:10:00Z`));
    },
  };
}

const twoDigits = (day: string): [year: string, month: string, date: string] => [
  day.slice(2, 4),
  day.slice(5, 7),
  day.slice(8, 10),
];

/** A day as that maker prints it. */
function printDay(day: string, order: DateOrder): string {
  const [year, month, date] = twoDigits(day);
  if (order === 'YMD') return day;
  return order === 'DMY' ? `${date}/${month}/${year}` : `${month}/${date}/${year}`;
}

const WINDOW_DAYS = 61;

/** What a genuine item of this release prints for a fact. */
function genuineText(fact: string, plan: CasePlan, { grounds }: CaseFolder): string | null {
  const { release, chart, maker } = groundsOf(grounds);
  if (!release || !maker) return null;
  const column = sizeColumnOf(fact);
  if (column) return (chart && plan.size && findRow(chart, plan.size)?.values[column]) || null;
  const factory = release.factories[plan.factory ?? 0];
  switch (fact) {
    case 'gtin':
      return release.sizes.find((size) => size.key === plan.size)?.gtin ?? null;
    case 'styleCode':
      return release.styleCode;
    case 'model':
      return release.name.toUpperCase();
    case 'colourName':
      return release.colourName.toUpperCase();
    case 'size':
      return plan.size;
    case 'factoryCode':
      return factory?.code ?? null;
    case 'country':
      return factory?.country.toUpperCase() ?? null;
    case 'batchCode':
      return `${release.releaseDate.slice(3, 4)}${release.styleCode.charAt(0)}${release.releaseDate.slice(5, 7)}7`;
    case 'productionWindow': {
      const start = addDays(release.releaseDate, -(plan.lead ?? 100));
      return `${printDay(start, maker.dateOrder)} - ${printDay(addDays(start, WINDOW_DAYS), maker.dateOrder)}`;
    }
    default:
      return null;
  }
}

function factEvents(plan: CasePlan, folder: CaseFolder, newId: () => string): NewEvent[] {
  const { kind, chart } = groundsOf(folder.grounds);
  const events: NewEvent[] = [];
  for (const place of kind.places.filter((each) => plan.read.includes(each.id))) {
    for (const fact of expandFacts(place.facts, chart)) {
      const planned = plan.facts?.[`${place.id}.${fact.id}`];
      const raw = planned === undefined ? genuineText(fact.id, plan, folder) : planned;
      if (raw === null) continue;
      events.push({
        id: newId(),
        type: 'factRead',
        body: { place: place.id, fact: fact.id, state: 'read', raw, via: 'typed' },
      });
    }
  }
  return events;
}

function findingEvent(check: CheckDefinition, answer: Answer, finding: Finding, id: string): NewEvent {
  const body = { check: check.id };
  if (answer === 'cantTell') return { id, type: 'findingRecorded', body: { ...body, outcome: 'cantTell' } };
  if (typeof answer === 'object' && 'excuse' in answer)
    return { id, type: 'findingExcused', body: { ...body, reason: answer.excuse } };
  if (check.answer.form === 'quantity' && finding.nominal) {
    const off = typeof answer === 'object' ? answer.off : 0.15;
    const value = Number((finding.nominal.value + off * finding.nominal.tolerance).toFixed(1));
    return {
      id,
      type: 'findingRecorded',
      body: { ...body, outcome: Math.abs(off) <= 1 ? 'agrees' : 'differs', value },
    };
  }
  const choice =
    check.answer.form === 'choice' ? check.answer.choices[typeof answer === 'number' ? answer : 0] : undefined;
  return {
    id,
    type: 'findingRecorded',
    body: { ...body, outcome: choice?.outcome ?? 'cantTell', choice: choice?.label },
  };
}

/** Own traits of the second factory are the second answer. */
function genuineAnswer(check: CheckDefinition, plan: CasePlan): Answer {
  return check.trait ? (plan.factory ?? 0) : 0;
}

function findingEvents(plan: CasePlan, folder: CaseFolder, newId: () => string): NewEvent[] {
  const file = fold(folder.id, folder.events);
  const context: ReadingContext = { ...groundsOf(folder.grounds), facts: file.facts, sizeKey: file.sizeKey };
  const findings = gatherFindings(file, context, crossread(context));
  const events: NewEvent[] = [];
  for (const finding of findings) {
    const { check, mark } = finding;
    const answer = plan.answers?.[check.id] ?? (plan.inspected === 'done' ? genuineAnswer(check, plan) : undefined);
    if (answer === undefined || mark === 'excused' || check.answer.form === 'codes') continue;
    events.push(findingEvent(check, answer, finding, newId()));
  }
  return events;
}

async function layOut(desk: Desk, plan: CasePlan): Promise<string> {
  const number = await openCase(desk, {
    caseId: desk.newId(),
    query: plan.query,
    circumstances: plan.circumstances,
    release: plan.release ? { id: plan.release, sizeKey: plan.size, reason: `found by “${plan.query}”` } : null,
    kind: plan.kind ?? null,
    scanned: false,
    by: plan.by,
  });
  const record = async (make: (folder: CaseFolder) => NewEvent[]) => {
    const folder = await readCaseFolder(desk, number);
    const events = make(folder);
    if (events.length > 0) await recordEvents(desk, { number, events, expectedSeq: folder.events.length, by: plan.by });
  };
  await record((folder) => factEvents(plan, folder, desk.newId));
  await record((folder) => findingEvents(plan, folder, desk.newId));
  if (plan.seal) {
    await record((folder) => {
      const body = verdictBody(fold(folder.id, folder.events), folder.grounds);
      return [{ id: desk.newId(), type: 'verdictSealed', body }];
    });
  }
  return number;
}

/**
 * Fill a desk with the demo world: made-up makers, releases, checkers and items, from one seed. A desk that
 * has cases already is left as it is.
 *
 * @returns how many cases were laid out
 */
export async function fillDemo(desk: Desk): Promise<number> {
  const { open, sealed } = await readQueue(desk);
  if (open.length + sealed.length > 0) return 0;
  const world = surroundings();
  const demo: Desk = { store: desk.store, now: world.now, newId: world.newId };
  await saveRecords(demo, [
    ...MAKERS.map((body) => ({ kind: 'maker' as const, body })),
    ...CHARTS.map((body) => ({ kind: 'size-chart' as const, body })),
    ...RELEASES.map((body) => ({ kind: 'release' as const, body })),
    { kind: 'roster' as const, body: ROSTER },
  ]);
  // Numbers are given in the order of opening, so the oldest item comes first.
  const plans = [...CASE_PLANS].sort((a, b) => b.daysAgo - a.daysAgo);
  for (const [i, plan] of plans.entries()) {
    world.moveTo(addDays(DEMO_TODAY, -plan.daysAgo), 9 + (i % 7));
    await layOut(demo, plan);
  }
  return plans.length;
}
