import { useState } from 'react';
import type { ShownEntry } from '@/core/library/libraryImport';
import { Button } from '../controls/Button';
import { Changes } from '../releases/Changes';

/** So many changes of one document are shown on its line until the others are asked for. */
const SHOWN = 6;

/** One document of a file: what it would change, or why it is refused; without its tick it is left out. */
export function EntryLine({
  entry: { line, kind, id, title, came, reason, changes },
  chosen,
  onChoose,
}: {
  entry: ShownEntry;
  chosen: boolean;
  onChoose: (chosen: boolean) => void;
}) {
  const [all, setAll] = useState(false);
  const brings = came === 'new' || came === 'changed';
  return (
    <li className="grid grid-cols-[1.5rem_6rem_minmax(0,18rem)_minmax(0,1fr)] items-baseline gap-3 border-b py-1.5 max-md:grid-cols-[1.5rem_minmax(0,1fr)]">
      <span>
        {brings && (
          <input
            type="checkbox"
            className="size-4 accent-(--accent)"
            aria-label={`Take in ${kind} ${title}`}
            checked={chosen}
            onChange={({ target }) => onChoose(target.checked)}
          />
        )}
      </span>
      <span className="text-[13px] text-soft">line {line.toLocaleString('en')}</span>
      <span className="truncate" title={id}>
        <span className="text-soft">{kind}</span> {title || id}
      </span>
      <span className="text-[14px]">
        {reason && <span className={came === 'refused' ? 'text-differs' : 'text-doubt'}>{reason}</span>}
        {changes.length > 0 && <Changes changes={all ? changes : changes.slice(0, SHOWN)} />}
        {changes.length > SHOWN && !all && (
          <Button look="quiet" className="px-0" onClick={() => setAll(true)}>
            and {changes.length - SHOWN} more
          </Button>
        )}
        {came === 'left out' && <span className="text-soft">left out</span>}
      </span>
    </li>
  );
}
