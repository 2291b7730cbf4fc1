import Link from 'next/link';
import type { Replay } from '@/core/judgement/replay';

/** How some rules did on cases whose truth is known. */
type Outcome = Omit<Replay, 'decisions'>;

export interface Preview {
  before: Outcome;
  after: Outcome;
  changed: { number: string; truth: string; before: string; after: string }[];
  warnings: string[];
}

const ROWS: [keyof Outcome, string][] = [
  ['right', 'decided as the truth was'],
  ['acceptedCounterfeit', 'counterfeits accepted'],
  ['rejectedGenuine', 'genuine items rejected'],
  ['undecided', 'left undecided'],
];
const MOST = 12;
const WORDS: Record<string, string> = { noObjection: 'no objection' };

/** What the edited rules would have made of the last confirmed cases, beside those in force. */
export function PreviewTable({ preview, changed }: { preview: Preview | null; changed: boolean }) {
  if (!preview) return <p className="text-soft">Working out what these rules would have done …</p>;
  const { before, after, warnings } = preview;
  if (before.cases === 0)
    return <p className="text-soft">No case is confirmed yet, so it cannot be shown what a change would have done.</p>;
  return (
    <section aria-label="What it would have done" aria-live="polite" className="max-[1100px]:col-span-full">
      <h2 className="border-b pb-1 text-[15px] font-semibold">The last {before.cases} confirmed cases</h2>
      <table className="w-full border-collapse">
        <thead>
          <tr className="text-right text-[13px] text-soft">
            <th scope="col" className="text-left font-normal">
              decided today
            </th>
            <th scope="col" className="w-24 font-normal">
              rules in force
            </th>
            <th scope="col" className="w-24 font-normal">
              {changed ? 'as edited' : 'unchanged'}
            </th>
          </tr>
        </thead>
        <tbody>
          {ROWS.map(([key, name]) => (
            <tr key={key} className="border-t">
              <th scope="row" className="py-1.5 text-left font-normal">
                {name}
              </th>
              <td className="text-right font-mono">{before[key]}</td>
              <td className={`text-right font-mono ${after[key] === before[key] ? '' : 'font-bold text-accent'}`}>
                {after[key]}
              </td>
            </tr>
          ))}
          <tr className="border-y">
            <th scope="row" className="py-1.5 text-left font-normal">
              mean loss, points
            </th>
            <td className="text-right font-mono">{before.meanLoss.toFixed(2)}</td>
            <td className="text-right font-mono">{after.meanLoss.toFixed(2)}</td>
          </tr>
        </tbody>
      </table>
      {warnings.map((sentence) => (
        <p key={sentence} role="alert" className="mt-2 text-differs">
          {sentence}
        </p>
      ))}
      {preview.changed.length > 0 && (
        <>
          <h3 className="mt-4 border-b pb-1 text-[13px] text-soft">
            {preview.changed.length} would have been decided otherwise
          </h3>
          <ul>
            {preview.changed.slice(0, MOST).map(({ number, truth, before: was, after: would }) => (
              <li key={number} className="flex min-h-8 items-center gap-3 border-b">
                <Link
                  href={`/case/${number}/verdict`}
                  className="font-mono text-accent underline-offset-4 hover:underline"
                >
                  {number}
                </Link>
                <span className="min-w-0 grow truncate">
                  {WORDS[was] ?? was} → <strong className="font-semibold">{WORDS[would] ?? would}</strong>
                </span>
                <span className="text-[13px] text-soft">was {truth}</span>
              </li>
            ))}
          </ul>
          {preview.changed.length > MOST && (
            <p className="pt-1 text-[13px] text-soft">and {preview.changed.length - MOST} more</p>
          )}
        </>
      )}
    </section>
  );
}
