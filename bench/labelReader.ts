import type { ReadingContext } from '@/core/crossread/context';
import { readFact } from '@/core/crossread/readFact';
import { factsIn } from '@/core/labels/factsIn';
import { lookAt } from '@/core/labels/seenLabel';
import { anyItem } from '@/demo/specimens/anyItem';
import { SPECIMEN_KINDS } from '@/demo/specimens/kinds';
import { photograph } from '@/demo/specimens/photograph';
import { handheldShot, SHOT_FAULTS } from '@/demo/specimens/shot';
import { makeSpecimen, seeded } from '@/demo/specimens/specimenKind';
import { nodeEyes, pixelsOf } from '@/demo/testing/nodeEyes';
import { bar } from './bar';

/** Specimens of a kind of label; `PINPRICK_SPECIMENS` takes another number for a quick look. */
const SPECIMENS = Number(process.env.PINPRICK_SPECIMENS ?? 300);
const PRINTED = [
  'box-label',
  'inner-label',
  'hang-tag',
  'size-sticker',
  'box-print',
  'bottle-base-printed',
  'tax-strip',
];
const CUT = ['bottle-base-engraved', 'figure-foot'];
/** Pictures of which everything is expected; the other faults are counted, and shown, apart. */
const READABLE = ['none', 'turned', 'upside-down', 'tilted', 'bent', 'soft', 'uneven', 'warm', 'packed'];
const MEASURED = ['styleCode', 'productionWindow', 'batchCode'];
const TODAY = '2026-11-24';

interface Tally {
  pictures: number;
  refused: number;
  codes: number;
  decoded: number;
  wrongCodes: number;
  /** Codes of two pixels a module, blurred by half of one at most. */
  fineCodes: number;
  fineDecoded: number;
  facts: number;
  right: number;
  sure: number;
  sureWrong: number;
  ms: number;
}

const none = (): Tally => ({
  pictures: 0,
  refused: 0,
  codes: 0,
  decoded: 0,
  wrongCodes: 0,
  fineCodes: 0,
  fineDecoded: 0,
  facts: 0,
  right: 0,
  sure: 0,
  sureWrong: 0,
  ms: 0,
});

const add = (into: Tally, one: Tally): void => {
  for (const key of Object.keys(into) as (keyof Tally)[]) into[key] += one[key];
};

const share = (part: number, whole: number): number => (whole === 0 ? Number.NaN : (100 * part) / whole);
const percent = (part: number, whole: number): string =>
  (whole === 0 ? '–' : share(part, whole).toFixed(1)).padStart(6);

function row(
  name: string,
  { pictures, refused, codes, decoded, wrongCodes, facts, right, sure, sureWrong, ms }: Tally,
): void {
  console.log(
    `${name.padEnd(24)} ${String(pictures).padStart(5)} ${percent(refused, pictures)} ${percent(decoded, codes)} ${String(wrongCodes).padStart(5)} ${percent(right, facts)} ${percent(sure, facts)} ${percent(sureWrong, sure)} ${(ms / Math.max(1, pictures)).toFixed(0).padStart(6)}`,
  );
}

/** Every third item has no record yet: nothing is expected of it. */
const hasRecord = (i: number): boolean => i % 3 !== 2;

