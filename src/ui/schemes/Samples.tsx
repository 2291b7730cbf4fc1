'use client';
import type { CodeScheme } from '@/core/codes/schemes/codeScheme';
import { codeCharacters, type Decoded, decode } from '@/core/codes/schemes/decode';
import { repair } from '@/core/codes/schemes/repair';
import { formatInterval } from '@/core/dates/interval';
import { CodePieces } from '../codes/CodePieces';
import { Button } from '../controls/Button';
import { MarkSign } from '../marks/MarkSign';

const MOST = 40;

/** Where a code leaves the scheme, and what it may have been. */
function Misfit({ decoded, code, onTry }: { decoded: Decoded; code: string; onTry: (code: string) => void }) {
  const { stop, scheme } = decoded;
  const characters = codeCharacters(code);
  const at = stop?.at ?? 0;
  return (
    <>
      <p className="font-mono text-[20px]">
        {characters.slice(0, at)}
        <span className="wrong-character">{characters.charAt(at) || '␣'}</span>
        {characters.slice(at + 1, 60)}
      </p>
      <p className="text-[13px]">
        Position {at + 1}: expected {stop?.expected.join(' or ')}.
        {repair(scheme, code).map((each) => (
          <Button key={each.code} look="quiet" className="min-h-7 px-2 font-mono" onClick={() => onTry(each.code)}>
            {each.code}
          </Button>
        ))}
      </p>
    </>
  );
}

/** Sample codes, decoded while they and the scheme are typed. */
export function Samples({
  scheme,
  others,
  text,
  today,
  onText,
  onKeep,
}: {
  scheme: CodeScheme;
  /** All other schemes of the records, to tell which of them a sample fits as well. */
  others: CodeScheme[];
  text: string;
  today: string;
  onText: (text: string) => void;
  onKeep: (code: string, day: string | null) => void;
}) {
  const codes = [
    ...new Set(
      text
        .split('\n')
        .map((line) => line.trim())
        .filter(Boolean),
    ),
  ].slice(0, MOST);
  const plausible = { earliest: '1970-01-01', latest: today };
  const kept = new Set(scheme.examples.map(({ code }) => codeCharacters(code)));
  const decoded = codes.map((code) => ({ code, result: decode(scheme, code, plausible) }));
  const fitting = decoded.filter(({ result }) => result.readings.length > 0).length;
  return (
    <section aria-label="Sample codes" className="min-w-0">
      <h2 className="mb-1 text-[15px] font-semibold">
        Sample codes{' '}
        {codes.length > 0 && (
          <span className="font-normal text-soft">
            {fitting} of {codes.length} fit
          </span>
        )}
      </h2>
      <textarea
        aria-label="Sample codes, one on each line"
        value={text}
        rows={4}
        spellCheck={false}
        placeholder="Paste codes that you have seen, one on each line"
        onChange={(event) => onText(event.target.value)}
        className="w-full rounded-sm border border-line bg-sheet px-2 py-1 font-mono text-[15px] outline-none focus:border-accent"
      />
      <ul>
        {decoded.map(({ code, result }) => {
          const [best, ...rest] = result.readings;
          const also = others.filter((other) => decode(other, code, plausible).readings.length > 0);
          return (
            <li key={code} className="flex gap-2.5 border-b py-2.5">
              <span className="pt-1.5">
                <MarkSign mark={best ? (best.daysOutOfUse === 0 ? 'agrees' : 'differs') : 'differs'} size={14} />
              </span>
              <div className="min-w-0 grow">
                {best ? (
                  <CodePieces pieces={best.pieces} />
                ) : (
                  <Misfit decoded={result} code={code} onTry={(next) => onText(text.replace(code, next))} />
                )}
                {best?.made && (
                  <p className="mt-1">
                    {formatInterval(best.made)}
                    {rest.length > 0 && (
                      <span className="text-[13px] text-soft">
                        {' '}
                        or{' '}
                        {rest
                          .slice(0, 4)
                          .map(({ made }) => (made ? formatInterval(made) : ''))
                          .join(', ')}
                      </span>
                    )}
                    {best.daysOutOfUse !== 0 && <span className="text-differs"> outside of its time of use</span>}
                  </p>
                )}
                {also.length > 0 && (
                  <p className="text-[13px] text-soft">fits too: {also.map(({ name }) => name).join(', ')}</p>
                )}
                {result.bounded && (
                  <p className="text-[13px] text-doubt">Cut short: there are more ways to read it than are tried.</p>
                )}
              </div>
              {best && !kept.has(codeCharacters(code)) && (
                <Button look="quiet" onClick={() => onKeep(code, best.made?.from ?? null)}>
                  Keep as example
                </Button>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
