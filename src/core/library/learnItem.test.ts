import { describe, expect, it } from 'vitest';
import { caseWith, chose, GROUNDS } from '@/demo/testing/bench';
import type { CaseFile, FactEntry } from '../casefile/caseFile';
import type { CheckDefinition } from '../checks/check';
import { checkKind } from '../checks/checkKind';
import { checksFor, gatherFindings } from '../checks/findings';
import { contextOf } from '../crossread/context';
import { crossread } from '../crossread/crossread';
import { formatProblem } from '../formats/validate';
import { assess } from '../judgement/assess';
import type { Release } from '../releases/release';
import { contradictions } from '../releases/statement';
import { learnItem, takeLessons } from './learnItem';

const STAMP = { at: '2026-01-01T00:00:00Z', by: 'anyone' };
const read = (place: string, fact: string, raw: string): FactEntry => ({
  ...STAMP,
  place,
  fact,
  state: 'read',
  raw,
  via: 'typed',
});

const LABELS: Record<string, Record<string, string>> = {
  boxLabel: {
    gtin: '9521204990009',
    styleCode: 'VK7001-204',
    model: 'FENNEL COURT',
    colourName: 'SAND / RUST',
    'size.eu': '42',
    country: 'MADE IN ESTRAVA',
  },
  innerLabel: {
    styleCode: 'VK7001-204',
    productionWindow: '2025-04-02 - 2025-05-20',
    factoryCode: 'QE2',
    country: 'ESTRAVA',
  },
};

function withFacts(file: CaseFile, facts: Record<string, Record<string, string>>): CaseFile {
  const entries = Object.entries(facts).map(([place, printed]) => [
    place,
    Object.fromEntries(Object.entries(printed).map(([fact, raw]) => [fact, read(place, fact, raw)])),
  ]);
  return { ...file, facts: Object.fromEntries(entries) };
}

const BLANK: Release = {
  ...(GROUNDS.release as Release),
  id: 'fennel',
  name: '',
  styleCode: '',
  colourName: '',
  releaseDate: null,
  sizes: [],
  factories: [],
  nominal: {},
  wording: undefined,
  variants: [],
  traits: undefined,
  checks: { add: [], off: [] },
  source: '',
  incomplete: true,
};
const BOUGHT = { provenance: 'shop' as const, from: 'Pier Arcade, receipt', place: 'shelf A, 1' };
const measured = { ...chose('cantTell'), value: 32.1 };
const typed = { ...chose('cantTell'), text: 'Rest them a day' };

const takeAll = (release: Release, learned: ReturnType<typeof learnItem>) =>
  takeLessons(release, learned, Object.fromEntries(learned.lessons.map(({ id }) => [id, 'take' as const])));

