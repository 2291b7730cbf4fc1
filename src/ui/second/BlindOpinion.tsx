'use client';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import type { RecordedFinding } from '@/core/casefile/events/findingRecorded';
import { answerText } from '@/core/checks/secondOpinion';
import { useCaseBook, useSaving, useStanding } from '../casebook/CaseBook';
import { Button, Key } from '../controls/Button';
import { useGo } from '../controls/useGo';
import { useKept } from '../controls/useKept';
import { useKeys } from '../controls/useKeys';
import { AnswerForm } from '../inspect/AnswerForm';
import { CheckGuide } from '../inspect/CheckGuide';
import { useFound } from '../inspect/useFound';

/** The checks that a second person was asked about, one after another, without the first answers. */
export function BlindOpinion({ opinion: id, me }: { opinion: string; me: string | null }) {
  const { number, file, record } = useCaseBook();
  const { assessment } = useStanding();
  const { pending, trouble } = useSaving();
  const [given, setGiven] = useState(false);
  const router = useRouter();
  const go = useGo();
  const [kept, setAnswers, forget] = useKept<Record<string, RecordedFinding>>(`opinion-${id}`);
  const answers = kept ?? {};
  const opinion = file.opinions.find((each) => each.id === id);
  const asked = assessment.findings.filter(({ check }) => opinion?.checks.includes(check.id));
  const current = asked.find(({ check }) => !answers[check.id]);
  const give = (answer: RecordedFinding) => {
    if (!current) return;
    setAnswers({ ...answers, [current.check.id]: answer });
  };
  const found = useFound(current, give);
  useKeys('1,2,3,4,5,6,7,8,9', (event) => found.choose(Number(event.key) - 1));
  useKeys('0', () => give({ outcome: 'cantTell' }));
  const finish = () => {
    record('opinionGiven', { asked: id, answers });
    setGiven(true);
  };
  // What the others found is shown once the opinion is kept, and no earlier.
  useEffect(() => {
    if (!given || pending.length > 0 || trouble !== null) return;
    forget();
    go(`/case/${number}/verdict`);
    router.refresh();
  }, [given, pending, trouble, forget, number, go, router]);
  if (!opinion || opinion.given || opinion.to !== me)
    return (
      <main className="mx-auto max-w-[720px] px-5 py-6">
        <p>
          {!opinion
            ? 'Nobody asked for this opinion.'
            : opinion.given
              ? 'This opinion was given already.'
              : 'This opinion was asked of somebody else; that person has to be at the bench.'}
        </p>
      </main>
    );
  return (
    <main className="mx-auto grid max-w-[720px] gap-4 px-5 py-6">
      <p className="text-soft">
        Second opinion, {Object.keys(answers).length} of {asked.length} answered. What the first person found is not
        shown.
      </p>
      {current ? (
        <section aria-label={current.check.name} className="grid gap-3 border-y bg-sheet p-4">
          <h2 className="text-lg font-semibold">{current.check.name}</h2>
          <CheckGuide finding={current} />
          <div className="flex flex-wrap items-center gap-2">
            <AnswerForm key={current.check.id} finding={current} found={found} begin={null} blind />
            <Button onClick={() => give({ outcome: 'cantTell' })}>
              <Key>0</Key> Can’t tell
            </Button>
          </div>
        </section>
      ) : (
        <>
          <ul className="border-t">
            {asked.map(({ check }) => (
              <li key={check.id} className="flex items-center justify-between gap-4 border-b py-1">
                <span>{check.name}</span>
                <span className="flex items-center gap-2">
                  {answers[check.id] && answerText(answers[check.id] as RecordedFinding)}
                  <Button
                    look="quiet"
                    onClick={() =>
                      setAnswers(Object.fromEntries(Object.entries(answers).filter(([key]) => key !== check.id)))
                    }
                  >
                    Again
                  </Button>
                </span>
              </li>
            ))}
          </ul>
          <div>
            <Button look="act" autoFocus onClick={finish}>
              Give this opinion <Key>Enter</Key>
            </Button>
          </div>
        </>
      )}
    </main>
  );
}
