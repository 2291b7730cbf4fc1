import { randomLcg } from 'd3-random';
import { v4 } from 'uuid';
import type { NewEvent } from '@/core/casefile/event';
import type { RecordedFinding } from '@/core/casefile/events/findingRecorded';
import type { Photo } from '@/core/casefile/events/photoAdded';
import { fold } from '@/core/casefile/fold';
import { answersOf } from '@/core/checks/answers';
import type { CheckDefinition } from '@/core/checks/check';
import type { Finding } from '@/core/checks/finding';
import { gatherFindings } from '@/core/checks/findings';
import { bothSides, pairOutcome } from '@/core/checks/outcome';
import { contextOf } from '@/core/crossread/context';
import { crossread } from '@/core/crossread/crossread';
import { expandFacts } from '@/core/crossread/facts';
import { addDays } from '@/core/dates/day';
import type { CaseFolder } from '@/core/judgement/grounds';
import { groundsOf } from '@/core/judgement/grounds';
import type { House } from '@/core/judgement/houseRules';
import { showsOn, viewsOf } from '@/core/judgement/picturesWorth';
import { verdictBody } from '@/core/judgement/verdictBody';
import type { Person } from '@/core/people/person';
import type { Release } from '@/core/releases/release';
import { readCaseFolder } from '@/desk/caseFolder';
import { beginConsignment, type FoundLine, openPieces } from '@/desk/consignments';
import type { Desk } from '@/desk/desk';
import { readHouseRules, saveHouseRules } from '@/desk/houseRules';
import { openCase } from '@/desk/openCase';
import { readRoster, THE_MACHINE } from '@/desk/people/roster';
import { readQueue } from '@/desk/queue';
import { recordEvents } from '@/desk/recordEvents';
import { saveRecords } from '@/desk/records';
import { takeMeasurable, takePicture, withShelfPictures } from './casePictures';
import { type Answer, CASE_PLANS, type CasePlan } from './casePlans';
import { SCHEMES } from './codeSchemes';
import { fillHistory } from './history';
import { CHARTS, MAKERS } from './makers';
import { ABSENT, genuineText, type MadeUpItem } from './printed';
import { RELEASES } from './releases';
import { ROSTER } from './roster';
import { SPECIMEN_KINDS } from './specimens/kinds';
import { textAnswer } from './textAnswer';
import { DEMO_TODAY } from './today';

const SEED = 0.7310585;
/** Kinds of goods that the desk has taken up lately: it has not confirmed a case of them yet. */
const NEW_KINDS = ['smoking-packs', 'textile-footwear'];

/** Between two entries of the demo world, in seconds, where nothing is looked at between them. */
const ENTRY_SECONDS = 20;
/** The demo world's checkers take so much longer than the checks are stated to take. */
const SLOWER = 1.4;

/** Clock and identities of the demo world: the same ones each time. */
function surroundings() {
  const random = randomLcg(SEED);
  let step = ENTRY_SECONDS;
  let at = Date.parse(`${addDays(DEMO_TODAY, -800)}T09:00:00Z`);
  return {
    newId: () => v4({ random: Uint8Array.from({ length: 16 }, () => Math.floor(random() * 256)) }),
    now: () => {
      at += 1000 * step;
      return new Date(at).toISOString();
    },
    /** From here on each entry takes so many seconds; as before where none are given. */
    each: (seconds = ENTRY_SECONDS) => {
      step = Math.max(1, Math.round(seconds));
    },
    moveTo: (day: string, hour: number) => {
      at = Math.max(at, Date.parse(`${day}T${String(hour).padStart(2, '0')}:10:00Z`));
    },
  };
}

/** The item of a plan, as its labels have it. */
function itemOf(plan: CasePlan, { grounds, number }: CaseFolder): MadeUpItem {
  const { release, chart, maker, schemes } = groundsOf(grounds);
  const { size, factory = 0, lead = 100 } = plan;
  return { release, chart, maker, schemes, size, factory, lead, number: Number(number.slice(3)) };
}

