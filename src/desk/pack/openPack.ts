import { readFile, stat } from 'node:fs/promises';
import type { Readable } from 'node:stream';
import { type Entry, openPromise, type ZipFile } from 'yauzl';
import { type FoundFile, MANIFEST, type PackManifest } from '@/core/casefile/pack';
import { formatProblem } from '@/core/formats/validate';
import { streamHash } from '@/store/photographs';
import { beginningOf } from '../beginningOf';
import { Refusal } from '../refusal';

/** A pack unfolds to no more than this: a guard against files made to burst. */
export const LARGEST_PACK = 4_000_000_000;
/** As many photographs as a case has events. */
const MOST_FILES = 5100;
/** No log with its documents is longer; it is read whole. */
const LONGEST_TEXT = 200_000_000;

export const TOO_LARGE = 'That is larger than anything this desk takes in.';
const NO_ZIP = 'This is no whole ZIP file.';

/** An opened pack: its manifest, and its other files as they can be read. */
export interface OpenedPack {
  manifest: PackManifest;
  paths: string[];
  /** The bytes of a file as they are unpacked. */
  read: (path: string) => Promise<Readable>;
  text: (path: string) => Promise<string>;
  close: () => void;
}

/** Whether a file begins as a ZIP does. */
export async function isZipFile(path: string): Promise<boolean> {
  return (await beginningOf(path, 2)).toString('latin1') === 'PK';
}

/** The text of an exported case on the disk. @throws Refusal where it is longer than any */
export async function caseText(path: string): Promise<string> {
  if ((await stat(path)).size > LONGEST_TEXT) throw new Refusal('invalid', TOO_LARGE);
  return readFile(path, 'utf8');
}

/** The directory of a ZIP; nothing is unpacked yet. @throws Refusal where it promises more than any case holds */
async function entriesOf(zip: ZipFile): Promise<Map<string, Entry>> {
  const entries = new Map<string, Entry>();
  let total = 0;
  let count = 0;
  for await (const entry of zip.eachEntry()) {
    total += entry.uncompressedSize;
    count += 1;
    if (total > LARGEST_PACK || count > MOST_FILES)
      throw new Refusal('invalid', 'The pack holds more than any case does.');
    if (entries.has(entry.fileName)) throw new Refusal('invalid', `The pack holds ${entry.fileName} twice.`);
    if (!entry.fileName.endsWith('/')) entries.set(entry.fileName, entry);
  }
  return entries;
}

function manifestIn(text: string): PackManifest {
  let manifest: unknown;
  try {
    manifest = JSON.parse(text);
  } catch {
    throw new Refusal('invalid', `${MANIFEST} is not whole JSON.`);
  }
  const problem = formatProblem('pack', manifest);
  if (problem) throw new Refusal('invalid', `${MANIFEST} is not sound: ${problem}`);
  return manifest as PackManifest;
}

/**
 * Open a pack that lies on the disk.
 *
 * @throws Refusal where it is no whole ZIP, too large, or has no manifest
 */
export async function openPack(path: string): Promise<OpenedPack> {
  const zip = await openPromise(path, { autoClose: false }).catch(() => {
    throw new Refusal('invalid', NO_ZIP);
  });
  try {
    const entries = await entriesOf(zip);
    const read = async (name: string) => zip.openReadStreamPromise(entries.get(name) as Entry);
    const text = async (name: string) => {
      if ((entries.get(name)?.uncompressedSize ?? 0) > LONGEST_TEXT)
        throw new Refusal('invalid', `${name} is longer than any case’s.`);
      const chunks: Buffer[] = [];
      for await (const chunk of await read(name)) chunks.push(chunk as Buffer);
      return Buffer.concat(chunks).toString();
    };
    if (!entries.has(MANIFEST)) throw new Refusal('invalid', `The file has no ${MANIFEST}; it is no evidence pack.`);
    const manifest = manifestIn(await text(MANIFEST));
    const paths = [...entries.keys()].filter((name) => name !== MANIFEST);
    return { manifest, paths, read, text, close: () => zip.close() };
  } catch (error) {
    zip.close();
    throw error instanceof Refusal ? error : new Refusal('invalid', NO_ZIP);
  }
}

/** A file of a pack, hashed as it is unpacked. @throws Refusal where it cannot be unpacked */
export async function packedFile(pack: OpenedPack, path: string): Promise<FoundFile> {
  try {
    return { path, sha256: await streamHash(await pack.read(path)) };
  } catch {
    throw new Refusal('invalid', `${path} cannot be unpacked to its end.`);
  }
}
