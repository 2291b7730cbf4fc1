import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import Papa from 'papaparse';
import type { CaseFile } from '@/core/casefile/caseFile';
import { fold } from '@/core/casefile/fold';
import { bytesHash } from '@/core/casefile/hash';
import { isZip, MANIFEST, manifestFiles, type PackManifest, packProblems, packStatement } from '@/core/casefile/pack';
import { formatProblem } from '@/core/formats/validate';
import { assess } from '@/core/judgement/assess';
import { groundsOf } from '@/core/judgement/grounds';
import { sealProblem } from '@/core/judgement/sealProblem';
import { findingWords } from '@/core/judgement/sentences';
import { keyName } from '@/core/trust/statements';
import { readPhotograph } from '@/store/photographs';
import type { Desk } from './desk';
import { allow, THE_MACHINE } from './people/roster';
import { addPhotograph } from './photographs';
import { Refusal } from './refusal';
import type { PaperSize } from './report/ReportDocument';
import { carriedGrounds, exportCase, importCase, parseCaseExport } from './transfer';
import { signatureHolds } from './trust/deskKey';
import { vouchingOf } from './trust/vouching';

const CASE = 'case.json';
const PHOTOS = 'photographs/';
const ENDINGS: Record<string, string> = { 'image/jpeg': 'jpg', 'image/png': 'png', 'image/webp': 'webp' };
/** A pack unfolds to no more than this: a guard against files made to burst. */
const LARGEST = 500_000_000;
const MOST_FILES = 500;

/** The findings of a case as a table: one line a check. */
function findingsTable(exported: Awaited<ReturnType<typeof exportCase>>): string {
  const file = fold(exported.id, exported.events);
  const { findings, weighing } = assess(file, groundsOf(carriedGrounds(exported)));
  const weights = new Map(
    weighing.strands.flatMap(({ checks }) => checks.map(({ finding, weight }) => [finding.check.id, weight])),
  );
  return Papa.unparse(
    findings.map((finding) => {
      const { check, mark, value, nominal, reason, note, by, at } = finding;
      return {
        check: check.id,
        name: check.name,
        layer: check.layer,
        strand: check.strand,
        bearsOn: check.bearsOn,
        mark,
        finding: findingWords(finding),
        value: value ?? '',
        unit: nominal?.unit ?? '',
        expected: nominal?.value ?? '',
        tolerance: nominal?.tolerance ?? '',
        decibans: weights.get(check.id)?.toFixed(2) ?? '',
        support: check.support,
        source: check.source,
        reason: reason ?? '',
        note: note ?? '',
        by: by ?? '',
        at: at ?? '',
      };
    }),
    { escapeFormulae: true },
  );
}

/**
 * A case as an evidence pack: its log and documents, photographs, report, findings as a table, and a manifest with
 * the hash of each.
 */
export async function makePack(desk: Desk, number: string, paper: PaperSize = 'A4'): Promise<Uint8Array> {
  // Loaded when it is needed: only a report takes the means of print.
  const { makeReport } = await import('./report/makeReport');
  const exported = await exportCase(desk, number);
  const file = fold(exported.id, exported.events);
  const files: Record<string, Uint8Array> = {
    [CASE]: strToU8(`${JSON.stringify(exported, null, 2)}\n`),
    'findings.csv': strToU8(findingsTable(exported)),
    'report.pdf': await makeReport(desk, number, paper),
  };
  for (const { sha256, mime } of file.photos)
    files[`${PHOTOS}${sha256}.${ENDINGS[mime]}`] = await readPhotograph(desk.store, sha256);
  const manifest: PackManifest = {
    format: 'pinprick-pack',
    version: 1,
    case: file.number,
    head: file.head,
    madeAt: desk.now(),
    files: manifestFiles(files),
  };
  const signed: PackManifest = { ...manifest, ...desk.key.sign(packStatement(manifest)) };
  return zipSync({ ...files, [MANIFEST]: strToU8(`${JSON.stringify(signed, null, 2)}\n`) }, { level: 6 });
}

/** An opened pack: its manifest and its other files. */
interface OpenedPack {
  manifest: PackManifest;
  files: Record<string, Uint8Array>;
}

