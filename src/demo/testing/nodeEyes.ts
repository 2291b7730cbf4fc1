import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';
import { createWorker } from 'tesseract.js';
import { prepareZXingModule, readBarcodes } from 'zxing-wasm/reader';
import type { Grey, Picture } from '@/core/imaging/grey';
import type { Eyes } from '@/core/labels/eyes';
import { settingsFor, symbolsFrom, wordsFrom } from '@/workers/recognition';

const MODULES = join(process.cwd(), 'node_modules');

/** RGBA of a picture file. */
export async function pixelsOf(bytes: Buffer): Promise<Picture> {
  const { data, info } = await sharp(bytes).rotate().ensureAlpha().raw().toBuffer({ resolveWithObject: true });
  return { width: info.width, height: info.height, data: new Uint8ClampedArray(data) };
}

const pngOf = ({ width, height, data }: Grey): Promise<Buffer> =>
  sharp(data, { raw: { width, height, channels: 1 } })
    .png({ compressionLevel: 1 })
    .toBuffer();

/** The same libraries that look at pictures in the browser, for tests and benches. */
export async function nodeEyes(): Promise<Eyes & { close(): Promise<void> }> {
  const wasm = readFileSync(join(MODULES, 'zxing-wasm', 'dist', 'reader', 'zxing_reader.wasm'));
  prepareZXingModule({ overrides: { wasmBinary: new Uint8Array(wasm).buffer } });
  const worker = await createWorker('eng', 1, {
    langPath: join(MODULES, '@tesseract.js-data', 'eng', '4.0.0_best_int'),
    cacheMethod: 'none',
    gzip: true,
  });
  return {
    symbols: symbolsFrom(readBarcodes),
    words: wordsFrom(async (grey, as) => {
      await worker.setParameters(settingsFor(as));
      return (await worker.recognize(await pngOf(grey), {}, { blocks: true, text: false })).data;
    }),
    close: async () => {
      await worker.terminate();
    },
  };
}
