import { useEffect, useState } from 'react';
import { readGtin } from '@/core/codes/gtin';
import type { Release } from '@/core/releases/release';
import { request } from '../request';

const PAUSE_MS = 400;

/** Who else has the barcode numbers of a release: size key to a sentence, asked of the desk when the hand rests. */
export function useClashes({ id, sizes }: Pick<Release, 'id' | 'sizes'>): Map<string, string> {
  const [clashes, setClashes] = useState<Record<string, string>>({});
  const gtins = sizes.filter(({ gtin }) => readGtin(gtin).readings[0]?.valid).map(({ gtin }) => gtin);
  const asked = gtins.join(',');
  useEffect(() => {
    if (asked === '') return setClashes({});
    const left = new AbortController();
    const timer = setTimeout(async () => {
      try {
        const found = await request<{ gtin: string; sentence: string }[]>(
          `/api/releases/numbers?not=${encodeURIComponent(id)}&gtins=${asked}`,
          { signal: left.signal },
        );
        setClashes(Object.fromEntries(found.map(({ gtin, sentence }) => [gtin, sentence])));
      } catch {
        // The desk says it again when the record is saved.
      }
    }, PAUSE_MS);
    return () => {
      clearTimeout(timer);
      left.abort();
    };
  }, [asked, id]);
  return new Map(sizes.flatMap(({ key, gtin }) => (clashes[gtin] ? [[key, clashes[gtin]] as const] : [])));
}
