import type { CaseFile } from '@/core/casefile/caseFile';
import { fold } from '@/core/casefile/fold';
import { type FoundFile, packProblems, packStatement } from '@/core/casefile/pack';
import { sealProblem } from '@/core/judgement/sealProblem';
import { keyName } from '@/core/trust/statements';
import { carriedGrounds, parseCaseExport } from '../transfer';
import { signatureHolds } from '../trust/deskKey';
import { vouchingOf } from '../trust/vouching';
import { caseText, isZipFile, type OpenedPack, openPack, packedFile } from './openPack';
import { CASE, photographPath } from './paths';

/** What an exported case or an evidence pack is worth as evidence. */
export interface Verified {
  /** What was changed in it since it was made, as sentences. */
  changed: string[];
  /** What this version of the program finds otherwise than the one that sealed it, though nothing was changed. */
  otherwise: string[];
  /** What is signed in it, and by which key. */
  signed: { what: string; key: string }[];
  /** What is in it and signed by nobody: anybody can have written it. */
  notSigned: string[];
}

const NOTHING: Verified = { changed: [], otherwise: [], signed: [], notSigned: [] };

/** The photographs that a log names, held against those in its pack. */
function photographProblems({ photos }: CaseFile, found: readonly FoundFile[]): string[] {
  const there = new Map(found.map(({ path, sha256 }) => [path, sha256]));
  return photos.flatMap((photo) => {
    const named = `The photograph ${photo.sha256.slice(0, 12)}…`;
    const sha256 = there.get(photographPath(photo));
    if (!sha256) return [`${named} that the log names is missing.`];
    return sha256 === photo.sha256 ? [] : [`${named} is not the one that the log names.`];
  });
}

/** A pack's own word for its files: what was changed, and who signed it. */
function verifyManifest({ manifest }: OpenedPack, found: readonly FoundFile[]): Verified {
  const changed = packProblems(manifest, found);
  const { publicKey, signature } = manifest;
  const verified: Verified = { ...NOTHING, changed };
  if (!publicKey || !signature) return { ...verified, notSigned: ['the manifest'] };
  const key = keyName(publicKey);
  if (signatureHolds(packStatement(manifest), { publicKey, signature }))
    return { ...verified, signed: [{ what: 'the manifest', key }] };
  return { ...verified, changed: [...changed, `The manifest is not the one that key ${key} signed.`] };
}

/** The text of an exported case: its log, its documents, its signatures, and whether its verdict comes out again. */
function verifyCase(text: string, found: readonly FoundFile[], pack: OpenedPack | null): Verified {
  const verified: Verified = { changed: [], otherwise: [], signed: [], notSigned: [] };
  try {
    const exported = parseCaseExport(text);
    const { id, events, signatures = [] } = exported;
    const file = fold(id, events);
    if (pack && file.head !== pack.manifest.head)
      verified.changed.push('The log is not the one that the manifest names.');
    if (pack) verified.changed.push(...photographProblems(file, found));
    const seal = sealProblem(id, events, carriedGrounds(exported));
    const vouching = vouchingOf(events, signatures, []);
    const vouchedFor = vouching.findLast(({ type }) => type === 'verdictSealed')?.key;
    // Where nobody signed it, another version of the program excuses nothing.
    if (seal) (seal.otherProgram && vouchedFor ? verified.otherwise : verified.changed).push(seal.sentence);
    for (const { seq, type, key } of vouching) {
      const what = `event ${seq}, ${type}`;
      if (key) verified.signed.push({ what, key });
      else verified.notSigned.push(what);
    }
  } catch (error) {
    verified.changed.push((error as Error).message);
  }
  return verified;
}

async function verifyPack(pack: OpenedPack): Promise<Verified> {
  const found: FoundFile[] = [];
  for (const path of pack.paths) found.push(await packedFile(pack, path));
  const listed = verifyManifest(pack, found);
  if (!pack.paths.includes(CASE)) return { ...listed, changed: [...listed.changed, 'There is no case in it.'] };
  const told = verifyCase(await pack.text(CASE), found, pack);
  return {
    changed: [...listed.changed, ...told.changed],
    otherwise: told.otherwise,
    signed: [...listed.signed, ...told.signed],
    notSigned: [...listed.notSigned, ...told.notSigned],
  };
}

/**
 * See whether an exported case or an evidence pack is what it was when it was made: its files, its log, its documents,
 * its photographs and signatures, and whether its verdict comes out the same again.
 *
 * @param path of the file; a pack is read piece by piece
 */
export async function verifyFile(path: string): Promise<Verified> {
  if (!(await isZipFile(path))) return verifyCase(await caseText(path), [], null);
  let pack: OpenedPack | null = null;
  try {
    pack = await openPack(path);
    return await verifyPack(pack);
  } catch (error) {
    return { ...NOTHING, changed: [(error as Error).message] };
  } finally {
    pack?.close();
  }
}
