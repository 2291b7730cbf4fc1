'use client';
import { useRouter } from 'next/navigation';
import type { ReactNode } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Button, Key } from '../controls/Button';

/** What an editor is about, with the ways out of it: back as it was, or saved. */
export function EditorHead({
  saveName,
  back,
  wrong,
  onSave,
  children,
}: {
  saveName: string;
  back: string;
  /** What stands in the way of saving. */
  wrong: string[];
  onSave: () => void;
  children: ReactNode;
}) {
  const router = useRouter();
  const save = () => {
    if (wrong.length === 0) onSave();
  };
  useHotkeys('mod+s', save, { preventDefault: true, enableOnFormTags: true });
  return (
    <div className="mb-4 flex flex-wrap items-end justify-between gap-3">
      <h1 className="text-[22px]">{children}</h1>
      <div className="flex gap-2">
        <Button onClick={() => router.push(back)}>Leave it as it was</Button>
        <Button look="act" disabled={wrong.length > 0} onClick={save}>
          {saveName} <Key>Ctrl S</Key>
        </Button>
      </div>
    </div>
  );
}
