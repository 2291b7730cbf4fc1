import { expose } from 'comlink';
import { createWorker } from 'tesseract.js';
import type { Place } from '@/core/checks/check';
import type { ReadingContext } from '@/core/crossread/context';
import type { KnownNames } from '@/core/crossread/label/splitLabel';
import type { Grey } from '@/core/imaging/grey';
import type { Eyes } from '@/core/labels/eyes';
import type { Step } from '@/core/labels/seenLabel';
import { symbolsOf } from './decoder';
import { type PictureReading, readPicture } from './pictureWork';
import { pixelsOf } from './pixelsOf';
import { settingsFor, wordsFrom } from './recognition';

const MODULES = {
  reader: new URL('../../node_modules/tesseract.js/dist/worker.min.js', import.meta.url).href,
  core: new URL('../../node_modules/tesseract.js-core/tesseract-core-simd-lstm.wasm.js', import.meta.url).href,
  letters: new URL('../../node_modules/@tesseract.js-data/eng/4.0.0_best_int/eng.traineddata.gz', import.meta.url).href,
};

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
  symbols: symbolsOf,
  words: wordsFrom(async (grey, as) => {
    const reader = await lettersReader();
    await reader.setParameters(settingsFor(as));
    return (await reader.recognize(await pageOf(grey), {}, { blocks: true, text: false })).data;
  }),
};

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
