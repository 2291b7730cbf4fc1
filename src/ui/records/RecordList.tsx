'use client';
import { clsx } from 'clsx';
import { ListLine } from '../controls/ListLine';
import { useListKeys } from '../controls/useListKeys';
import { KeyLink } from './KeyLink';
import { RecordTabs } from './RecordTabs';

export interface RecordLine {
  href: string;
  /** One text for each heading; the second is the name. */
  cells: string[];
}

/** A list of records with a way to add one. */
export function RecordList({
  title,
  headings,
  lines,
  addHref,
  addName,
  empty,
}: {
  title: string;
  headings: string[];
  lines: RecordLine[];
  addHref: string;
  addName: string;
  empty: string;
}) {
  const { held } = useListKeys(lines.map(({ href }) => href));
  const columns = { gridTemplateColumns: `9rem minmax(0,1.4fr) repeat(${headings.length - 2}, minmax(0,1fr))` };
  return (
    <main className="mx-auto max-w-[1360px] px-5 py-4">
      <RecordTabs />
      <div className="mb-3 flex items-baseline justify-between gap-4">
        <h1 className="text-lg font-semibold">
          {title} <span className="font-normal text-soft">{lines.length}</span>
        </h1>
        <KeyLink hotkey="n" href={addHref}>
          {addName}
        </KeyLink>
      </div>
      <div className="grid gap-4 border-b px-3 pb-1 text-[13px] text-soft" style={columns}>
        {headings.map((heading) => (
          <span key={heading}>{heading}</span>
        ))}
      </div>
      {lines.map(({ href, cells }, i) => (
        <ListLine key={href} href={href} style={columns} held={i === held}>
          {cells.map((text, column) => (
            <span
              // biome-ignore lint/suspicious/noArrayIndexKey: a cell's identity is its column
              key={column}
              className={clsx('truncate', column === 1 ? 'font-semibold' : column === 0 && 'text-soft')}
            >
              {text}
            </span>
          ))}
        </ListLine>
      ))}
      {lines.length === 0 && <p className="border-b py-6 text-soft">{empty}</p>}
    </main>
  );
}
