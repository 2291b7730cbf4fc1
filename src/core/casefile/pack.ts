import canonicalize from 'canonicalize';

/** A file of an evidence pack. */
export interface PackedFile {
  path: string;
  bytes: number;
  sha256: string;
}

/** A file that was found in a pack. */
export type FoundFile = Pick<PackedFile, 'path' | 'sha256'>;

/** What an evidence pack lists of itself: docs/formats/pack.schema.json. */
export interface PackManifest {
  format: 'pinprick-pack';
  version: 1;
  /** Case number at the desk that made it. */
  case: string;
  /** Hash of the last event of the log. */
  head: string;
  madeAt: string;
  files: PackedFile[];
  /** Absent in packs from before desks signed. */
  publicKey?: string;
  signature?: string;
}

/** What is signed of a manifest: all of it but the signature itself. */
export const packStatement = ({ publicKey: _, signature: _signature, ...manifest }: PackManifest): string =>
  canonicalize({ says: 'pinprick-pack', ...manifest }) ?? '';

export const MANIFEST = 'manifest.json';

/**
 * What was changed in a pack since it was made, as sentences; empty where nothing was.
 *
 * @param found the files that are in it, the manifest itself left out
 */
export function packProblems({ files: listed }: PackManifest, found: readonly FoundFile[]): string[] {
  const there = new Map(found.map((file) => [file.path, file]));
  const known = new Set(listed.map(({ path }) => path));
  return [
    ...listed.flatMap(({ path, sha256 }) => {
      const file = there.get(path);
      if (!file) return [`${path} is missing.`];
      return file.sha256 === sha256 ? [] : [`${path} was changed.`];
    }),
    ...found.filter(({ path }) => !known.has(path)).map(({ path }) => `${path} was added.`),
  ];
}
