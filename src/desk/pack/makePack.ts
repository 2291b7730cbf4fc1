import { createReadStream, type ReadStream } from 'node:fs';
import type { Readable } from 'node:stream';
import { ZipFile } from 'yazl';
import { fold } from '@/core/casefile/fold';
import { bytesHash } from '@/core/casefile/hash';
import { MANIFEST, type PackedFile, type PackManifest, packStatement } from '@/core/casefile/pack';
import { wholePhotograph } from '@/store/photographs';
import type { Desk } from '../desk';
import type { PaperSize } from '../report/ReportDocument';
import { exportCase } from '../transfer';
import { findingsTable } from './findingsTable';
import { CASE, photographPath } from './paths';

/**
 * A case as an evidence pack: its log and documents, photographs, report, findings as a table, and a manifest with
 * the hash of each.
 *
 * @returns the ZIP's bytes as they are made: photographs are never whole in memory
 * @throws Refusal where there is no such case
 * @throws StoreProblem where a photograph is missing or was changed
 */
export async function makePack(desk: Desk, number: string, paper: PaperSize = 'A4'): Promise<Readable> {
  // Loaded when it is needed: only a report takes the means of print.
  const { makeReport } = await import('../report/makeReport');
  const exported = await exportCase(desk, number);
  const file = fold(exported.id, exported.events);
  const madeAt = desk.now();
  const mtime = new Date(madeAt);
  const zip = new ZipFile();
  const packed: PackedFile[] = [];
  const add = (path: string, content: string | Uint8Array) => {
    const bytes = Buffer.from(content);
    packed.push({ path, bytes: bytes.length, sha256: bytesHash(bytes) });
    zip.addBuffer(bytes, path, { mtime });
  };
  add(CASE, `${JSON.stringify(exported, null, 2)}\n`);
  add('findings.csv', findingsTable(exported));
  add('report.pdf', await makeReport(desk, number, paper));
  let reading: ReadStream | undefined;
  // A picture that hangs on two checks is in the log twice and in the pack once.
  const pictures = new Map(file.photos.map((photo) => [photographPath(photo), photo]));
  for (const [path, { sha256 }] of pictures) {
    const kept = await wholePhotograph(desk.store, sha256);
    packed.push({ path, bytes: kept.bytes, sha256 });
    // Pictures are packed by themselves already.
    zip.addReadStreamLazy(path, { mtime, compress: false, size: kept.bytes }, (give) => {
      reading = createReadStream(kept.path);
      give(null, reading);
    });
  }
  const manifest: PackManifest = {
    format: 'pinprick-pack',
    version: 1,
    case: file.number,
    head: file.head,
    madeAt,
    files: packed.sort((a, b) => a.path.localeCompare(b.path)),
  };
  const signed: PackManifest = { ...manifest, ...desk.key.sign(packStatement(manifest)) };
  zip.addBuffer(Buffer.from(`${JSON.stringify(signed, null, 2)}\n`), MANIFEST, { mtime });
  zip.end();
  const made = zip.outputStream as Readable;
  // Whoever leaves before the end leaves no file open.
  made.on('close', () => reading?.destroy());
  return made;
}
