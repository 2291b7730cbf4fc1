'use client';
import { clsx } from 'clsx';
import Link from 'next/link';
import { memo, type ReactNode, useEffect, useRef } from 'react';
import { type Finding, unitOf } from '@/core/checks/finding';
import { NO_RECORD } from '@/core/checks/measuredForm';
import { toolWords } from '@/core/checks/tools';
import { MARK_WORDS } from '@/core/crossread/mark';
import { findingWords } from '@/core/judgement/sentences';
import { MarkSign } from '../marks/MarkSign';
import { CheckGuide } from './CheckGuide';

const BEARING_WORDS = { goods: 'about the goods', packaging: 'about the packaging', link: 'ties goods and packaging' };

/** What the check bears on and what its weight rests on. */
function workingWords({ bearsOn, answer, g, c, support, source, seconds, tools }: Finding['check']): string {
  const rests =
    'measure' in answer && answer.measure !== NO_RECORD
      ? `weighed by its distance from the record (${support}: ${source})`
      : `differs in ${Number((g * 100).toFixed(1))} % of genuine and ${Math.round(c * 100)} % of counterfeit items (${support}: ${source})`;
  const time = answer.form === 'codes' ? '' : ` · about ${seconds}\u00a0s`;
  const needs = tools?.length ? ` · needs ${toolWords(tools)}` : '';
  return `${BEARING_WORDS[bearsOn]} · ${rests}${time}${needs}`;
}

/** What was answered, in a few words for the end of the line. */
function answerWords(finding: Finding): string {
  const { check, mark, choice, value, nominal, reason } = finding;
  if (check.answer.form === 'codes') return mark === 'open' ? 'from the codes' : MARK_WORDS[mark];
  if (finding.noFigure && value !== undefined) return `${value} ${unitOf(finding)}, nothing to hold it against`;
  if (finding.noFigure && finding.text !== undefined) return `“${finding.text}”, nothing to hold it against`;
  if (mark === 'excused') return `excused: ${reason}`;
  if (finding.left)
    return `left ${finding.left}, right ${finding.right}${nominal ? ` ${nominal.unit}, ${MARK_WORDS[mark]}` : ''}`;
  if (value !== undefined && nominal) return `${value} ${nominal.unit}, ${MARK_WORDS[mark]}`;
  return choice ?? finding.text ?? MARK_WORDS[mark];
}

function Line({
  finding,
  focused,
  suggested,
  codesPath,
  onFocus,
  children,
}: {
  finding: Finding;
  focused: boolean;
  suggested: boolean;
  codesPath: string;
  onFocus: (check: string) => void;
  children: ReactNode;
}) {
  const { check, mark, note } = finding;
  const line = useRef<HTMLLIElement>(null);
  useEffect(() => {
    if (focused) line.current?.scrollIntoView({ block: 'nearest' });
  }, [focused]);
  return (
    <li
      ref={line}
      className={clsx('border-b bg-sheet', focused && 'shadow-[inset_3px_0_0_var(--accent)]')}
      data-check={check.id}
      data-mark={mark}
      data-form={check.answer.form}
    >
      <button
        type="button"
        data-line
        onClick={() => onFocus(check.id)}
        aria-expanded={focused}
        className="grid min-h-11 w-full grid-cols-[16px_minmax(0,1fr)_minmax(0,auto)] items-center gap-3 px-4 py-1.5 text-left"
      >
        <MarkSign mark={mark} />
        <span className={clsx('truncate', focused && 'font-semibold')}>
          {check.name}
          {suggested && <span className="ml-3 font-normal text-accent">suggested next</span>}
        </span>
        <span
          className={clsx(
            'max-w-[26rem] truncate text-[14px]',
            mark === 'differs' || mark === 'missing' ? 'text-differs' : 'text-soft',
          )}
        >
          {mark === 'open' && check.answer.form !== 'codes' ? '' : answerWords(finding)}
        </span>
      </button>
      {focused && (
        <div className="grid gap-3 px-4 pt-1 pb-4 pl-[45px]">
          <CheckGuide finding={finding} />
          {check.answer.form === 'codes' ? (
            <p className="max-w-[72ch]">
              {finding.reason}{' '}
              <Link href={codesPath} className="text-accent underline underline-offset-4">
                Read it in Codes
              </Link>
            </p>
          ) : (
            children
          )}
          {mark === 'cantTell' && finding.reason && check.answer.form !== 'codes' && (
            <p className="max-w-[72ch] text-doubt">It counts for nothing: {finding.reason}.</p>
          )}
          {note && <p className="max-w-[72ch] text-soft">Note: {note}</p>}
          <p className="text-[13px] text-soft">{workingWords(check)}</p>
          <span className="sr-only">{findingWords(finding)}</span>
        </div>
      )}
    </li>
  );
}

const SHOWN = ['mark', 'choice', 'value', 'left', 'right', 'text', 'reason', 'note'] as const;

/** One check as a line; the one in focus opens to all that is needed to do it. A closed line is drawn again only when it says something else. */
export const CheckLine = memo(Line, (a, b) => {
  const closed = !a.focused && !b.focused && a.suggested === b.suggested && a.codesPath === b.codesPath;
  const { finding: one } = a;
  const { finding: other } = b;
  return (
    closed &&
    one.check.id === other.check.id &&
    one.check.name === other.check.name &&
    SHOWN.every((key) => one[key] === other[key])
  );
});