function factEvents(plan: CasePlan, folder: CaseFolder, newId: () => string): NewEvent[] {
  const { kind, chart } = groundsOf(folder.grounds);
  const events: NewEvent[] = [];
  for (const place of kind.places.filter((each) => plan.read.includes(each.id))) {
    for (const fact of expandFacts(place.facts, chart)) {
      const planned = plan.facts?.[`${place.id}.${fact.id}`];
      const raw = planned === undefined ? genuineText(fact.id, place.id, itemOf(plan, folder)) : planned;
      // What a tag or a symbol contains is not read beside it.
      if (raw === null || (place.id === 'rfid' && fact.id === 'gtin')) continue;
      const body = { place: place.id, fact: fact.id, via: 'typed' as const };
      const entry = raw === ABSENT ? { state: 'absent' as const, raw: '' } : { state: 'read' as const, raw };
      events.push({ id: newId(), type: 'factRead', body: { ...body, ...entry } });
    }
  }
  return events;
}

/** The place of the first answer that a genuine item gives. */
const genuinePlace = (check: CheckDefinition): number =>
  Math.max(
    0,
    answersOf(check).findIndex(({ outcome }) => outcome === 'agrees'),
  );

function recorded(check: CheckDefinition, answer: number | { off: number }, finding: Finding): RecordedFinding {
  const form = check.answer;
  if ((form.form === 'quantity' || form.form === 'count') && finding.nominal) {
    const off = typeof answer === 'object' ? answer.off : form.form === 'count' ? 0 : 0.15;
    const { value, tolerance } = finding.nominal;
    const measured = Number((value + off * tolerance).toFixed(form.form === 'count' ? 0 : value < 2 ? 2 : 1));
    const outcome = Math.abs(off) <= 1 ? 'agrees' : 'differs';
    if (form.form !== 'quantity' || !form.sides) return { outcome, value: measured };
    const other = Number((measured + (off > 0 ? -0.1 : 0.1)).toFixed(1));
    return { outcome, ...bothSides(String(measured), String(other)) };
  }
  const place = typeof answer === 'number' ? answer : 0;
  if (form.form === 'pair') {
    const left = form.genuine[0] as string;
    const genuineRight = {
      same: left,
      differ: form.genuine[1] ?? left,
      mirror: mirrorOf(form.states, left),
      free: left,
    };
    const right =
      place === 0
        ? genuineRight[form.rule]
        : (form.states.find((state) => pairOutcome(form, left, state) === 'differs') ?? left);
    return { outcome: pairOutcome(form, left, right), left, right };
  }
  if (form.form === 'text') return textAnswer(form, place > 0);
  const choices = answersOf(check);
  const picked = choices[place === 0 ? genuinePlace(check) : place];
  return { outcome: picked?.outcome ?? 'cantTell', choice: picked?.label };
}

const mirrorOf = (states: string[], left: string): string => states[states.length - 1 - states.indexOf(left)] ?? left;

function findingEvent(check: CheckDefinition, answer: Answer, finding: Finding, id: string): NewEvent {
  const body = { check: check.id };
  if (answer === 'cantTell') return { id, type: 'findingRecorded', body: { ...body, outcome: 'cantTell' } };
  if (typeof answer === 'object' && 'excuse' in answer)
    return { id, type: 'findingExcused', body: { ...body, reason: answer.excuse } };
  return { id, type: 'findingRecorded', body: { ...body, ...recorded(check, answer, finding) } };
}

/** Own traits of the second factory are the second answer. */
function genuineAnswer(check: CheckDefinition, plan: CasePlan): Answer {
  return check.trait ? (plan.factory ?? 0) : 0;
}

