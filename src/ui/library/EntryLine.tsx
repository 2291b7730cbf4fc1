import type { ShownEntry } from '@/core/library/libraryImport';
import { valueWords } from '@/core/releases/statement';
import { changeWhere } from '../releases/changeWhere';

/** So many changes of one document are shown on its line. */
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
        {changes.slice(0, SHOWN).map((change) => (
          <span key={change.where.join('/')} className="block">
            {changeWhere(change.where)}:{' '}
            <span className="text-soft">{change.before === undefined ? 'not there' : valueWords(change.before)}</span> →{' '}
            {change.after === undefined ? 'taken away' : valueWords(change.after)}
          </span>
        ))}
        {changes.length > SHOWN && <span className="text-soft">and {changes.length - SHOWN} more</span>}
        {came === 'left out' && <span className="text-soft">left out</span>}
      </span>
    </li>
  );
}
