'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { KindNews } from '@/core/checks/bringUpToDate';
import { Button, Key } from '../controls/Button';
import { useKeys } from '../controls/useKeys';
import { useMay } from '../people/Me';
import { post } from '../request';

const counted = (names: string[], one: string, many: string): string[] =>
  names.length === 0 ? [] : [`${names.length} ${names.length === 1 ? one : many}`];

function Names({ title, names }: { title: string; names: string[] }) {
  if (names.length === 0) return null;
  return (
    <p>
      <strong className="font-semibold">{title}:</strong> {names.join(', ')}.
    </p>
  );
}

/** What a newer program asks of a kind of goods, to be taken over or left. */
export function ShippedNews({ kind, revision, news }: { kind: string; revision: number; news: KindNews }) {
  const router = useRouter();
  const mayDo = useMay();
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState('');
  const may = mayDo('editChecks');
  const take = async () => {
    if (busy || !may) return;
    setBusy(true);
    try {
      await post(`/api/checks/${kind}/shipped`, { from: revision });
      setTrouble('');
      router.refresh();
    } catch (error) {
      setTrouble((error as Error).message);
    }
    setBusy(false);
  };
  useKeys('t', () => void take());
  const { added, changed, gone, kept, frame } = news;
  const parts = [
    ...counted(added, 'new check', 'new checks'),
    ...counted(changed, 'changed', 'changed'),
    ...counted(gone, 'gone', 'gone'),
    ...(frame ? ['other places, views or cautions'] : []),
  ];
  return (
    <section aria-label="What this program brings" className="mb-4 border-l-4 border-accent bg-sheet px-4 py-2.5">
      <div className="flex flex-wrap items-center justify-between gap-x-6 gap-y-1">
        <p>
          This program ships more than the desk began with: {parts.join(', ')}.{' '}
          {kept.length > 0 &&
            `${kept.length === 1 ? 'One' : kept.length} that you changed stay${kept.length === 1 ? 's' : ''} yours.`}
        </p>
        <Button disabled={busy || !may} onClick={() => void take()}>
          Take over <Key>t</Key>
        </Button>
      </div>
      <details className="text-[14px]">
        <summary className="min-h-6 cursor-pointer text-soft">Which ones</summary>
        <div className="grid max-w-[110ch] gap-1 pt-1 pb-2">
          <Names title="New" names={added} />
          <Names title="Changed" names={changed} />
          <Names title="No longer asked" names={gone} />
          <Names title="Stay as they are here" names={kept} />
          <p className="text-soft">
            What is kept now stays as revision {revision}; open cases are held against the new one.
          </p>
        </div>
      </details>
      {trouble && (
        <p role="alert" className="text-differs">
          {trouble}
        </p>
      )}
    </section>
  );
}