describe('an item that is known to be genuine', () => {
  it('teaches nothing of a name that is only written otherwise', () => {
    const known = { ...BLANK, name: 'Fennel court', colourName: 'Rust and sand', styleCode: 'VK7001-204' };
    const names = (labels: Record<string, string>) =>
      learnItem(withFacts(caseWith({}), { boxLabel: labels }), { ...GROUNDS, release: known }, BOUGHT)
        .lessons.map(({ id }) => id)
        .filter((id) => ['name', 'colourName', 'styleCode'].includes(id));
    expect(names({ model: 'FENNEL CRT', colourName: 'SAND/RUST', styleCode: 'VK7001 204' })).toEqual([]);
    expect(names({ model: 'FENNEL RUNNER', colourName: 'SAND / MOSS', styleCode: 'VK7001-205' })).toEqual([
      'name',
      'colourName',
      'styleCode',
    ]);
  });
  it('teaches its size by a chart that was chosen after its sizes were read as one text', () => {
    const printed = { boxLabel: { gtin: '9521204990009', size: 'US 8.5 UK 8 EU 42' } };
    const one = withFacts({ ...caseWith({}), sizeKey: null, release: null }, printed);
    const lesson = learnItem(one, { ...GROUNDS, release: BLANK }, BOUGHT).lessons.find(({ id }) => id === 'size');
    expect(lesson?.taken(BLANK).sizes).toEqual([{ key: '42', gtin: '9521204990009' }]);
  });
  it('teaches a size whose number nobody read, and later its number', () => {
    const sizes = (labels: Record<string, string>, held: Release['sizes']) => {
      const release = { ...BLANK, sizes: held };
      const one = withFacts({ ...caseWith({}), sizeKey: null, release: null }, { boxLabel: labels });
      const lesson = learnItem(one, { ...GROUNDS, release }, BOUGHT).lessons.find(({ id }) => id === 'size');
      return lesson && { against: lesson.against, sizes: lesson.taken(release).sizes };
    };
    const numberless = [{ key: '42', gtin: '' }];
    const numbered = [{ key: '42', gtin: '9521204990009' }];
    expect(sizes({ 'size.eu': '42' }, [])).toEqual({ against: false, sizes: numberless });
    expect(sizes({ 'size.eu': '42', gtin: '9521204990009' }, numberless)).toEqual({ against: false, sizes: numbered });
    expect(sizes({ 'size.eu': '42' }, numbered)).toBeUndefined();
    expect(sizes({}, [])).toBeUndefined();
  });
  const file = withFacts(
    { ...caseWith({ 'outside.emblem': measured, 'extras.insert-words': typed }), sizeKey: null, release: null },
    LABELS,
  );
  const records = { ...GROUNDS, release: BLANK };
  const learned = learnItem(file, records, BOUGHT);
  const made = { ...takeAll(BLANK, learned), source: 'one pair' };

  it('teaches the price that is printed on it, and stands against another of that currency', () => {
    const lessonOf = (price: string, prices: Release['prices']) => {
      const file = withFacts(caseWith({}), { boxLabel: { price } });
      const release = { ...BLANK, prices };
      const lesson = learnItem(file, { ...GROUNDS, release }, BOUGHT).lessons.find(({ id }) => id === 'prices');
      return lesson && { against: lesson.against, prices: lesson.taken(release).prices };
    };
    const known = [{ market: 'Estrava', amount: 115, currency: 'GBP' }];
    const taught = { market: 'GBP shops', amount: 110, currency: 'GBP' };
    expect(lessonOf('£110.00', undefined)).toEqual({ against: false, prices: [taught] });
    expect(lessonOf('£110.00', [{ ...taught, currency: 'EUR', market: 'Harbour' }])).toMatchObject({ against: false });
    expect(lessonOf('£110.00', known)).toEqual({ against: true, prices: [...known, taught] });
    expect(lessonOf('GBP 115', known)).toBeUndefined();
    expect(lessonOf('£0.00', undefined)).toBeUndefined();
    expect(lessonOf('cheap', undefined)).toBeUndefined();
  });

  it('becomes a record that can be kept', () => {
    expect(formatProblem('release', made)).toBeNull();
    expect(made).toMatchObject({
      name: 'Fennel Court',
      colourName: 'Sand / Rust',
      styleCode: 'VK7001-204',
      wording: { 'extras.insert-words': ['Rest them a day'] },
      sizes: [{ key: '42', gtin: '9521204990009' }],
      factories: [{ code: 'QE2', country: 'Estrava' }],
    });
    expect(made.variants).toEqual([
      { id: 'qe2', name: 'Factory QE2', traits: { factory: ['QE2'], country: ['Estrava'] } },
    ]);
    expect(made.shelf).toMatchObject([
      { from: BOUGHT.from, sizeKey: '42', size: 42, values: { 'emblem-height': 32.1 } },
    ]);
  });

  it('gives a figure whose width is assumed, and says so', () => {
    expect(made.nominal['emblem-height']).toMatchObject({ value: 32.1, tolerance: 1.3, unit: 'mm' });
    expect(made.nominal['emblem-height']?.source).toContain('assumed');
  });

  it('agrees with the record that was made of it', () => {
    const own = { ...file, sizeKey: '42', release: { id: 'fennel', revision: 1, hash: '0'.repeat(64) } };
    const { findings } = assess(own, { ...GROUNDS, release: made }, { draws: 20 });
    expect(findings.filter(({ mark }) => mark === 'differs').map(({ check }) => check.id)).toEqual([]);
    expect(findings.find(({ check }) => check.id === 'outside.emblem')?.mark).toBe('agrees');
  });

  it('makes no fault of another genuine item of another factory', () => {
    const other = withFacts(
      { ...caseWith({}), sizeKey: '42' },
      {
        ...LABELS,
        boxLabel: { ...LABELS.boxLabel, country: 'QUILLON' },
        innerLabel: { ...LABELS.innerLabel, factoryCode: 'VT4', country: 'QUILLON' },
      },
    );
    const context = contextOf(other, { ...GROUNDS, release: made });
    expect(crossread(context).problems).toEqual([]);
    const { findings, chain } = assess(other, { ...GROUNDS, release: made }, { draws: 20 });
    expect(findings.filter(({ mark }) => mark === 'differs')).toEqual([]);
    expect(chain.says).toBe('open');
    // Once somebody says that the record knows all, it is one.
    const sure = assess(other, { ...GROUNDS, release: { ...made, incomplete: undefined } }, { draws: 20 });
    expect(sure.chain.says).toBe('broken');
  });

  it('says what no record explains, and nothing where all agrees', () => {
    expect(learned.leftOver).toEqual([]);
    const slip = withFacts(file, {
      ...LABELS,
      innerLabel: { ...LABELS.innerLabel, 'size.eu': '42', 'size.cm': '29' },
    } as typeof LABELS);
    expect(learnItem(slip, records, BOUGHT).leftOver.join(' ')).toMatch(/cm.*29/);
  });
  it('leaves out what its places disagree about', () => {
    const torn = withFacts(file, { ...LABELS, innerLabel: { styleCode: 'VK7001-205' } });
    expect(learnItem(torn, records, BOUGHT).lessons.map(({ id }) => id)).not.toContain('styleCode');
  });
});

