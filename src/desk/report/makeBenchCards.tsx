import { renderToBuffer } from '@react-pdf/renderer';
import { BenchCardsDocument } from './BenchCardsDocument';
import { registerFonts } from './fonts';
import type { PaperSize } from './ReportDocument';

/** The bench cards as a PDF, vectors in true size. */
export async function makeBenchCards(paper: PaperSize): Promise<Uint8Array> {
  registerFonts();
  return renderToBuffer(<BenchCardsDocument paper={paper} />);
}
