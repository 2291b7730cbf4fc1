import type { CaseFile } from '../casefile/caseFile';
import { answersOf } from '../checks/answers';
import type { CheckDefinition } from '../checks/check';
import { genuineAnswers, takenForGenuine } from '../checks/expectation';
import type { Finding } from '../checks/finding';
import { checksFor, gatherFindings } from '../checks/findings';
import { NO_RECORD } from '../checks/measuredForm';
import { condense } from '../crossread/condense';
import { contextOf, leadingSize, type Records } from '../crossread/context';
import type { CrossReading } from '../crossread/crossReading';
import { crossread } from '../crossread/crossread';
import { daysBetween, formatDay } from '../dates/day';
import { formatMoney } from '../listing/money';
import { freshNumber } from '../releases/freshId';
import type { NominalMeasure, Release } from '../releases/release';
import type { ShelfItem } from '../releases/shelfItem';
import { partOf, type Statement } from '../releases/statement';
import type { Variant } from '../releases/variantFit';
import { picturedBy } from './picturedBy';
import { agreed, type ReadItem, readItem } from './readItem';

/** One thing that a genuine item says of its release, to be taken into the record or not. */
export interface Lesson {
  id: string;
  /** What it says, and how that stands to the record. */
  sentence: string;
  /** It says otherwise than the record: taken only by whoever means it. */
  against: boolean;
  /** The part of the record beside which it can stand; null where it has no such part. */
  about: string | null;
  /** The record with it. */
  taken(release: Release): Release;
}

/** What is known of an item beside its case. */
export type Bought = Pick<ShelfItem, 'provenance' | 'from' | 'place'>;

/** How far genuine items stray while one item only is known: so much of what was measured, and no less than three times what the instrument strays. */
const ASSUMED_SHARE = 0.04;
const ASSUMED_UNCERTAINTIES = 3;

const words = (id: string) => id.replaceAll('-', ' ');

/** A lesson that fills an empty field, or stands against what is there. */
function field<K extends keyof Release>(
  id: K,
  name: string,
  value: Release[K] | undefined,
  release: Release,
  shown: string,
  /** However it is written: the cross-reading finds that it agrees with what the record has. */
  agrees: boolean,
): Lesson[] {
  const held = release[id];
  const empty = held === undefined || held === null || held === '';
  if (value === undefined || (!empty && agrees) || JSON.stringify(held) === JSON.stringify(value)) return [];
  return [
    {
      id: String(id),
      sentence: empty ? `The ${name} is ${shown}.` : `The ${name} is ${shown}; the record has another.`,
      against: !empty,
      about: String(id),
      taken: (next) => ({ ...next, [id]: value }),
    },
  ];
}

/** What the size of goods is called that print none. */
const ONE_SIZE = 'one size';

function sizeLesson({ gtin, sizeKey: printed }: ReadItem, release: Release): Lesson[] {
  const sizeKey = printed ?? (gtin && release.chart === null ? ONE_SIZE : null);
  if (!sizeKey) return [];
  const held = release.sizes.find(({ key }) => key === sizeKey);
  if (held && (!gtin || held.gtin === gtin)) return [];
  return [
    {
      id: 'size',
      sentence: held?.gtin
        ? `Size ${sizeKey} has the barcode number ${gtin}; the record has ${held.gtin}.`
        : gtin
          ? `Size ${sizeKey} has the barcode number ${gtin}.`
          : `Size ${sizeKey} is made; its barcode number was not read.`,
      against: Boolean(held?.gtin),
      about: 'sizes',
      taken: (next) => ({
        ...next,
        sizes: [...next.sizes.filter(({ key }) => key !== sizeKey && key !== ''), { key: sizeKey, gtin: gtin ?? '' }],
      }),
    },
  ];
}

/** Production of one item says when some of them were made, and nothing of how early or late others may be. */
function windowLesson({ madeFrom }: ReadItem, { releaseDate, leadTime }: Release): Lesson[] {
  if (!madeFrom || releaseDate === null) return [];
  const days = daysBetween(madeFrom, releaseDate);
  const minDays = Math.max(0, Math.min(leadTime.minDays, days));
  const maxDays = Math.max(leadTime.maxDays, days);
  if (minDays === leadTime.minDays && maxDays === leadTime.maxDays) return [];
  return [
    {
      id: 'leadTime',
      about: 'leadTime',
      sentence: `Its production began ${formatDay(madeFrom)}, ${days} days before the release; the record allows ${leadTime.minDays} to ${leadTime.maxDays}, and would allow ${minDays} to ${maxDays}.`,
      against: true,
      taken: (next) => ({ ...next, leadTime: { minDays, maxDays } }),
    },
  ];
}

