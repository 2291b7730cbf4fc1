/** How the text of a table may be written down; spreadsheets write all of them. */
export type TextEncoding = 'utf-8' | 'utf-16le' | 'utf-16be' | 'windows-1252';

/** The encoding that the mark at the beginning of a text names; null where it has none of UTF-16. */
function marked([first, second]: Uint8Array): TextEncoding | null {
  if (first === 0xff && second === 0xfe) return 'utf-16le';
  return first === 0xfe && second === 0xff ? 'utf-16be' : null;
}

/** The encoding of a text that arrives in pieces: the one that its mark names, UTF-8 where it is that, else Windows-1252. */
export async function encodingOf(chunks: AsyncIterable<Uint8Array>): Promise<TextEncoding> {
  const decoder = new TextDecoder('utf-8', { fatal: true });
  let begun = false;
  try {
    for await (const chunk of chunks) {
      const named = begun ? null : marked(chunk);
      if (named) return named;
      begun = true;
      decoder.decode(chunk, { stream: true });
    }
    decoder.decode();
    return 'utf-8';
  } catch (error) {
    if (error instanceof TypeError) return 'windows-1252';
    throw error;
  }
}

/** The text of a file, in whichever of them it is. */
export function decodeText(bytes: Uint8Array): string {
  const named = marked(bytes);
  if (named) return new TextDecoder(named).decode(bytes);
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}
