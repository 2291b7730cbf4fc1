'use client';
import { useSearchParams } from 'next/navigation';
import type { ReactNode } from 'react';
import type { Deed } from '@/core/people/permissions';
import { Button, Key } from '../controls/Button';
import { useGo } from '../controls/useGo';
import { useKeys } from '../controls/useKeys';
import { useMay } from '../people/Me';
import { forgetDraft, useDraft } from './drafts';
import { KeyLink } from './KeyLink';

/** What an editor is about, with the ways out of it: back as it was, or saved. */
export function EditorHead({
  saveName,
  back,
  deed,
  wrong,
  onSave,
  draft,
  kept,
  children,
}: {
  saveName: string;
  back: string;
  /** What saving is, to the desk. */
  deed: Deed;
  /** What stands in the way of saving. */
  wrong: string[];
  onSave: () => void;
  /** What is edited; it is kept for whoever comes back to the page. */
  draft: unknown;
  /** Which revision is the newest, 0 for what is not kept yet, and where all of them are. */
  kept?: { revision: number; at: string };
  children: ReactNode;
}) {
  const go = useGo();
  const mayDo = useMay();
  const save = () => {
    if (wrong.length === 0 && mayDo(deed)) onSave();
  };
  const { left } = useDraft(draft);
  /** The former revision that is taken up again. */
  const at = useSearchParams().get('at');
  const leave = () => {
    forgetDraft();
    go(back);
  };
  useKeys('mod+s', save, { preventDefault: true, enableOnFormTags: true });
  return (
    <div className="mb-4 flex flex-wrap items-end justify-between gap-3">
      <h1 className="text-[22px]">{children}</h1>
      <div className="flex items-center gap-2">
        {kept !== undefined && kept.revision > 0 && (
          <KeyLink hotkey="v" href={kept.at}>
            {`Revision ${kept.revision}`}
          </KeyLink>
        )}
        {left ? (
          <p role="status">Not saved yet, as you left it.</p>
        ) : (
          at && <p role="status">As revision {at} had it; not saved yet.</p>
        )}
        <Button onClick={leave}>Leave it as it was</Button>
        <Button look="act" disabled={wrong.length > 0 || !mayDo(deed)} onClick={save}>
          {saveName} <Key>Ctrl S</Key>
        </Button>
      </div>
    </div>
  );
}