function factoryLesson({ factory, country }: ReadItem, release: Release): Lesson[] {
  if (!factory || !country) return [];
  const held = release.factories.find(({ code }) => code === factory);
  if (held && held.country.toUpperCase() === country.toUpperCase()) return [];
  return [
    {
      id: 'factory',
      sentence: held
        ? `The factory ${factory} is in ${country}; the record has it in ${held.country}.`
        : `The factory ${factory} is in ${country}.`,
      against: held !== undefined,
      about: 'factories',
      taken: (next) => ({
        ...next,
        factories: [...next.factories.filter(({ code }) => code !== factory), { code: factory, country }],
      }),
    },
  ];
}

/** The variants with the one that this item is: that of its factory, or the only one, showing what it shows. */
function withVariant(variants: Variant[], traits: Record<string, string>): Variant[] {
  const { factory } = traits;
  const at = variants.findIndex((each) => factory !== undefined && each.traits.factory?.includes(factory));
  const shown = Object.fromEntries(Object.entries(traits).map(([trait, state]) => [trait, [state]]));
  if (at < 0) {
    const n = freshNumber(
      'variant-',
      variants.map(({ id }) => id),
    );
    const id = (factory ?? `variant-${n}`).toLowerCase().replace(/[^a-z0-9]+/g, '-');
    return [...variants, { id, name: factory ? `Factory ${factory}` : `Variant ${n}`, traits: shown }];
  }
  const old = variants[at] as Variant;
  const wider = Object.fromEntries(
    Object.entries(traits).map(([trait, state]) => [trait, [...new Set([...(old.traits[trait] ?? []), state])]]),
  );
  return variants.with(at, { ...old, traits: { ...old.traits, ...wider } });
}

function variantLesson(traits: Record<string, string>, release: Release): Lesson[] {
  const list = Object.entries(traits);
  const known = release.variants.some((variant) =>
    list.every(([trait, state]) => variant.traits[trait]?.includes(state) ?? false),
  );
  if (list.length === 0 || known) return [];
  return [
    {
      id: 'variant',
      sentence: `One genuine item shows together: ${list.map(([trait, state]) => `${words(trait)} ${state}`).join(', ')}. ${release.variants.length === 0 ? 'It would be the first variant.' : 'No variant of the record does.'}`,
      against: release.variants.length > 0,
      about: 'variants',
      taken: (next) => ({ ...next, variants: withVariant(next.variants, traits) }),
    },
  ];
}

/** A price that is printed on the goods says its currency, and not the market that it was meant for. */
function priceLesson({ price }: ReadItem, { prices = [] }: Release): Lesson[] {
  if (!price || price.amount <= 0) return [];
  const held = prices.filter(({ currency }) => currency === price.currency);
  if (held.some(({ amount }) => amount === price.amount)) return [];
  const other = held.map((each) => `${formatMoney(each)} (${each.market})`).join(', ');
  const market = `${price.currency} shops`;
  return [
    {
      id: 'prices',
      sentence: `The price ${formatMoney(price)} is printed on it${other ? `; the record has ${other}` : ''}.`,
      against: held.length > 0,
      about: 'prices',
      taken: (next) => ({
        ...next,
        prices: [...(next.prices ?? []).filter((each) => each.market !== market), { market, ...price }],
      }),
    },
  ];
}

/** What is measured becomes the record's figure where it has none; how far others stray is assumed, and said to be. */
function figureLessons(findings: Finding[], release: Release, size: number | null, source: string): Lesson[] {
  return findings.flatMap(({ check: { answer, name }, value }): Lesson[] => {
    if (
      !('measure' in answer) ||
      answer.measure === NO_RECORD ||
      value === undefined ||
      release.nominal[answer.measure]
    )
      return [];
    const { measure } = answer;
    const counted = answer.form === 'count';
    const uncertainty = answer.form === 'quantity' ? answer.uncertainty : 0;
    const assumed = Math.max(ASSUMED_SHARE * Math.abs(value), ASSUMED_UNCERTAINTIES * uncertainty);
    const tolerance = counted ? 0.4 : Number(assumed.toPrecision(2));
    const figure: NominalMeasure = {
      value,
      tolerance,
      unit: answer.unit ?? 'mm',
      source: `${source}; how far others stray is assumed`.slice(0, 200),
    };
    const at = size === null ? '' : ` at size ${size}`;
    return [
      {
        id: `nominal.${measure}`,
        sentence: counted
          ? `${name}: ${value} ${figure.unit}.`
          : `${name}: ${value} ${figure.unit}${at}; ± ${tolerance} is assumed until more items show how far genuine ones stray.`,
        against: false,
        about: `nominal.${measure}`,
        taken: (next) => ({ ...next, nominal: { ...next.nominal, [measure]: figure } }),
      },
    ];
  });
}

