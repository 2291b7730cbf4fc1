// node scripts/heicToJpeg.mjs IN OUT MOST_PIXELS: a picture as phones make them, as a JPEG. A program of its own, since
// unpacking takes the processor for seconds and a damaged file may take the program with it. Ends with 3 where the picture
// is too large, with 1 where it cannot be read.
import { readFile } from 'node:fs/promises';
import decode from 'heic-decode';
import sharp from 'sharp';

const [from, to, most] = process.argv.slice(2);
const images = await decode.all({ buffer: await readFile(from) });
const [first] = images;
if (first.width * first.height > Number(most)) process.exit(3);
const { width, height, data } = await first.decode();
// Upright already: what the file says of turning is done as it is unpacked.
await sharp(data, { raw: { width, height, channels: 4 } })
  .flatten({ background: '#ffffff' })
  .jpeg({ quality: 95, chromaSubsampling: '4:4:4' })
  .toFile(to);
