import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import Papa from 'papaparse';
import { fold } from '@/core/casefile/fold';
import { isZip, MANIFEST, manifestFiles, type PackManifest, packProblems } from '@/core/casefile/pack';
import { formatProblem } from '@/core/formats/validate';
import { assess } from '@/core/judgement/assess';
import { groundsOf } from '@/core/judgement/grounds';
import { sealProblem } from '@/core/judgement/sealProblem';
import { findingWords } from '@/core/judgement/sentences';
import { readPhotograph } from '@/store/photographs';
import type { Desk } from './desk';
import { addPhotograph } from './photographs';
import { Refusal } from './refusal';
import type { PaperSize } from './report/ReportDocument';
import { carriedGrounds, exportCase, importCase, parseCaseExport } from './transfer';

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
  return zipSync({ ...files, [MANIFEST]: strToU8(`${JSON.stringify(manifest, null, 2)}\n`) }, { level: 6 });
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

/**
 * What was changed in an exported case or an evidence pack since it was made, as sentences; empty where nothing was:
 * its files, its log, its documents, and whether its verdict comes out the same again.
 */
export function verifyFile(bytes: Uint8Array): string[] {
  const problems: string[] = [];
  let text = strFromU8(bytes);
  let head: string | null = null;
  if (isZip(bytes)) {
    try {
      const { manifest, files } = openPack(bytes);
      problems.push(...packProblems(manifest, files));
      text = files[CASE] ? strFromU8(files[CASE]) : '';
      head = manifest.head;
    } catch (error) {
      return [(error as Error).message];
    }
    if (text === '') return problems;
  }
  try {
    const exported = parseCaseExport(text);
    const file = fold(exported.id, exported.events);
    if (head !== null && file.head !== head) problems.push('The log is not the one that the manifest names.');
    const seal = sealProblem(exported.id, exported.events, carriedGrounds(exported));
    if (seal) problems.push(seal);
  } catch (error) {
    problems.push((error as Error).message);
  }
  return problems;
}

/**
 * Take in an evidence pack: its case as `importCase` does, and its photographs.
 *
 * @returns the case's number here
 * @throws Refusal where anything in it was changed
 */
export async function importPack(desk: Desk, bytes: Uint8Array): Promise<string> {
  const problems = verifyFile(bytes);
  if (problems.length > 0) throw new Refusal('invalid', `This pack was tampered with. ${problems.join(' ')}`);
  const { files } = openPack(bytes);
  const number = await importCase(desk, strFromU8(files[CASE] as Uint8Array));
  for (const [path, picture] of Object.entries(files))
    if (path.startsWith(PHOTOS)) await addPhotograph(desk, [picture]);
  return number;
}

/** Take in an exported case or an evidence pack, whichever it is. */
export async function importFile(desk: Desk, bytes: Uint8Array): Promise<string> {
  return isZip(bytes) ? importPack(desk, bytes) : importCase(desk, strFromU8(bytes));
}