/** @throws Refusal where it is no whole ZIP, too large, or has no manifest */
function openPack(bytes: Uint8Array): OpenedPack {
  let total = 0;
  let count = 0;
  let unzipped: Record<string, Uint8Array>;
  try {
    unzipped = unzipSync(bytes, {
      filter: ({ originalSize, name }) => {
        total += originalSize;
        count += 1;
        if (total > LARGEST || count > MOST_FILES)
          throw new Refusal('invalid', 'The pack holds more than any case does.');
        return !name.endsWith('/');
      },
    });
  } catch (error) {
    if (error instanceof Refusal) throw error;
    throw new Refusal('invalid', 'This is no whole ZIP file.');
  }
  const { [MANIFEST]: listed, ...files } = unzipped;
  if (!listed) throw new Refusal('invalid', `The file has no ${MANIFEST}; it is no evidence pack.`);
  let manifest: unknown;
  try {
    manifest = JSON.parse(strFromU8(listed));
  } catch {
    throw new Refusal('invalid', `${MANIFEST} is not whole JSON.`);
  }
  const problem = formatProblem('pack', manifest);
  if (problem) throw new Refusal('invalid', `${MANIFEST} is not sound: ${problem}`);
  return { manifest: manifest as PackManifest, files };
}

/** What an exported case or an evidence pack is worth as evidence. */
export interface Verified {
  /** What was changed in it since it was made, as sentences. */
  changed: string[];
  /** What is signed in it, and by which key. */
  signed: { what: string; key: string }[];
  /** What is in it and signed by nobody: anybody can have written it. */
  notSigned: string[];
}

/** The photographs that a log names, held against those in its pack. */
function photographProblems(file: CaseFile, files: Record<string, Uint8Array>): string[] {
  return file.photos.flatMap(({ sha256, mime }) => {
    const bytes = files[`${PHOTOS}${sha256}.${ENDINGS[mime]}`];
    if (!bytes) return [`The photograph ${sha256.slice(0, 12)}… that the log names is missing.`];
    return bytesHash(bytes) === sha256
      ? []
      : [`The photograph ${sha256.slice(0, 12)}… is not the one that the log names.`];
  });
}

/**
 * See whether an exported case or an evidence pack is what it was when it was made: its files, its log, its documents,
 * its photographs and signatures, and whether its verdict comes out the same again.
 */
export function verifyFile(bytes: Uint8Array): Verified {
  const changed: string[] = [];
  const signed: Verified['signed'] = [];
  const notSigned: string[] = [];
  let text = strFromU8(bytes);
  let pack: OpenedPack | null = null;
  if (isZip(bytes)) {
    try {
      pack = openPack(bytes);
    } catch (error) {
      return { changed: [(error as Error).message], signed, notSigned };
    }
    const { manifest, files } = pack;
    const { publicKey, signature } = manifest;
    changed.push(...packProblems(manifest, files));
    if (!publicKey || !signature) notSigned.push('the manifest');
    else if (signatureHolds(packStatement(manifest), { publicKey, signature }))
      signed.push({ what: 'the manifest', key: keyName(publicKey) });
    else changed.push(`The manifest is not the one that key ${keyName(publicKey)} signed.`);
    text = files[CASE] ? strFromU8(files[CASE]) : '';
    if (text === '') return { changed, signed, notSigned };
  }
  try {
    const exported = parseCaseExport(text);
    const { id, events, signatures = [] } = exported;
    const file = fold(id, events);
    if (pack && file.head !== pack.manifest.head) changed.push('The log is not the one that the manifest names.');
    if (pack) changed.push(...photographProblems(file, pack.files));
    const seal = sealProblem(id, events, carriedGrounds(exported));
    if (seal) changed.push(seal);
    for (const { seq, type, key } of vouchingOf(events, signatures, [])) {
      const what = `event ${seq}, ${type}`;
      if (key) signed.push({ what, key });
      else notSigned.push(what);
    }
  } catch (error) {
    changed.push((error as Error).message);
  }
  return { changed, signed, notSigned };
}

/**
 * Take in an evidence pack: its case as `importCase` does, and its photographs.
 *
 * @returns the case's number here
 * @throws Refusal where anything in it was changed
 */
export async function importPack(desk: Desk, bytes: Uint8Array): Promise<string> {
  const { changed } = verifyFile(bytes);
  if (changed.length > 0) throw new Refusal('invalid', `This pack was tampered with. ${changed.join(' ')}`);
  const { files } = openPack(bytes);
  const number = await importCase(desk, strFromU8(files[CASE] as Uint8Array));
  for (const [path, picture] of Object.entries(files))
    if (path.startsWith(PHOTOS)) await addPhotograph(desk, THE_MACHINE, [picture]);
  return number;
}

/**
 * Take in an exported case or an evidence pack, whichever it is.
 *
 * @throws Refusal with a sentence; nothing is kept then
 */
export async function importFile(desk: Desk, by: string, bytes: Uint8Array): Promise<string> {
  await allow(desk, by, 'import');
  return isZip(bytes) ? importPack(desk, bytes) : importCase(desk, strFromU8(bytes));
}
