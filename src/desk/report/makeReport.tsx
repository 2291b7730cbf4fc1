import { renderToBuffer } from '@react-pdf/renderer';
import sharp from 'sharp';
import { fold } from '@/core/casefile/fold';
import { assess } from '@/core/judgement/assess';
import { groundsOf } from '@/core/judgement/grounds';
import { readPhotograph } from '@/store/photographs';
import { readCaseFolder } from '../caseFolder';
import type { Desk } from '../desk';
import { checkersAtBench } from '../roster';
import { registerFonts } from './fonts';
import { type PaperSize, type PrintedPhoto, ReportDocument } from './ReportDocument';

const PRINT_WIDTH = 900;

/**
 * A case's verdict as a PDF: sentences and scales, the working, every finding, the matrix, photographs; marks and
 * bars as vectors, fonts embedded.
 *
 * @throws Refusal where there is no such case
 */
export async function makeReport(desk: Desk, number: string, paper: PaperSize): Promise<Uint8Array> {
  registerFonts();
  const { id, events, grounds: revisions } = await readCaseFolder(desk, number);
  const file = fold(id, events);
  const grounds = groundsOf(revisions);
  const checkers = await checkersAtBench(desk);
  const photos = await Promise.all(
    file.photos.map(async ({ sha256, name, check }): Promise<PrintedPhoto> => {
      const bytes = await readPhotograph(desk.store, sha256);
      const jpeg = await sharp(bytes)
        .rotate()
        .resize({ width: PRINT_WIDTH, withoutEnlargement: true })
        .jpeg()
        .toBuffer();
      const what = grounds.kind.checks.find((each) => each.id === check)?.name;
      return { jpeg, caption: `${what ? `${what}: ` : ''}${name} (${sha256.slice(0, 12)}…)` };
    }),
  );
  return renderToBuffer(
    <ReportDocument
      file={file}
      grounds={grounds}
      assessment={assess(file, grounds)}
      photos={photos}
      nameOf={(checker) => checkers.find((each) => each.id === checker)?.name ?? checker}
      paper={paper}
      madeAt={desk.now()}
    />,
  );
}
