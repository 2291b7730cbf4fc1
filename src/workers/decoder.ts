import { prepareZXingModule, readBarcodes } from 'zxing-wasm/reader';
import { symbolsFrom } from './recognition';

const DECODER = new URL('../../node_modules/zxing-wasm/dist/reader/zxing_reader.wasm', import.meta.url).href;

prepareZXingModule({
  overrides: { locateFile: (path, prefix) => (path.endsWith('.wasm') ? DECODER : prefix + path) },
});

/** Barcodes and 2D codes of a picture, in the browser. */
export const symbolsOf = symbolsFrom(readBarcodes);
