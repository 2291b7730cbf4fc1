import type { Change } from '@/core/releases/compareDocuments';
import { valueWords } from '@/core/releases/statement';

const NO_NAMES: Record<string, string> = {};

/** A field, or the name of an entry, in words: `releaseDate` is `release date`. */
const wordsOf = (field: string): string =>
  field
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .replaceAll('-', ' ')
    .toLowerCase();

/** In what two versions of a document differ, those of one part of it together. */
export function Changes({
  changes,
  checkNames = NO_NAMES,
}: {
  changes: Change[];
  checkNames?: Record<string, string>;
}) {
  const named = (field: string) => checkNames[field] ?? wordsOf(field);
  const groups = new Map<string, Change[]>();
  for (const change of changes) {
    const part = change.where.slice(0, -1).map(named).join(' › ');
    groups.set(part, [...(groups.get(part) ?? []), change]);
  }
  return [...groups].map(([part, within]) => {
    const came = within.every(({ before }) => before === undefined);
    const went = within.every(({ after }) => after === undefined);
    return (
      <div key={part} className="border-b py-1.5">
        {part && (
          <p>
            {part}
            {(came || went) && <span className="text-soft">, {came ? 'added' : 'taken away'}</span>}
          </p>
        )}
        <dl className="grid grid-cols-[minmax(0,14rem)_minmax(0,1fr)] gap-x-4 gap-y-0.5">
          {within.map(({ where, before, after }) => (
            <div key={where.join('/')} className="col-span-2 grid grid-cols-subgrid">
              <dt className={part ? 'pl-4 text-soft' : undefined}>{named(where.at(-1) ?? '')}</dt>
              <dd className="wrap-anywhere">
                {!(came && part) && (
                  <span className="text-soft">
                    {before === undefined ? 'not there' : valueWords(before)}
                    {!(went && part) && ' → '}
                  </span>
                )}
                {!(went && part) && (after === undefined ? 'taken away' : valueWords(after))}
              </dd>
            </div>
          ))}
        </dl>
      </div>
    );
  });
}
