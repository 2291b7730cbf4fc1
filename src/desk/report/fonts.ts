import { join } from 'node:path';
import { Font } from '@react-pdf/renderer';

const FONTS = join(process.cwd(), 'node_modules', '@fontsource');
const NEXT = join(FONTS, 'atkinson-hyperlegible-next', 'files', 'atkinson-hyperlegible-next-latin');
const MONO = join(FONTS, 'atkinson-hyperlegible-mono', 'files', 'atkinson-hyperlegible-mono-latin');

let registered = false;

/** Make the application's own fonts known to the PDF; they are embedded in it. */
export function registerFonts(): void {
  if (registered) return;
  registered = true;
  Font.register({
    family: 'Next',
    fonts: [
      { src: `${NEXT}-400-normal.woff`, fontWeight: 400 },
      { src: `${NEXT}-700-normal.woff`, fontWeight: 700 },
    ],
  });
  Font.register({ family: 'Mono', src: `${MONO}-400-normal.woff` });
  // Codes must not be broken in the middle as if they were words.
  Font.registerHyphenationCallback((word) => [word]);
}
