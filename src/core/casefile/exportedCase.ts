import type { CaseEvent } from './event';
import { contentHash, verifyChain } from './hash';

/** A reference document as an exported case carries it. */
interface CarriedDocument {
  id: string;
  revision: number;
  hash: string;
  body: unknown;
}

/** Documents by what they are to the case; code schemes are several. */
export type CarriedDocuments = Record<string, CarriedDocument | CarriedDocument[] | null | undefined>;

/** A case with its log and the documents it is held against: docs/formats/case.schema.json. */
export interface ExportedCase<D = CarriedDocuments> {
  format: 'pinprick-case';
  version: 1;
  id: string;
  events: CaseEvent[];
  documents: D;
}

/**
 * What is wrong with an exported case, or null: a log that no longer chains, a document whose content is not
 * what its hash says.
 */
export function exportedCaseProblem(exported: ExportedCase): string | null {
  const chain = verifyChain(exported.id, exported.events);
  if (!chain.intact) return chain.sentence;
  for (const [kind, carried] of Object.entries(exported.documents)) {
    for (const document of [carried ?? []].flat()) {
      if (contentHash(document.body) !== document.hash)
        return `The ${kind} “${document.id}” was changed after the case was exported.`;
    }
  }
  return null;
}