/** Read one picture, and hold what came out against what was printed. */
async function readOne(
  eyes: Awaited<ReturnType<typeof nodeEyes>>,
  kindId: string,
  faultId: string,
  seed: number,
  known: boolean,
): Promise<Tally> {
  const tally = { ...none(), pictures: 1 };
  const kind = SPECIMEN_KINDS.find(({ id }) => id === kindId) ?? SPECIMEN_KINDS[0];
  if (!kind?.place) return tally;
  const random = seeded(seed / 1_000_003);
  const { item, kind: goods, maker, printed } = anyItem(kind.place, random);
  const specimen = makeSpecimen(kind, { maker, printed, seed });
  const held = handheldShot(random);
  const shot = SHOT_FAULTS.find(({ id }) => id === faultId)?.alter(held) ?? held;
  const { bytes } = await photograph(specimen, shot, seed);
  const picture = await pixelsOf(bytes);
  const context: ReadingContext = {
    ...item,
    kind: goods,
    release: known ? item.release : null,
    facts: {},
    sizeKey: item.size,
    today: TODAY,
    met: {},
  };
  const began = performance.now();
  const look = await lookAt(picture, eyes);
  const read = look.labels.flatMap((label) => factsIn(label, kind.place as string, context).facts);
  tally.ms = performance.now() - began;
  tally.refused = look.problem ? 1 : 0;
  const { codes, facts } = specimen.truth;
  tally.codes = codes.length;
  const symbols = look.labels.flatMap((label) => label.symbols);
  tally.decoded = codes.filter(({ text }) => symbols.some((symbol) => symbol.text === text)).length;
  const perMm = shot.fill * Math.min(shot.width / specimen.width, shot.height / specimen.height);
  const fine = codes.filter(({ module }) => module * perMm >= 2 && shot.blur <= (module * perMm) / 2);
  tally.fineCodes = fine.length;
  tally.fineDecoded = fine.filter(({ text }) => symbols.some((symbol) => symbol.text === text)).length;
  tally.wrongCodes = symbols.filter((symbol) => !codes.some(({ text }) => text === symbol.text)).length;
  const normal = (fact: string, raw: string) => readFact(fact, raw, context, kind.place).reading?.normal ?? raw;
  for (const { fact, text } of facts.filter(
    (each) => MEASURED.includes(each.fact) || each.fact.startsWith('size.') || CUT.includes(kindId),
  )) {
    tally.facts += 1;
    const found = read.find((each) => each.fact === fact);
    const right = found !== undefined && normal(fact, found.raw) === normal(fact, text);
    if (right) tally.right += 1;
    if (found?.trust === 'sure') tally.sure += 1;
    if (found?.trust === 'sure' && !right) tally.sureWrong += 1;
  }
  return tally;
}

/** Kinds of labels that carry a number in bars. */
const BARRED = ['box-label', 'hang-tag', 'size-sticker'];

/** Bars blurred by a whole module, held against the numbers of the release; every second label is another product's. */
async function heldBars(
  eyes: Awaited<ReturnType<typeof nodeEyes>>,
): Promise<{ own: number; right: number; wrong: number }> {
  const tally = { own: 0, right: 0, wrong: 0 };
  for (const kindId of BARRED) {
    for (let i = 0; i < SPECIMENS / 4; i++) {
      const seed = 820_001 + 37 * i;
      const kind = SPECIMEN_KINDS.find(({ id }) => id === kindId);
      if (!kind?.place) continue;
      const random = seeded(seed / 1_000_003);
      const { item, kind: goods, maker, printed } = anyItem(kind.place, random);
      const specimen = makeSpecimen(kind, { maker, printed, seed });
      const [code] = specimen.truth.codes.filter(({ text }) => /^\d{12,13}$/.test(text));
      if (!code) continue;
      const shot = handheldShot(random);
      const module = code.module * shot.fill * Math.min(shot.width / specimen.width, shot.height / specimen.height);
      const { bytes } = await photograph(specimen, { ...shot, blur: module }, seed);
      const own = i % 2 === 0;
      const sizes = item.release?.sizes.filter(({ gtin }) => own || gtin !== code.text) ?? [];
      const release = item.release && { ...item.release, sizes };
      const context: ReadingContext = {
        ...item,
        kind: goods,
        release,
        facts: {},
        sizeKey: item.size,
        today: TODAY,
        met: {},
      };
      const look = await lookAt(await pixelsOf(bytes), eyes);
      const numbers = look.labels.flatMap((label) =>
        factsIn(label, kind.place as string, context).facts.filter(({ fact }) => fact === 'gtin'),
      );
      if (own) tally.own++;
      if (own && numbers.some(({ raw }) => raw === code.text)) tally.right++;
      if (numbers.some(({ raw, trust }) => raw !== code.text && trust !== 'doubtful')) tally.wrong++;
    }
  }
  return tally;
}

