import { type CarriedDocuments, type ExportedCase, exportedCaseProblem } from '@/core/casefile/exportedCase';
import { fold } from '@/core/casefile/fold';
import { logProblem } from '@/core/casefile/logProblem';
import { unknownName } from '@/core/casefile/unknownName';
import type { KindDefinition } from '@/core/checks/check';
import { editionOf, type GroundsRevisions } from '@/core/judgement/grounds';
import type { Revision } from '@/core/releases/release';
import { keepSignatures, signaturesOf } from '@/store/anchors';
import { appendEvents, findCase } from '@/store/cases';
import { type DocumentKind, keepForeign, readDocument } from '@/store/documents';
import { readCaseFolder } from './caseFolder';
import type { Desk } from './desk';
import { loadGrounds } from './grounds';
import { parseFile } from './parseFile';
import { PROGRAM_VERSION } from './programVersion';
import { Refusal } from './refusal';
import { enterCodes, noticeElsewhere } from './register';
import { projectionRow } from './summary';
import { closeYesterday } from './trust/closeDays';
import { type CarriedSignature, signatureProblems } from './trust/vouching';

/** Files from before there were code schemes or statistics carry none. */
type Later = 'schemes' | 'statistics';
type CarriedGrounds = Omit<GroundsRevisions, Later | 'edition' | 'program'> & Partial<Pick<GroundsRevisions, Later>>;

export type CaseExport = ExportedCase<CarriedGrounds & CarriedDocuments> & {
  /** Absent in files from before desks signed. */
  signatures?: CarriedSignature[];
};

/** A case as a file: docs/formats/case.schema.json. */
export async function exportCase(desk: Desk, number: string): Promise<CaseExport> {
  const { id, events, grounds } = await readCaseFolder(desk, number);
  const signatures = (await signaturesOf(desk.store, id)).map(({ hash, publicKey, signature }) => ({
    hash,
    publicKey,
    signature,
  }));
  const { edition: _, program: __, ...documents } = grounds;
  return { format: 'pinprick-case', version: 1, id, events, documents, signatures };
}

/**
 * Read the text of an exported case and see that it is whole.
 *
 * @throws Refusal with a sentence: truncated JSON, not this format, tampered with
 */
export function parseCaseExport(text: string): CaseExport {
  const exported = parseFile<CaseExport>(text, 'case', 'an exported case');
  const tampered = exportedCaseProblem(exported);
  if (tampered) throw new Refusal('invalid', `This case was tampered with. ${tampered}`);
  const impossible = logProblem(exported.id, exported.events);
  if (impossible) throw new Refusal('invalid', `This case was tampered with. ${impossible}`);
  const [forged] = signatureProblems(exported.events, exported.signatures ?? []);
  if (forged) throw new Refusal('invalid', `This case was tampered with. ${forged}`);
  return exported;
}

/** The documents that an exported case carries; older files lack some kinds. */
export const carriedGrounds = ({ id, events, documents }: CaseExport): GroundsRevisions => ({
  ...documents,
  edition: editionOf(fold(id, events)),
  program: PROGRAM_VERSION,
  schemes: documents.schemes ?? [],
  statistics: documents.statistics ?? null,
});

const KINDS: Record<keyof CarriedGrounds, DocumentKind> = {
  release: 'release',
  maker: 'maker',
  chart: 'size-chart',
  kind: 'kind',
  houseRules: 'house-rules',
  schemes: 'code-scheme',
  statistics: 'statistics',
};

/**
 * Take in an exported case with its log as it is, and the documents it rests on beside this desk's own.
 *
 * @returns its number here, which has part of its id behind it where another case has that number already
 * @throws Refusal where the file is not sound, or this desk has the case with a different log
 */
export async function importCase(desk: Desk, text: string): Promise<string> {
  const { id, events, documents, signatures = [] } = parseCaseExport(text);
  const file = fold(id, events);
  return desk.store.write(async (transaction) => {
    await closeYesterday(desk, transaction);
    const there = await findCase(desk.store, { id }, transaction);
    if (there?.head === file.head) return there.number;
    if (there)
      throw new Refusal(
        'conflict',
        `${there.number} is at this desk already, with a log that differs from the file's.`,
      );
    const own = await readDocument<KindDefinition>(desk.store, 'kind', file.kind, transaction);
    const kinds = [documents.kind.body, ...(own ? [own.body] : [])];
    const unknown = unknownName(events, kinds, documents.release?.body.checks.add ?? []);
    if (unknown) throw new Refusal('invalid', `This case cannot be weighed here. ${unknown}`);
    for (const [name, kind] of Object.entries(KINDS) as [keyof CarriedGrounds, DocumentKind][]) {
      for (const document of [documents[name] ?? []].flat() as Revision<unknown>[])
        await keepForeign(desk.store, kind, document, transaction);
    }
    const taken = await findCase(desk.store, { number: file.number }, transaction);
    const number = taken ? `${file.number}-${id.slice(0, 4)}` : file.number;
    const grounds = await loadGrounds(desk.store, file, transaction);
    const row = projectionRow(file, number, grounds);
    await appendEvents(desk.store, { row, before: null, events }, transaction);
    await keepSignatures(
      desk.store,
      signatures.map((each) => ({ ...each, caseId: id })),
      transaction,
    );
    const changed = await enterCodes(desk, file, grounds, transaction);
    await noticeElsewhere(desk, file, changed, file.touched.by, transaction);
    return number;
  });
}