/** Words that the record has none of. */
function wordingLessons(findings: Finding[]): Lesson[] {
  return findings.flatMap(({ check, noFigure, text }): Lesson[] => {
    if (!noFigure || text === undefined || check.answer.form !== 'text') return [];
    return [
      {
        id: `wording.${check.id}`,
        sentence: `${check.name}: “${text}”.`,
        against: false,
        about: null,
        taken: (next) => ({ ...next, wording: { ...next.wording, [check.id]: [text] } }),
      },
    ];
  });
}

/** The record with one more answer that is right of it; a check that no answer would then differ at is not asked of it. */
function alsoRight(release: Release, check: CheckDefinition, given: string, source: string): Release {
  const { add, off } = release.checks;
  const others = add.filter(({ id }) => id !== check.id);
  if (check.answer.form === 'text')
    return { ...release, wording: { ...release.wording, [check.id]: [...new Set([...genuineAnswers(check), given])] } };
  const wider = takenForGenuine(check, given);
  if (!answersOf(wider).some(({ outcome }) => outcome === 'differs' || outcome === 'missing'))
    return { ...release, checks: { add: others, off: [...new Set([...off, check.id])] } };
  const disagree = [...(check.disagree ?? []), { note: `A genuine item shows “${given}”.`, source }];
  return { ...release, checks: { off, add: [...others, { ...wider, disagree }] } };
}

/**
 * Answers that the kind's check takes for a fault, and that this genuine item gave: its release is otherwise, or its
 * items of that factory are.
 *
 * @param general the checks as they are asked of every item of the release
 */
function expectationLessons(
  findings: Finding[],
  { factory }: ReadItem,
  source: string,
  general: CheckDefinition[],
): Lesson[] {
  return findings.flatMap(({ check: { id, name, trait }, mark, choice, text }): Lesson[] => {
    const given = choice ?? text;
    const check = general.find((each) => each.id === id);
    if (given === undefined || !check || (mark !== 'differs' && mark !== 'missing') || trait) return [];
    const usual = genuineAnswers(check);
    const by = factory ? { trait: 'factory', state: factory, expected: given, genuine: [given] } : null;
    return [
      {
        id: `expects.${id}`,
        sentence: `${name}: it shows “${given}”, where ${usual.length > 0 ? `“${usual.join('” or “')}” is right of others` : 'others do not'}; taken ${factory ? `for items of factory ${factory}` : 'as right too'}.`,
        against: true,
        about: null,
        taken: (next) => {
          const own = next.checks.add.find((each) => each.id === id) ?? check;
          if (!by) return alsoRight(next, own, given, source);
          const expectedBy = (own.expectedBy ?? []).filter(({ state }) => state !== factory);
          const add = [
            ...next.checks.add.filter((each) => each.id !== id),
            { ...own, expectedBy: [...expectedBy, by] },
          ];
          return { ...next, checks: { ...next.checks, add } };
        },
      },
    ];
  });
}

/** What a genuine item teaches of its release, and the item as it would stand on the shelf. */
export interface Learned {
  lessons: Lesson[];
  /** What it says besides, that no record can hold yet. */
  notes: string[];
  /** What of it does not agree even with a record that took all of this, as sentences. */
  leftOver: string[];
  item: ShelfItem;
}

/** The traits that an item shows, by what is printed and by what was answered. */
function traitsOf(reading: CrossReading, findings: Finding[], read: ReadItem): Record<string, string> {
  const printed = reading.traits.filter(({ uncertain }) => !uncertain).map(({ trait, state }) => [trait, state]);
  const answered = findings.flatMap(({ check: { trait }, choice }) => (trait && choice ? [[trait, choice]] : []));
  return {
    ...Object.fromEntries([...printed, ...answered]),
    ...(read.factory ? { factory: read.factory } : {}),
    ...(read.country ? { country: read.country } : {}),
  };
}

/** What of an item does not agree even with a record that has learned all of it. */
function leftOver(file: CaseFile, records: Records): string[] {
  const context = contextOf(file, records);
  const reading = crossread(context);
  return condense(reading, gatherFindings(file, context, reading), context).map(({ sentence }) => sentence);
}