/** Pictures of twelve megapixels: until the codes are known, and until all is read, the longest of them, in s. */
async function largePictures(eyes: Awaited<ReturnType<typeof nodeEyes>>): Promise<{ codes: number; text: number }> {
  const longest = { codes: 0, text: 0 };
  for (const [i, kindId] of ['box-label', 'inner-label', 'hang-tag', 'bottle-base-printed'].entries()) {
    const kind = SPECIMEN_KINDS.find(({ id }) => id === kindId);
    if (!kind?.place) continue;
    const random = seeded(0.7 + i / 17);
    const { maker, printed } = anyItem(kind.place, random);
    const shot = { ...handheldShot(random), width: 4000, height: 3000 };
    const { bytes } = await photograph(makeSpecimen(kind, { maker, printed, seed: 830_001 + i }), shot, 830_001 + i);
    const picture = await pixelsOf(bytes);
    const began = performance.now();
    let codes = Number.NaN;
    const passed = () => (performance.now() - began) / 1000;
    await lookAt(picture, eyes, (step) => {
      if (step === 'text' && Number.isNaN(codes)) codes = passed();
    });
    longest.text = Math.max(longest.text, passed());
    longest.codes = Math.max(longest.codes, codes);
  }
  return longest;
}

/** Labels read from pictures: by kind of label and by fault of the photograph, on seeds of their own. */
export async function benchLabelReader(): Promise<void> {
  const eyes = await nodeEyes();
  const faults = ['none', ...SHOT_FAULTS.map(({ id }) => id)];
  const byKind = new Map<string, Tally>();
  const byFault = new Map<string, Tally>();
  const readable = { printed: none(), noRecord: none(), cut: none() };
  const into = (map: Map<string, Tally>, key: string, one: Tally) => {
    const tally = map.get(key) ?? none();
    add(tally, one);
    map.set(key, tally);
  };
  console.log(`\n${'Labels from pictures'.padEnd(24)} pict. refused  codes wrong  right   sure  wrong     ms`);
  for (const [k, kind] of [...PRINTED, ...CUT].entries()) {
    for (let i = 0; i < SPECIMENS; i++) {
      // Each kind begins with another fault, so that a short run meets all of them too.
      const fault = faults[(i + 5 * k) % faults.length] as string;
      const one = await readOne(eyes, kind, fault, 700_001 + 31 * i, hasRecord(i));
      into(byKind, kind, one);
      into(byFault, fault, one);
      if (!READABLE.includes(fault)) continue;
      add(CUT.includes(kind) ? readable.cut : hasRecord(i) ? readable.printed : readable.noRecord, one);
    }
    row(kind, byKind.get(kind) ?? none());
  }
  const held = await heldBars(eyes);
  const large = await largePictures(eyes);
  await eyes.close();
  console.log('');
  for (const [fault, tally] of byFault) row(fault, tally);
  console.log('');
  const { printed, noRecord, cut } = readable;
  bar(
    'barcodes of readable pictures decoded',
    share(printed.fineDecoded + noRecord.fineDecoded, printed.fineCodes + noRecord.fineCodes),
    99,
    'at least',
    '%',
  );
  bar('wrong numbers among them', printed.wrongCodes + noRecord.wrongCodes, 0, 'at most');
  bar('bars blurred by a module told by the record', share(held.right, held.own), 90, 'at least', '%');
  bar('wrong numbers among them', held.wrong, 0, 'at most');
  bar(
    'facts right where shown as sure',
    100 - share(printed.sureWrong + noRecord.sureWrong, printed.sure + noRecord.sure),
    99.5,
    'at least',
    '%',
  );
  bar('style code, size, window, batch code right', share(printed.right, printed.facts), 95, 'at least', '%');
  bar('the same of items without a record', share(noRecord.right, noRecord.facts), 95, 'at least', '%');
  bar('engraved and moulded codes right', share(cut.right, cut.facts), 85, 'at least', '%');
  bar('12 megapixels, until the codes are known, the longest', large.codes, 4, 'at most', 's');
  bar('12 megapixels, until all is read, the longest', large.text, 10, 'at most', 's');
}
