import { expose } from 'comlink';
import { createWorker } from 'tesseract.js';
import { prepareZXingModule, readBarcodes } from 'zxing-wasm/reader';
import type { Place } from '@/core/checks/check';
import type { ReadingContext } from '@/core/crossread/context';
import type { KnownNames } from '@/core/crossread/label/splitLabel';
import type { Grey, Picture } from '@/core/imaging/grey';
import type { Eyes } from '@/core/labels/eyes';
import type { Step } from '@/core/labels/seenLabel';
import { type PictureReading, readPicture } from './pictureWork';
import { settingsFor, symbolsFrom, wordsFrom } from './recognition';

const MODULES = {
  decoder: new URL('../../node_modules/zxing-wasm/dist/reader/zxing_reader.wasm', import.meta.url).href,
  reader: new URL('../../node_modules/tesseract.js/dist/worker.min.js', import.meta.url).href,
  core: new URL('../../node_modules/tesseract.js-core/tesseract-core-simd-lstm.wasm.js', import.meta.url).href,
  letters: new URL('../../node_modules/@tesseract.js-data/eng/4.0.0_best_int/eng.traineddata.gz', import.meta.url).href,
};

/** Larger pictures are read at this size, in px along their longer side. */
const LONGEST = 4096;

prepareZXingModule({
  overrides: { locateFile: (path, prefix) => (path.endsWith('.wasm') ? MODULES.decoder : prefix + path) },
});

const pageOf = ({ width, height, data }: Grey): Promise<Blob> => {
  const canvas = new OffscreenCanvas(width, height);
  const context = canvas.getContext('2d') as OffscreenCanvasRenderingContext2D;
  const rgba = new Uint8ClampedArray(width * height * 4);
  for (let i = 0, p = 0; i < data.length; i++, p += 4) {
    rgba[p] = rgba[p + 1] = rgba[p + 2] = data[i] as number;
    rgba[p + 3] = 255;
  }
  context.putImageData(new ImageData(rgba, width, height), 0, 0);
  return canvas.convertToBlob({ type: 'image/png' });
};

/** The recognition of letters, loaded when it is first wanted. */
let letters: ReturnType<typeof createWorker> | null = null;
async function lettersReader() {
  letters ??= createWorker('eng', 1, {
    workerPath: MODULES.reader,
    corePath: MODULES.core,
    // It asks for a file by its own name in a folder; ours has another name, so what it adds becomes a query.
    langPath: `${MODULES.letters}?as=`,
    workerBlobURL: false,
    cacheMethod: 'none',
    gzip: true,
  });
  return letters;
}

const eyes: Eyes = {
  symbols: symbolsFrom(readBarcodes),
  words: wordsFrom(async (grey, as) => {
    const reader = await lettersReader();
    await reader.setParameters(settingsFor(as));
    return (await reader.recognize(await pageOf(grey), {}, { blocks: true, text: false })).data;
  }),
};

/** The pixels of a picture, upright as its camera says, not larger than is read. */
async function pixelsOf(file: Blob): Promise<Picture> {
  const bitmap = await createImageBitmap(file, { imageOrientation: 'from-image' });
  const scale = Math.min(1, LONGEST / Math.max(bitmap.width, bitmap.height));
  const [width, height] = [Math.round(bitmap.width * scale), Math.round(bitmap.height * scale)];
  const context = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true });
  context?.drawImage(bitmap, 0, 0, width, height);
  bitmap.close();
  const { data } = (context as OffscreenCanvasRenderingContext2D).getImageData(0, 0, width, height);
  return { width, height, data: data as Uint8ClampedArray };
}

const work = {
  read: async (
    file: Blob,
    context: ReadingContext,
    places: Place[],
    others: Record<string, KnownNames[]>,
    step: (step: Step, share: number) => void,
  ): Promise<PictureReading> => readPicture(await pixelsOf(file), eyes, context, places, others, step),
};

export type EyesWork = typeof work;

expose(work);
