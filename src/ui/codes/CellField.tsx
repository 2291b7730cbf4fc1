'use client';
import { clsx } from 'clsx';
import { type KeyboardEvent, startTransition, useRef, useState } from 'react';
import type { FactEntry } from '@/core/casefile/caseFile';
import type { Cell } from '@/core/crossread/cell';
import { MARK_WORDS } from '@/core/crossread/mark';
import { MarkSign } from '../marks/MarkSign';
import type { Handlers } from './Matrix';
import { draftProblem } from './useDrafts';

/** The display form with its wrong characters marked in place. */
function Segments({ cell }: { cell: Cell }) {
  return cell.segments.map((segment, i) => {
    // biome-ignore lint/suspicious/noArrayIndexKey: segments have no identity but their place
    if (!segment.differs) return <span key={i}>{segment.text}</span>;
    return (
      // biome-ignore lint/suspicious/noArrayIndexKey: segments have no identity but their place
      <span key={i} className="wrong-character" data-meant={segment.expected}>
        {segment.text}
      </span>
    );
  });
}

/** What stands for an entry in its field. */
const wordsOf = (entry: FactEntry | null): string =>
  entry?.state === 'absent' ? '-' : entry?.state === 'illegible' ? '?' : (entry?.raw ?? '');

/**
 * One cell of the matrix: a field while it is typed in, the read and compared code otherwise. What is typed lives in
 * the cell itself, so that a key is shown before anything is compared; what is kept is the log's, whether it was
 * compared yet or not.
 */
export function CellField({
  cell,
  entry,
  label,
  code,
  readOnly,
  example,
  handlers,
}: {
  cell: Cell;
  /** What the log holds of it. */
  entry: FactEntry | null;
  label: string;
  code: boolean;
  readOnly: boolean;
  example: string;
  handlers: Handlers;
}) {
  const [focused, setFocused] = useState(false);
  /** What is being typed, or null where the cell shows what is kept. */
  const [typed, setTyped] = useState<string | null>(null);
  const at = { place: cell.place, fact: cell.fact };
  const kept = wordsOf(entry);
  const refusal = typed === null ? null : draftProblem({ ...at, raw: typed });
  const overlay = !focused && typed === null && cell.entry !== null && wordsOf(cell.entry) === kept;
  /** The same at once: Enter keeps and moves on, and leaving the field must not keep it again. */
  const unkept = useRef<string | null>(null);
  const keep = () => {
    const raw = unkept.current;
    if (raw === null || refusal) return;
    unkept.current = null;
    // The hand goes on to the next cell; what the entry changes is drawn behind it.
    startTransition(() => {
      handlers.onKeep({ ...at, raw });
      setTyped(null);
    });
  };
  const onKeyDown = (event: KeyboardEvent<HTMLInputElement>) => {
    if (event.key === 'Enter' || event.key === 'ArrowDown') {
      event.preventDefault();
      keep();
      handlers.onMove(at, 1);
    } else if (event.key === 'ArrowUp') {
      event.preventDefault();
      keep();
      handlers.onMove(at, -1);
    } else if (event.key === 'Escape') {
      // First what was typed goes, then the field; the hand stays on the cell, and Enter leads back in.
      if (typed !== null) {
        unkept.current = null;
        setTyped(null);
        handlers.onRevert(at);
      } else event.currentTarget.closest('td')?.focus();
    }
  };
  const face =
    code && cell.display.length > 36
      ? 'font-mono text-[12px] wrap-anywhere'
      : code && cell.display.length > 16
        ? 'font-mono text-[13px] wrap-anywhere'
        : code
          ? 'font-mono text-[17px]'
          : 'text-[15px]';
  const word = refusal ? 'not kept' : MARK_WORDS[cell.mark];
  return (
    <div className={clsx('flex h-full items-center gap-2 pl-2', focused && 'bg-wash')} data-mark={cell.mark}>
      <MarkSign mark={refusal ? 'differs' : cell.mark} size={14} />
      <div className="relative h-full min-h-10 w-full min-w-0">
        <input
          value={typed ?? kept}
          readOnly={readOnly}
          aria-label={`${label}, ${word}`}
          aria-invalid={cell.mark === 'differs' || refusal !== null}
          title={refusal ?? cell.note}
          placeholder={focused ? example : ''}
          spellCheck={false}
          autoComplete="off"
          onChange={(event) => {
            unkept.current = event.target.value;
            setTyped(event.target.value);
            handlers.onType({ ...at, raw: event.target.value });
          }}
          onPaste={(event) => {
            const text = event.clipboardData.getData('text');
            if (readOnly || !/[\r\n]/.test(text.trim())) return;
            event.preventDefault();
            handlers.onPasteLabel(cell.place, text);
          }}
          onKeyDown={onKeyDown}
          onFocus={(event) => {
            setFocused(true);
            handlers.onFocus(at);
            event.target.select();
          }}
          onBlur={() => {
            setFocused(false);
            keep();
          }}
          className={clsx(
            'absolute inset-0 w-full bg-transparent px-1 outline-none',
            face,
            overlay && 'text-transparent selection:text-transparent',
          )}
        />
        {overlay && (
          <span
            aria-hidden
            className={clsx(
              'pointer-events-none absolute inset-0 flex items-center overflow-clip px-1',
              cell.display.length > 18 ? 'leading-tight whitespace-normal' : 'whitespace-pre',
              cell.entry?.state === 'read' ? face : 'text-soft',
            )}
          >
            <span>{cell.entry?.state === 'read' ? <Segments cell={cell} /> : cell.display}</span>
          </span>
        )}
      </div>
    </div>
  );
}
