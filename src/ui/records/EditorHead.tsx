'use client';
import { useRouter } from 'next/navigation';
import type { ReactNode } from 'react';
import type { Deed } from '@/core/people/permissions';
import { Button, Key } from '../controls/Button';
import { useKeys } from '../controls/useKeys';
import { useMay } from '../people/Me';

/** What an editor is about, with the ways out of it: back as it was, or saved. */
export function EditorHead({
  saveName,
  back,
  deed,
  wrong,
  onSave,
  children,
}: {
  saveName: string;
  back: string;
  /** What saving is, to the desk. */
  deed: Deed;
  /** What stands in the way of saving. */
  wrong: string[];
  onSave: () => void;
  children: ReactNode;
}) {
  const router = useRouter();
  const mayDo = useMay();
  const save = () => {
    if (wrong.length === 0 && mayDo(deed)) onSave();
  };
  useKeys('mod+s', save, { preventDefault: true, enableOnFormTags: true });
  return (
    <div className="mb-4 flex flex-wrap items-end justify-between gap-3">
      <h1 className="text-[22px]">{children}</h1>
      <div className="flex gap-2">
        <Button onClick={() => router.push(back)}>Leave it as it was</Button>
        <Button look="act" disabled={wrong.length > 0 || !mayDo(deed)} onClick={save}>
          {saveName} <Key>Ctrl S</Key>
        </Button>
      </div>
    </div>
  );
}
