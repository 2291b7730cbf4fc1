'use client';
import Link from 'next/link';
import { useEffect, useState } from 'react';
import { GOODS_WORDS } from '@/core/judgement/sentences';
import { useCaseBook } from '../casebook/CaseBook';
import type { QueueLineView } from '../queue/QueueLine';
import { request } from '../request';

/** What became of a seller's items, as the desk tells it. */
interface SellerRecordView {
  seller: string;
  count: number;
  open: number;
  genuine: number;
  counterfeit: number;
  undecided: number;
  closed: number;
  confirmed: number;
  lines: QueueLineView[];
}

/** Everything that this seller brought before, and what became of it. */
export function SellerPart() {
  const { number, file } = useCaseBook();
  const { seller } = file.circumstances;
  const [record, setRecord] = useState<SellerRecordView | null>(null);
  const [trouble, setTrouble] = useState('');
  useEffect(() => {
    setRecord(null);
    setTrouble('');
    if (!seller) return;
    const away = new AbortController();
    request<SellerRecordView>(`/api/sellers?seller=${encodeURIComponent(seller)}`, { signal: away.signal })
      .then(setRecord)
      .catch((error: Error) => error.name !== 'AbortError' && setTrouble(error.message));
    return () => away.abort();
  }, [seller]);
  const others = record?.lines.filter((line) => line.number !== number) ?? [];
  return (
    <section aria-label="The seller">
      <h2 className="border-b pb-1 text-[15px] font-semibold">{seller ? `Seller “${seller}”` : 'The seller'}</h2>
      {!seller && (
        <p className="py-2 text-soft">
          Without a label. Give the seller one beside the circumstances, and all of their items stand together here.
        </p>
      )}
      {trouble && <p className="py-2 text-differs">{trouble}</p>}
      {record && others.length === 0 && <p className="py-2 text-soft">This is the first item of theirs here.</p>}
      {record && others.length > 0 && (
        <>
          <p className="py-2">
            {record.count} {record.count === 1 ? 'item' : 'items'}: {record.genuine} genuine, {record.counterfeit}{' '}
            counterfeit, {record.undecided} undecided, {record.open} open
            {record.closed > 0 ? `, ${record.closed} closed` : ''}; {record.confirmed} of them confirmed.
          </p>
          <ul>
            {others.map((line) => (
              <li
                key={line.number}
                className="grid grid-cols-[4.5rem_minmax(0,1fr)_auto] gap-2 border-t py-1 text-[14px]"
              >
                <Link className="font-mono text-accent hover:underline" href={`/case/${line.number}/verdict`}>
                  {line.number}
                </Link>
                <span className="truncate">{line.title}</span>
                <span className="text-soft">{line.state === 'open' ? 'open' : GOODS_WORDS[line.goods.decision]}</span>
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}