/**
 * What an item that is known to be genuine says of its release: facts that were read become what is expected, the
 * lead time widens to include it, measures and answers become those of an exemplar, and what it shows together a variant.
 *
 * @param file its case
 * @param records what it is held against; `release` is the record that would learn, or a blank one
 * @param bought how it is known to be genuine
 */
export function learnItem(file: CaseFile, records: Records & { release: Release }, bought: Bought): Learned {
  const { release, chart } = records;
  const context = contextOf(file, records);
  const reading = crossread(context);
  const findings = gatherFindings(file, context, reading);
  const read = readItem(file, reading, chart);
  const size = leadingSize({ chart, sizeKey: file.sizeKey ?? read.sizeKey });
  const source = `${file.number}, ${bought.from}`;
  const traits = traitsOf(reading, findings, read);
  const shown = findings.filter(({ mark }) => mark !== 'excused' && mark !== 'open');
  const general = checksFor(records.kind, release);
  const known = new Set(general.map(({ id }) => id));
  const item: ShelfItem = {
    id: file.number.toLowerCase(),
    ...bought,
    on: file.opened.at.slice(0, 10),
    sizeKey: file.sizeKey ?? read.sizeKey,
    size,
    side: records.kind.places.some(({ hand }) => hand) ? 'pair' : 'whole',
    condition: file.circumstances.condition,
    ...(read.madeFrom ? { madeFrom: read.madeFrom } : {}),
    ...(read.madeUntil ? { madeUntil: read.madeUntil } : {}),
    ...(Object.keys(traits).length > 0 ? { traits } : {}),
    values: Object.fromEntries(
      findings.flatMap(({ check: { answer }, value }) =>
        'measure' in answer && value !== undefined ? [[answer.measure, value]] : [],
      ),
    ),
    answers: Object.fromEntries(
      shown.flatMap(({ check, choice, text }) => {
        const given = choice ?? text;
        return given !== undefined && known.has(check.id) ? [[check.id, given]] : [];
      }),
    ),
    pictures: [...new Set(file.photos.map(({ sha256 }) => sha256))],
    ...picturedBy(file.photos),
    case: file.number,
  };
  const agrees = (fact: string): boolean => agreed(reading, fact)?.mark === 'agrees';
  const lessons = [
    ...field('name', 'model', read.model, release, read.model ?? '', agrees('model')),
    ...field('colourName', 'colour', read.colour, release, read.colour ?? '', agrees('colourName')),
    ...field('styleCode', 'style code', read.styleCode, release, read.styleCode ?? '', agrees('styleCode')),
    ...sizeLesson(read, release),
    ...windowLesson(read, release),
    ...factoryLesson(read, release),
    ...variantLesson(traits, release),
    ...field('dimensions', 'box code', read.dimensions, release, read.dimensionsShown ?? '', agrees('dimensions')),
    ...field('materials', 'material', read.materials, release, read.materials ?? '', agrees('materials')),
    ...priceLesson(read, release),
    ...figureLessons(findings, release, size, source),
    ...wordingLessons(findings),
    ...expectationLessons(findings, read, source, general),
  ];
  const notes =
    read.madeFrom && release.releaseDate === null
      ? [`Its production began ${formatDay(read.madeFrom)}; without a release date nothing is held against that.`]
      : [];
  const learned = lessons.reduce((next, each) => each.taken(next), release);
  return { lessons, notes, leftOver: leftOver(file, { ...records, release: learned }), item };
}

/** What becomes of a lesson: part of the record, or a statement beside it. */
export type Taking = 'take' | 'beside';

/** The record with the lessons that were chosen, and the item on its shelf. */
export function takeLessons(release: Release, { lessons, item }: Learned, chosen: Record<string, Taking>): Release {
  const taught = lessons.filter(({ id }) => chosen[id] === 'take').reduce((next, each) => each.taken(next), release);
  const beside = lessons.flatMap((lesson): Statement[] => {
    const { id, about } = lesson;
    if (chosen[id] !== 'beside' || about === null) return [];
    const says = partOf(lesson.taken(release), about);
    return [{ about, source: `${item.case}, ${item.from}`, on: item.on, support: 'one source', says }];
  });
  return {
    ...taught,
    shelf: [...(taught.shelf ?? []).filter(({ id }) => id !== item.id), item],
    ...(beside.length > 0 ? { statements: [...(taught.statements ?? []), ...beside] } : {}),
  };
}
