import { useState } from 'react';
import { formatDay } from '@/core/dates/day';
import { Button } from '../controls/Button';
import type { LookedAt } from './consignment';

const SHOWN = 15;

/** A manifest as it is understood, what is wrong with it first. */
export function ManifestLines({ looked: { lines, wrong, pieces } }: { looked: LookedAt }) {
  const [all, setAll] = useState(false);
  const remarks = lines.filter(({ remark }) => remark !== '').length;
  const sorted = [...lines].sort((a, b) => Number(b.remark !== '') - Number(a.remark !== '') || a.line - b.line);
  return (
    <div>
      <h3 className="mb-1 text-[15px] font-semibold">
        4. {pieces} {pieces === 1 ? 'piece' : 'pieces'} on {lines.length} {lines.length === 1 ? 'line' : 'lines'}
        <span className="font-normal text-soft">
          {remarks > 0 ? `, ${remarks} with a remark` : ''}
          {wrong.length > 0 ? `, ${wrong.length} cannot be taken` : ''}. Nothing is kept yet.
        </span>
      </h3>
      {wrong.length > 0 && (
        <ul className="mb-2 max-h-40 overflow-y-auto border-l-4 border-differs pl-3 text-differs">
          {wrong.map(({ line, why }) => (
            <li key={`${line} ${why}`}>
              Line {line}: {why}
            </li>
          ))}
        </ul>
      )}
      <table className="w-full [&_td]:pr-4 [&_th]:pr-4">
        <thead className="text-left text-[13px] text-soft">
          <tr className="border-b">
            {['Line', 'Theirs', 'Read as', 'Size', 'Pieces', 'Tag', 'Due', 'Remark'].map((each) => (
              <th key={each} className="py-1 font-normal">
                {each}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {(all ? sorted : sorted.slice(0, SHOWN)).map((line) => (
            <tr key={line.line} className="border-b">
              <td className="py-1 font-mono">{line.line}</td>
              <td className="max-w-28 truncate">{line.ref || '–'}</td>
              <td className="max-w-72 truncate">
                {line.release ? line.release.title : <span className="text-soft">{line.query}</span>}
              </td>
              <td className="font-mono">{line.sizeKey ?? (line.size || '–')}</td>
              <td className="font-mono">{line.quantity}</td>
              <td className="max-w-32 truncate font-mono text-[13px]" title={line.epc ?? ''}>
                {line.epc ? `…${line.epc.slice(-8)}` : '–'}
              </td>
              <td className="whitespace-nowrap">{line.due ? formatDay(line.due) : '–'}</td>
              <td className="text-[13px] text-doubt">{line.remark}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {lines.length > SHOWN && (
        <Button look="quiet" onClick={() => setAll(!all)}>
          {all ? 'Show fewer' : `All ${lines.length} lines`}
        </Button>
      )}
    </div>
  );
}
