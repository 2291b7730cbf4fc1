'use client';
import { useRouter } from 'next/navigation';
import { type ReactNode, useState } from 'react';
import { v4 as newUuid } from 'uuid';
import { USUAL } from '../casebook/circumstances';
import { Button, Key } from '../controls/Button';
import { LabelledChoice } from '../controls/LabelledChoice';
import { useGo } from '../controls/useGo';
import { useKeys } from '../controls/useKeys';
import { useMay } from '../people/Me';
import { post } from '../request';

function Way({ title, says, children }: { title: string; says: string; children: ReactNode }) {
  return (
    <section className="grid grid-cols-[minmax(0,1fr)_auto] items-center gap-x-8 gap-y-3 border-b py-5 max-md:grid-cols-1">
      <div className="max-w-[62ch]">
        <h2 className="text-[19px] font-semibold">{title}</h2>
        <p className="text-soft">{says}</p>
      </div>
      <div className="flex items-end gap-3">{children}</div>
    </section>
  );
}

/** A desk at which nothing is kept yet: the three ways to begin. */
export function EmptyDesk({ kinds }: { kinds: { id: string; name: string }[] }) {
  const router = useRouter();
  const go = useGo();
  const mayDo = useMay();
  const [kind, setKind] = useState(kinds[0]?.id ?? '');
  const [busy, setBusy] = useState<'item' | 'demo' | null>(null);
  const [trouble, setTrouble] = useState('');
  const attempt = async (what: 'item' | 'demo', work: () => Promise<void>) => {
    if (busy) return;
    setBusy(what);
    setTrouble('');
    try {
      await work();
    } catch (error) {
      setTrouble((error as Error).message);
    }
    setBusy(null);
  };
  const readItem = () =>
    attempt('item', async () => {
      const { number } = await post<{ number: string }>('/api/cases', {
        caseId: newUuid(),
        query: kinds.find(({ id }) => id === kind)?.name ?? 'a genuine item',
        circumstances: { ...USUAL, reference: true },
        release: null,
        kind,
        scanned: false,
      });
      go(`/case/${number}/codes`);
    });
  const layOut = () =>
    attempt('demo', async () => {
      await post('/api/demo', {});
      router.refresh();
    });
  useKeys('1', () => void readItem());
  useKeys('2', () => go('/library'));
  useKeys('3', () => void layOut());
  return (
    <main className="mx-auto max-w-[920px] px-5 py-10">
      <h1 className="mb-2 text-[26px] font-semibold">Nothing is kept at this desk yet</h1>
      <p className="mb-4 text-[17px]">
        An item is held against a record of its release. There are three ways to come by the first one.
      </p>
      {trouble && (
        <p role="alert" className="mb-3 text-differs">
          {trouble}
        </p>
      )}
      <div className="border-t">
        <Way
          title="Read a genuine item"
          says="Take one that you bought to learn from. Read what is printed on it and answer what its checks ask; its record comes of that, in about ten minutes."
        >
          <LabelledChoice
            label="Kind of goods"
            value={kind}
            options={kinds.map(({ id, name }) => ({ value: id, label: name }))}
            onChange={setKind}
          />
          <Button look="act" disabled={busy !== null || !mayDo('opened')} onClick={() => void readItem()}>
            Begin with it <Key>1</Key>
          </Button>
        </Way>
        <Way
          title="Bring a file"
          says="A maker’s table of styles, sizes and barcode numbers (CSV), or the library of another desk. You see what would be new before anything is kept."
        >
          <Button disabled={busy !== null} onClick={() => go('/library')}>
            Choose a file <Key>2</Key>
          </Button>
        </Way>
        <Way
          title="Look around in the demo world"
          says="Made-up makers, releases, people and two years of items. It takes about a minute, and goes into an empty desk only."
        >
          <Button disabled={busy !== null || !mayDo('keepDesk')} onClick={() => void layOut()}>
            {busy === 'demo' ? 'Laying it out' : 'Lay it out'} <Key>3</Key>
          </Button>
        </Way>
      </div>
      {busy === 'demo' && (
        <p role="status" className="mt-4">
          The demo world is being laid out; this page goes on by itself.
        </p>
      )}
    </main>
  );
}
