'use client';
import Link from 'next/link';
import { useState } from 'react';
import type { Outcome } from '@/core/checks/check';
import { answerPairs, answerText, cohensKappa } from '@/core/checks/secondOpinion';
import { useCaseBook, useStanding } from '../casebook/CaseBook';
import { Button, Key } from '../controls/Button';
import { Choice } from '../controls/Choice';
import { Sheet } from '../controls/Sheet';
import { Tick } from '../controls/Tick';
import { useMay } from '../people/Me';

/** Ask another checker, who answers without seeing the first answers; both are shown side by side afterwards. */
export function OpinionPanel({ me }: { me: string }) {
  const { number, file, record, nameOf, checkers } = useCaseBook();
  const { assessment } = useStanding();
  const others = checkers.filter(({ id }) => id !== me);
  const [to, setTo] = useState(others[0]?.id ?? '');
  const [asking, setAsking] = useState(false);
  const answered = assessment.findings.filter(({ check }) => file.findings[check.id]?.state === 'recorded');
  const disputed = answered.filter(({ mark }) => mark === 'differs' || mark === 'missing' || mark === 'cantTell');
  const mayDo = useMay();
  const [chosen, setChosen] = useState<string[]>([]);
  const begin = () => {
    setChosen((disputed.length > 0 ? disputed : answered.slice(0, 5)).map(({ check }) => check.id));
    setAsking(true);
  };
  const nameOfCheck = (id: string) => assessment.findings.find(({ check }) => check.id === id)?.check.name ?? id;
  const askable = !file.seal && mayDo('opinionAsked') && others.length > 0 && answered.length > 0;
  if (!askable && file.opinions.length === 0) return null;
  return (
    <section className="border-t pt-3">
      <h2 className="mb-1 text-[15px] font-semibold">Second opinion</h2>
      {file.opinions.map((opinion) => {
        const { id, given, checks } = opinion;
        if (!given)
          return (
            <p key={id}>
              Asked of {nameOf(opinion.to)}: {checks.length} {checks.length === 1 ? 'check' : 'checks'}.{' '}
              {opinion.to === me && (
                <Link href={`/case/${number}/second/${id}`} className="text-accent underline underline-offset-4">
                  Give it now
                </Link>
              )}
            </p>
          );
        const first = Object.fromEntries(
          checks.flatMap((check) => {
            const entry = file.findings[check];
            return entry?.state === 'recorded' ? [[check, entry.outcome as Outcome] as const] : [];
          }),
        );
        const pairs = answerPairs(assessment.findings, opinion, first);
        const kappa = cohensKappa(pairs);
        const same = pairs.filter(({ first: a, second: b }) => a === b).length;
        return (
          <div key={id} className="mt-1">
            <p>
              {nameOf(given.by)}: {same} of {pairs.length} alike
              {kappa === null ? '' : `, kappa ${kappa.toFixed(2)}`}
            </p>
            <ul className="mt-1 grid gap-1 text-[13px]">
              {Object.entries(given.answers).map(([check, answer]) => {
                const entry = file.findings[check];
                const mine = entry?.state === 'recorded' ? answerText(entry) : 'taken back';
                const theirs = answerText(answer);
                return (
                  <li key={check} className={mine === theirs ? 'text-soft' : 'text-differs'}>
                    {nameOfCheck(check)}: {mine}
                    {mine === theirs ? ', both' : ` | ${theirs}`}
                  </li>
                );
              })}
            </ul>
          </div>
        );
      })}
      {askable && (
        <Button data-key="o" className="mt-2" onClick={begin}>
          Ask for a second opinion <Key>o</Key>
        </Button>
      )}
      <Sheet
        open={asking}
        onOpenChange={setAsking}
        title="Ask for a second opinion"
        description="The other person sees the instruction and what is expected, not the answers that were given. Where the two say opposite things, neither counts."
      >
        <div className="grid gap-3">
          <div className="flex items-center gap-2">
            Ask
            <Choice
              label="Whom"
              value={to}
              options={others.map(({ id, name }) => ({ value: id, label: name }))}
              onChange={setTo}
            />
          </div>
          <ul className="grid max-h-72 gap-1 overflow-auto">
            {answered.map(({ check }) => (
              <li key={check.id}>
                <Tick
                  label={check.name}
                  checked={chosen.includes(check.id)}
                  onChange={(on) => setChosen(on ? [...chosen, check.id] : chosen.filter((each) => each !== check.id))}
                />
              </li>
            ))}
          </ul>
          <div>
            <Button
              look="act"
              disabled={chosen.length === 0}
              onClick={() => {
                record('opinionAsked', { to, checks: chosen });
                setAsking(false);
              }}
            >
              Ask
            </Button>
          </div>
        </div>
      </Sheet>
    </section>
  );
}
