import canonicalize from 'canonicalize';
import { bytesHash } from './hash';

/** What an evidence pack lists of itself: docs/formats/pack.schema.json. */
export interface PackManifest {
  format: 'pinprick-pack';
  version: 1;
  /** Case number at the desk that made it. */
  case: string;
  /** Hash of the last event of the log. */
  head: string;
  madeAt: string;
  files: { path: string; bytes: number; sha256: string }[];
  /** Absent in packs from before desks signed. */
  publicKey?: string;
  signature?: string;
}

/** What is signed of a manifest: all of it but the signature itself. */
export const packStatement = ({ publicKey: _, signature: _signature, ...manifest }: PackManifest): string =>
  canonicalize({ says: 'pinprick-pack', ...manifest }) ?? '';

export const MANIFEST = 'manifest.json';

/** The manifest's lines for some files, by path. */
export function manifestFiles(files: Record<string, Uint8Array>): PackManifest['files'] {
  return Object.entries(files)
    .sort(([a], [b]) => a.localeCompare(b))
    .map(([path, bytes]) => ({ path, bytes: bytes.length, sha256: bytesHash(bytes) }));
}

/**
 * What was changed in a pack since it was made, as sentences; empty where nothing was.
 *
 * @param files by path, the manifest itself left out
 */
export function packProblems(manifest: PackManifest, files: Record<string, Uint8Array>): string[] {
  const problems: string[] = [];
  const listed = new Set(manifest.files.map(({ path }) => path));
  for (const { path, sha256: hash } of manifest.files) {
    const bytes = files[path];
    if (!bytes) problems.push(`${path} is missing.`);
    else if (bytesHash(bytes) !== hash) problems.push(`${path} was changed.`);
  }
  for (const path of Object.keys(files)) if (!listed.has(path)) problems.push(`${path} was added.`);
  return problems;
}

/** True for the first bytes of a ZIP file. */
export const isZip = (bytes: Uint8Array): boolean => bytes[0] === 0x50 && bytes[1] === 0x4b;