describe('an item that says otherwise than the record', () => {
  const release: Release = { ...(GROUNDS.release as Release), styleCode: 'VK7001-204', name: 'Fennel Court' };
  const file = withFacts(caseWith({}), {
    ...LABELS,
    innerLabel: {
      ...LABELS.innerLabel,
      factoryCode: 'VM7',
      country: 'QUILLON',
      productionWindow: '2024-01-10',
    },
    boxLabel: { ...LABELS.boxLabel, country: 'QUILLON' },
  });
  const learned = learnItem(file, { ...GROUNDS, release }, BOUGHT);
  const against = learned.lessons.filter((lesson) => lesson.against);

  it('takes nothing over by itself', () => {
    expect(against.map(({ id }) => id)).toEqual(expect.arrayContaining(['size', 'leadTime', 'factory', 'variant']));
    const kept = takeLessons(release, learned, {});
    expect({ ...kept, shelf: undefined }).toEqual({ ...release, shelf: undefined });
    expect(kept.shelf).toHaveLength(1);
  });

  it('stands beside the record until somebody decides', () => {
    const beside = takeLessons(release, learned, { factory: 'beside', leadTime: 'beside' });
    expect(beside.factories).toEqual(release.factories);
    expect(contradictions(beside).map(({ about }) => about)).toEqual(['leadTime', 'factories']);
    expect(formatProblem('release', beside)).toBeNull();
  });

  it('widens the lead time no further than to itself', () => {
    const wider = takeLessons(release, learned, { leadTime: 'take' });
    expect(wider.leadTime).toEqual({ minDays: release.leadTime.minDays, maxDays: 429 });
  });
});

describe('a genuine item that shows what others do not', () => {
  const release = GROUNDS.release as Release;
  const words = { ...chose('differs'), text: 'Rest them a day' };
  const many = GROUNDS.kind.checks.find(
    ({ answer, trait }) =>
      answer.form === 'choice' && !trait && answer.choices.filter(({ outcome }) => outcome === 'differs').length > 1,
  ) as CheckDefinition;
  const two = GROUNDS.kind.checks.find(
    ({ answer, trait }) => answer.form === 'choice' && !trait && answer.choices.length === 2,
  ) as CheckDefinition;
  const wrong = ({ answer }: CheckDefinition) =>
    answer.form === 'choice' ? (answer.choices.find(({ outcome }) => outcome === 'differs')?.label ?? '') : '';
  const shows = {
    [many.id]: { ...chose('differs'), choice: wrong(many) },
    [two.id]: { ...chose('differs'), choice: wrong(two) },
    'extras.insert-words': words,
  };
  const file = caseWith(shows);
  const learned = learnItem(file, { ...GROUNDS, release }, BOUGHT);
  const taught = takeAll(release, learned);

  it('teaches its release that this is right too, of whatever factory', () => {
    const marks = gatherFindings(
      file,
      contextOf(file, { ...GROUNDS, release: taught }),
      crossread(contextOf(file, GROUNDS)),
    );
    const markOf = (id: string) => marks.find(({ check }) => check.id === id)?.mark;
    expect([markOf(many.id), markOf('extras.insert-words')]).toEqual(['agrees', 'agrees']);
    expect(taught.wording?.['extras.insert-words']).toContain('Let them rest a day between walks');
  });
  it('puts a check aside at which nothing would differ any more, and leaves a record that can be kept', () => {
    expect(taught.checks.off).toContain(two.id);
    expect(checkKind({ ...GROUNDS.kind, checks: checksFor(GROUNDS.kind, taught) })).toEqual([]);
    expect(formatProblem('release', taught)).toBeNull();
  });
});
