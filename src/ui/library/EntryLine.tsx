import { useState } from 'react';
import type { ShownEntry } from '@/core/library/libraryImport';
import { Button } from '../controls/Button';
import { Changes } from '../records/Changes';

/** So many changes of one document are shown on its line until the others are asked for. */
const SHOWN = 6;

/** Where an entry stands; in a file of one line, all begin there. */
const standsAt = ({ line, n }: ShownEntry): string =>
  line === 1 && n > 0 ? `entry ${(n + 1).toLocaleString('en')}` : `line ${line.toLocaleString('en')}`;

/** One document of a file: what it would change, or why it is refused; without its tick it is left out. */
export function EntryLine({
  entry,
  chosen,
  onChoose,
}: {
  entry: ShownEntry;
  chosen: boolean;
  onChoose: (chosen: boolean) => void;
}) {
  const { kind, id, title, came, reason, changes } = entry;
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
      <span className="text-[13px] text-soft">{standsAt(entry)}</span>
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
