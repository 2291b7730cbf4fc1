import { epcKey } from '../codes/epcKey';

/** A piece that a consignment says it holds. */
export interface ExpectedPiece {
  n: number;
  epc: string | null;
  gtin14: string | null;
}

/** What was read of the tags of a consignment, held against its manifest. */
export interface Arrival {
  /** Pieces whose tag was read, or one of whose product was, by their number. */
  here: number[];
  /** Pieces of which no tag was read. */
  missing: number[];
  /** Tags that belong to none of them. */
  extra: string[];
  /** Tags that were read as two: the same number on two chips, which is a copy, or one read twice. */
  twice: string[];
  /** What is no tag number. */
  unreadable: string[];
}

/**
 * Hold tags against a manifest: by the very number where the manifest names it, else by product, one tag for a piece.
 *
 * @param tags as they were read, one for each chip
 * @example heldAgainst([{ n: 1, epc: null, gtin14: '09521204100064' }], [epc]).here // [1]
 */
export function heldAgainst(pieces: ExpectedPiece[], tags: string[]): Arrival {
  const seen = new Map<string, { tag: string; times: number }>();
  const unreadable: string[] = [];
  for (const text of tags) {
    const tag = text.trim();
    if (tag === '') continue;
    const key = epcKey(tag);
    if (key === null) unreadable.push(tag.slice(0, 60));
    else seen.set(key, { tag: seen.get(key)?.tag ?? tag, times: (seen.get(key)?.times ?? 0) + 1 });
  }
  const left = new Set(seen.keys());
  const here: number[] = [];
  const missing: number[] = [];
  for (const { n, epc } of pieces) if (epc && left.delete(epcKey(epc) ?? epc)) here.push(n);
  const products = new Map<string, string[]>();
  for (const key of left) {
    const gtin14 = /^(\d{14})\//.exec(key)?.[1];
    if (gtin14) products.set(gtin14, [...(products.get(gtin14) ?? []), key]);
  }
  const found = new Set(here);
  for (const { n, epc, gtin14 } of pieces) {
    if (found.has(n)) continue;
    const key = !epc && gtin14 ? products.get(gtin14)?.pop() : undefined;
    if (key) {
      left.delete(key);
      here.push(n);
    } else missing.push(n);
  }
  const tagOf = (key: string) => seen.get(key)?.tag ?? key;
  return {
    here: here.sort((a, b) => a - b),
    missing,
    extra: [...left].map(tagOf),
    twice: [...seen.values()].filter(({ times }) => times > 1).map(({ tag }) => tag),
    unreadable,
  };
}
