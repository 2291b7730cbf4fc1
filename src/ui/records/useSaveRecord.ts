'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { post } from '../request';
import { forgetDraft } from './drafts';

export interface Saving {
  /** What the server said against it, or that it is kept; empty before. */
  message: string;
  failed: boolean;
  /** @param before done once it is kept, before its page is gone to */
  save(path: string, payload: unknown, href: string, before?: () => Promise<void>): Promise<void>;
}

/** An id for a new record, from its name. */
export const recordId = (name: string): string =>
  name
    .normalize('NFD')
    .toLowerCase()
    .replace(/\p{M}/gu, '')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 80);

/** Keep a record on the server, and go to its page. */
export function useSaveRecord(): Saving {
  const router = useRouter();
  const [state, setState] = useState({ message: '', failed: false });
  const save = async (path: string, payload: unknown, href: string, before?: () => Promise<void>) => {
    try {
      const { revision } = await post<{ revision: number }>(path, payload);
      setState({ message: `Kept as revision ${revision}.`, failed: false });
      forgetDraft();
      await before?.();
      router.replace(href);
      router.refresh();
    } catch (error) {
      setState({ message: (error as Error).message, failed: true });
    }
  };
  return { ...state, save };
}
