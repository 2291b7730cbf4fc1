import { LRUCache } from 'lru-cache';
import { contentHash } from '@/core/casefile/hash';
import { StoreProblem } from './storeProblem';

/** Characters of JSON that are kept parsed: some hundred releases with all that they are held against. */
const MOST_CHARACTERS = 40_000_000;

/** Which document, wherever its text lies. */
export interface DocumentHead {
  kind: string;
  id: string;
  revision: number;
  hash: string;
}

/** The bodies of documents by their hash, which says all of what they hold. */
export class DocumentBodies {
  private readonly parsed = new LRUCache<string, object>({ maxSize: MOST_CHARACTERS });

  /**
   * The body of a document, parsed once. It is frozen, since all who read it share it.
   *
   * @param text reads the text of it, where it is not known yet
   * @throws StoreProblem where the text is not what was saved
   */
  async of<T>(head: DocumentHead, text: () => Promise<string>): Promise<T> {
    const known = this.parsed.get(head.hash);
    if (known) return known as T;
    const json = await text();
    const body = JSON.parse(json) as object;
    if (contentHash(body) !== head.hash)
      throw new StoreProblem(
        `The ${head.kind} “${head.id}”, revision ${head.revision}, was changed in the database since it was saved, so nothing is weighed by it. Everything else is untouched. Restore a backup into a new folder, or keep a new revision of it.`,
      );
    this.parsed.set(head.hash, deepFreeze(body), { size: json.length + 1 });
    return body as T;
  }
}

/** Freeze a value with all that it holds. */
function deepFreeze<T extends object>(value: T): T {
  for (const each of Object.values(value)) if (typeof each === 'object' && each !== null) deepFreeze(each);
  return Object.freeze(value);
}
