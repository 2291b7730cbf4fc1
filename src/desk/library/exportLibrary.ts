import type { Release } from '@/core/releases/release';
import { type DocumentKind, eachNewest } from '@/store/documents';
import type { Desk } from '../desk';
import { readHouseRules } from '../houseRules';
import { documentHash } from './documentHash';
import { type LibraryHead, type LibraryLine, type LibrarySeal, libraryRoot, libraryStatement } from './libraryFile';

/** What releases name comes before them. */
const ORDER: DocumentKind[] = ['maker', 'size-chart', 'code-scheme', 'kind', 'release'];

/** What of the library goes into a file; everything where nothing is said. */
export interface Selection {
  maker?: string;
  kind?: string;
}

const isSelected = (kind: DocumentKind, body: { id: string }, selection: Selection): boolean => {
  const { maker, kind: goods } = selection;
  const of = body as Partial<Release>;
  if (kind === 'maker') return !maker || body.id === maker;
  if (kind === 'kind') return !goods || body.id === goods;
  return (!maker || of.maker === maker) && (kind !== 'release' || !goods || of.kind === goods);
};

/**
 * The library, or a part of it, as a file: a head, one document on each line with its hash, and a seal that this desk signs.
 *
 * @returns its lines, one after the other
 */
export async function* exportLibrary(desk: Desk, selection: Selection = {}): AsyncGenerator<string> {
  const { rules } = await readHouseRules(desk);
  const { publicKey } = desk.key;
  const head: LibraryHead = {
    library: { version: 1, madeAt: desk.now(), house: rules.house?.name ?? '', publicKey },
  };
  yield `${JSON.stringify(head)}\n`;
  const root = libraryRoot();
  for (const kind of ORDER) {
    for await (const { id, body } of eachNewest<{ id: string }>(desk.store, kind)) {
      if (!isSelected(kind, body, selection)) continue;
      const hash = documentHash(body);
      root.add(kind, id, hash);
      const line: LibraryLine = { kind, hash, body };
      yield `${JSON.stringify(line)}\n`;
    }
  }
  const { documents, root: end } = root.end();
  const { signature } = desk.key.sign(libraryStatement(end, documents));
  const seal: LibrarySeal = { seal: { documents, root: end, signature } };
  yield `${JSON.stringify(seal)}\n`;
}
