import { renderToBuffer } from '@react-pdf/renderer';
import sharp from 'sharp';
import { fold } from '@/core/casefile/fold';
import { contextOf } from '@/core/crossread/context';
import { dateMarks } from '@/core/crossread/dateLine';
import { assess } from '@/core/judgement/assess';
import { groundsOf } from '@/core/judgement/grounds';
import { UNNAMED_HOUSE } from '@/core/judgement/houseRules';
import { vouchingSentence } from '@/core/trust/vouching';
import { wholePhotograph } from '@/store/photographs';
import { readCaseFolder } from '../caseFolder';
import type { Desk } from '../desk';
import { readHouseRules } from '../houseRules';
import { everybody } from '../people/roster';
import { photograph } from '../photographs';
import { drawMeasured, measuredOn } from './drawMeasured';
import { registerFonts } from './fonts';
import { type PaperSize, type PrintedPhoto, ReportDocument, SlipDocument } from './ReportDocument';

const PRINT_WIDTH = 900;

/** The house's mark as a small PNG; a report never fails because of it. */
async function logoFor(desk: Desk, sha256: string): Promise<Buffer | null> {
  try {
    const { bytes } = await photograph(desk, sha256);
    return await sharp(bytes).resize({ height: 160, withoutEnlargement: true }).png().toBuffer();
  } catch {
    return null;
  }
}

/** A photograph as it is printed; null where it is missing, changed or damaged, since one picture stops no report. */
async function printable(desk: Desk, sha256: string): Promise<Buffer | null> {
  try {
    const { path } = await wholePhotograph(desk.store, sha256);
    return await sharp(path).rotate().resize({ width: PRINT_WIDTH, withoutEnlargement: true }).jpeg().toBuffer();
  } catch {
    return null;
  }
}

/**
 * A case's verdict as a PDF: sentences and scales, the working, every finding, the matrix, photographs; marks and
 * bars as vectors, fonts embedded.
 *
 * @param as a slip is one small page to lie with the item
 *
 * @throws Refusal where there is no such case
 */
export async function makeReport(
  desk: Desk,
  number: string,
  paper: PaperSize,
  as: 'report' | 'slip' = 'report',
): Promise<Uint8Array> {
  registerFonts();
  const { id, events, grounds: revisions, trouble, vouching } = await readCaseFolder(desk, number);
  const file = fold(id, events);
  const grounds = groundsOf(revisions);
  const checkers = await everybody(desk);
  const measured = measuredOn(file);
  const photos: PrintedPhoto[] = [];
  // One by one: a picture of 100 megapixels takes memory while it is made small.
  for (const { sha256, name, check } of file.photos) {
    const plain = await printable(desk, sha256);
    const measures = measured.get(sha256);
    const jpeg = plain && measures ? await drawMeasured(plain, measures) : plain;
    const what = grounds.kind.checks.find((each) => each.id === check)?.name;
    photos.push({ jpeg, check, caption: `${what ? `${what}: ` : ''}${name} (${sha256.slice(0, 12)}…)` });
  }
  const sealed = vouching.findLast(({ type }) => type === 'verdictSealed');
  const { rules } = await readHouseRules(desk);
  const house = rules.house ?? UNNAMED_HOUSE;
  const assessment = assess(file, grounds);
  const context = contextOf(file, grounds);
  const content = {
    house,
    logo: house.logo ? await logoFor(desk, house.logo) : null,
    file,
    grounds,
    assessment,
    trouble,
    vouched: sealed && file.seal ? vouchingSentence(sealed) : null,
    photos,
    marks: dateMarks(assessment.reading, context, context.today),
    nameOf: (checker: string) => checkers.find((each) => each.id === checker)?.name ?? checker,
    paper,
    madeAt: desk.now(),
  };
  return renderToBuffer(as === 'slip' ? <SlipDocument {...content} /> : <ReportDocument {...content} />);
}