function findingEvents(plan: CasePlan, folder: CaseFolder, newId: () => string): NewEvent[] {
  const file = fold(folder.id, folder.events);
  const context = contextOf(file, groundsOf(folder.grounds));
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

function opinionGiven(given: Record<string, Answer>, folder: CaseFolder, asked: string, id: string): NewEvent {
  const file = fold(folder.id, folder.events);
  const context = contextOf(file, groundsOf(folder.grounds));
  const answers: Record<string, RecordedFinding> = {};
  for (const finding of gatherFindings(file, context, crossread(context))) {
    const answer = given[finding.check.id];
    if (typeof answer === 'number') answers[finding.check.id] = recorded(finding.check, answer, finding);
  }
  return { id, type: 'opinionGiven', body: { asked, answers } };
}

/** What is known, asked and planned before the item is looked at. */
function beforehand({ comparables, asked = [], work }: CasePlan, { grounds }: CaseFolder, desk: Desk): NewEvent[] {
  const { kind } = groundsOf(grounds);
  const views = viewsOf(kind).filter(({ id }) => asked.includes(id));
  const { owner, dueIn, urgent } = work ?? {};
  const due = dueIn === undefined ? {} : { due: addDays(DEMO_TODAY, dueIn) };
  return [
    ...(comparables ? [{ id: desk.newId(), type: 'comparablesStated' as const, body: { comparables } }] : []),
    ...views.map((view): NewEvent => {
      const checks = kind.checks.filter((check) => showsOn(view, check)).map(({ id }) => id);
      const body = { request: desk.newId(), name: view.name, how: view.how, checks };
      return { id: desk.newId(), type: 'pictureAsked', body };
    }),
    ...(work
      ? [
          {
            id: desk.newId(),
            type: 'workPlanned' as const,
            body: { ...(owner ? { owner } : {}), ...due, ...(urgent ? { urgent } : {}) },
          },
        ]
      : []),
  ];
}

/** A picture of the item, or of what lies in the box although no record was chosen yet. */
function pictureOf(
  desk: Desk,
  plan: CasePlan,
  { specimen, of }: NonNullable<CasePlan['pictures']>[number],
  folder: CaseFolder,
): Promise<Photo> {
  const own = itemOf(plan, folder);
  const release = RELEASES.find(({ id }) => id === of?.release);
  const item: MadeUpItem = release
    ? {
        ...own,
        release,
        size: of?.size ?? null,
        maker: MAKERS.find(({ id }) => id === release.maker) ?? null,
        chart: CHARTS.find(({ id }) => id === release.chart) ?? null,
      }
    : own;
  const { place } = SPECIMEN_KINDS.find(({ id }) => id === specimen) ?? {};
  const { places } = groundsOf(folder.grounds).kind;
  const facts = places.find(({ id }) => id === place)?.facts ?? [];
  return takePicture(desk, plan.by, specimen, facts, item, plan.facts);
}

/** The consignment that some of the items came with. */
const LOT = {
  name: 'Greyharbour Sales, autumn lot',
  terms: { channel: 'auction', condition: 'new', packaged: true, kind: 'footwear' },
} as const;

/** What came of it so far. */
interface Lot {
  id: string;
  pieces: number;
}

/** Open the case of the next piece of the consignment, from its line of the manifest. */
async function openPiece(desk: Desk, plan: CasePlan, lot: Lot): Promise<string> {
  const { id, name, styleCode } = RELEASES.find((each) => each.id === plan.release) as Release;
  if (lot.pieces === 0) await beginConsignment(desk, plan.by, { ...LOT, id: lot.id });
  lot.pieces += 1;
  const line: FoundLine = {
    line: lot.pieces + 1,
    ref: plan.lot ?? '',
    query: plan.query,
    size: plan.size ?? '',
    epc: null,
    gtin14: null,
    quantity: 1,
    due: null,
    note: '',
    release: { id, title: name, styleCode },
    sizeKey: plan.size,
    remark: '',
  };
  const [number = ''] = await openPieces(desk, plan.by, lot.id, [{ n: lot.pieces, caseId: desk.newId(), line }]);
  return number;
}

/** Open the case of an item that came alone. */
const openAlone = (desk: Desk, plan: CasePlan): Promise<string> =>
  openCase(desk, {
    caseId: desk.newId(),
    query: plan.query,
    circumstances: plan.circumstances,
    release: plan.release ? { id: plan.release, sizeKey: plan.size, reason: `found by “${plan.query}”` } : null,
    kind: plan.kind ?? null,
    scanned: false,
    by: plan.by,
  });

async function layOut(desk: Desk, plan: CasePlan, lot: Lot, each: (seconds?: number) => void): Promise<string> {
  const number = await (plan.lot ? openPiece(desk, plan, lot) : openAlone(desk, plan));
  const record = async (make: (folder: CaseFolder) => NewEvent[], by = plan.by) => {
    const folder = await readCaseFolder(desk, number);
    const events = make(folder);
    if (events.length > 0) await recordEvents(desk, { number, events, expectedSeq: folder.events.length, by });
  };
  await record((folder) => factEvents(plan, folder, desk.newId));
  for (const picture of plan.pictures ?? []) {
    const folder = await readCaseFolder(desk, number);
    const body = await pictureOf(desk, plan, picture, folder);
    await record(() => [{ id: desk.newId(), type: 'photoAdded', body }]);
  }
  for (const what of plan.measurable ?? []) {
    const body = await takeMeasurable(desk, plan.by, what);
    await record(() => [{ id: desk.newId(), type: 'photoAdded', body }]);
  }
  await record((folder) => beforehand(plan, folder, desk));
  await record((folder) => {
    const { checks } = groundsOf(folder.grounds).kind;
    const events = findingEvents(plan, folder, desk.newId);
    const asked = events.flatMap(({ body }) => checks.find(({ id }) => 'check' in body && id === body.check) ?? []);
    each((SLOWER * asked.reduce((sum, { seconds }) => sum + seconds, 0)) / Math.max(1, asked.length));
    return events;
  });
  each();
  if (plan.opinion) {
    const { of: to, checks, given } = plan.opinion;
    const asked = desk.newId();
    await record(() => [{ id: asked, type: 'opinionAsked', body: { to, checks } }]);
    if (given) await record((folder) => [opinionGiven(given, folder, asked, desk.newId())], to);
  }
  if (plan.seal) {
    await record((folder) => {
      const body = verdictBody(fold(folder.id, folder.events), folder.grounds);
      return [{ id: desk.newId(), type: 'verdictSealed', body }];
    });
  }
  const { went } = plan;
  if (went) await record(() => [{ id: desk.newId(), type: 'itemMoved', body: { ...went, note: '' } }]);
  return number;
}

/** The consignment desk of the demo world. */
const HOUSE: House = {
  name: 'Halyard Row Exchange',
  address: '7 Halyard Row\nThe Old Chandlery',
  timeZone: 'Etc/GMT-1',
  currency: 'EUR',
  languages: ['en'],
};

/**
 * The people of the demo world, beside those who work here already. A desk that has an owner keeps its own way of signing
 * in, and gets no second owner; one that is in use gets nobody, but for a demo world from before people had roles.
 */
async function giveRoles(desk: Desk, empty: boolean): Promise<void> {
  const { body } = await readRoster(desk);
  const owned = body.people.some(({ role }) => role === 'owner');
  const known = ROSTER.people.every(({ id }) => body.people.some((person) => person.id === id));
  if (known ? owned : !empty) return;
  const own = body.people.filter(({ id }) => !ROSTER.people.some((person) => person.id === id));
  const guests = ROSTER.people.map((person): Person => (owned ? { ...person, role: 'checker' } : person));
  const roster = owned ? { ...body, people: [...own, ...guests] } : ROSTER;
  await saveRecords(desk, [{ kind: 'roster', body: roster }]);
}

/**
 * Fill a desk with the demo world: made-up makers, releases, checkers and items, from one seed. A desk that
 * has cases already is left as it is.
 *
 * @param options.history two years of confirmed cases before them, which take some seconds
 * @returns how many cases were laid out, without those
 */
export async function fillDemo(desk: Desk, { history = true }: { history?: boolean } = {}): Promise<number> {
  const { open, done: sealed } = await readQueue(desk, null, { shelf: 'sealed', donePage: 1 });
  const empty = open.count + sealed.count === 0;
  await giveRoles(desk, empty);
  if (!empty) return 0;
  const world = surroundings();
  const demo: Desk = { ...desk, now: world.now, newId: world.newId };
  const releases = await withShelfPictures(demo, ROSTER.people[0]?.id ?? '', RELEASES);
  await saveRecords(demo, [
    ...MAKERS.map((body) => ({ kind: 'maker' as const, body })),
    ...CHARTS.map((body) => ({ kind: 'size-chart' as const, body })),
    ...SCHEMES.map((body) => ({ kind: 'code-scheme' as const, body })),
    ...releases.map((body) => ({ kind: 'release' as const, body })),
  ]);
  const { rules, revision } = await readHouseRules(demo);
  if (!rules.house) await saveHouseRules(demo, THE_MACHINE, { ...rules, house: HOUSE }, revision);
  if (history)
    await fillHistory(
      demo,
      RELEASES.filter(({ kind }) => !NEW_KINDS.includes(kind)),
      DEMO_TODAY,
      world.moveTo,
    );
  // Numbers are given in the order of opening, so the oldest item comes first.
  const plans = [...CASE_PLANS].sort((a, b) => b.daysAgo - a.daysAgo);
  const lot = { id: demo.newId(), pieces: 0 };
  for (const [i, plan] of plans.entries()) {
    world.moveTo(addDays(DEMO_TODAY, -plan.daysAgo), 9 + (i % 7));
    await layOut(demo, plan, lot, world.each);
  }
  return plans.length;
}
