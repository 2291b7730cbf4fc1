import { type Block, PSM, type WorkerParams } from 'tesseract.js';
import type { readBarcodes } from 'zxing-wasm/reader';
import type { Grey, Picture } from '@/core/imaging/grey';
import type { Eyes, FlatWord, Sheet } from '@/core/labels/eyes';

/** Brightness as a picture of three colours, which the decoder takes. */
function asPicture(given: Picture | Grey): Picture {
  const { width, height, data } = given;
  if (data.length === width * height * 4) return given;
  const rgba = new Uint32Array(width * height);
  for (let i = 0; i < data.length; i++) rgba[i] = 0xff000000 | ((data[i] as number) * 0x010101);
  return { width, height, data: new Uint8ClampedArray(rgba.buffer) };
}

/** What stands on goods; others are taken for it where there is only a pattern. */
const FORMATS = [
  'EAN13',
  'EAN8',
  'UPCA',
  'UPCE',
  'ITF14',
  'Code128',
  'DataMatrix',
  'QRCode',
  'DataBarOmni',
  'DataBarExp',
] as const;

/** So many lines across the bars have to say the same: with fewer, one label in some dozens comes out as another number. */
const LEAST_LINES = 6;

/** What the decoder of barcodes finds, in our terms. */
export const symbolsFrom =
  (read: typeof readBarcodes): Eyes['symbols'] =>
  async (given) => {
    const { width, height, data } = asPicture(given);
    const image = { width, height, data, colorSpace: 'srgb' } as ImageData;
    const found = await read(image, {
      formats: [...FORMATS],
      tryHarder: true,
      tryRotate: true,
      tryInvert: true,
      minLineCount: LEAST_LINES,
      maxNumberOfSymbols: 12,
    });
    return found
      .filter(({ isValid }) => isValid)
      .map(({ format, text, position: { topLeft, topRight, bottomRight, bottomLeft } }) => ({
        format,
        text,
        corners: [topLeft, topRight, bottomRight, bottomLeft],
      }));
  };

/** How text is looked for; what the library has to say of its own working goes nowhere. */
export const settingsFor = (as: Sheet): Partial<WorkerParams> & Record<string, string> => ({
  tessedit_pageseg_mode: as === 'page' ? PSM.SPARSE_TEXT : PSM.SINGLE_BLOCK,
  tessedit_char_whitelist: as === 'figures' ? '0123456789.,' : '',
  debug_file: '/dev/null',
});

/** Marks that nobody prints on a label. */
const NOISE = /^[|_~=—“”‘’`°«»<>{}\\]+$/u;
const LEAST_CONFIDENCE = 12;

/** What the recognition of text finds, in our terms. */
export const wordsFrom =
  (recognise: (grey: Grey, as: Sheet) => Promise<{ blocks: Block[] | null }>): Eyes['words'] =>
  async (grey, as) => {
    const { blocks } = await recognise(grey, as);
    return (blocks ?? [])
      .flatMap(({ paragraphs }) => paragraphs)
      .flatMap(({ lines }) => lines)
      .flatMap(({ words }) => words)
      .filter(({ text, confidence }) => confidence >= LEAST_CONFIDENCE && !NOISE.test(text))
      .map(
        ({ text, confidence, bbox: { x0, y0, x1, y1 } }): FlatWord => ({
          text,
          confidence: confidence / 100,
          x: x0,
          y: y0,
          width: x1 - x0,
          height: y1 - y0,
        }),
      );
  };
