'use client';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import type { RecordedFinding } from '@/core/casefile/events/findingRecorded';
import { answersOf } from '@/core/checks/answers';
import { bothSides, outcomeOf } from '@/core/checks/outcome';
import { answerText } from '@/core/checks/secondOpinion';
import { useCaseBook, useSaving, useStanding } from '../casebook/CaseBook';
import { Button, Key } from '../controls/Button';
import { CheckGuide } from '../inspect/CheckGuide';
import { sidesWords } from '../inspect/pairWords';

const keptUnder = (opinion: string): string => `pinprick-opinion-${opinion}`;

/** What was answered so far, kept for as long as the tab is open: a reload loses nothing. */
function useKeptAnswers(opinion: string) {
  const [answers, setAnswers] = useState<Record<string, RecordedFinding>>({});
  useEffect(() => {
    const kept = sessionStorage.getItem(keptUnder(opinion));
    if (kept) setAnswers(JSON.parse(kept));
  }, [opinion]);
  const keep = (next: Record<string, RecordedFinding>) => {
    sessionStorage.setItem(keptUnder(opinion), JSON.stringify(next));
    setAnswers(next);
  };
  return [answers, keep] as const;
}

/** The checks that a second person was asked about, one after another, without the first answers. */
export function BlindOpinion({ opinion: id, me }: { opinion: string; me: string | null }) {
  const { number, file, record } = useCaseBook();
  const { assessment } = useStanding();
  const { pending, trouble } = useSaving();
  const [given, setGiven] = useState(false);
  const router = useRouter();
  const [answers, setAnswers] = useKeptAnswers(id);
  const [left, setLeft] = useState<string | null>(null);
  const [text, setText] = useState('');
  const [noFigure, setNoFigure] = useState('');
  const opinion = file.opinions.find((each) => each.id === id);
  const asked = assessment.findings.filter(({ check }) => opinion?.checks.includes(check.id));
  const current = asked.find(({ check }) => !answers[check.id]);
  const give = (answer: RecordedFinding) => {
    if (!current) return;
    setAnswers({ ...answers, [current.check.id]: answer });
    setLeft(null);
    setText('');
    setNoFigure('');
  };
  /** Give what was found, if the check knows it as an answer. */
  const find = (found: Parameters<typeof outcomeOf>[1]): boolean => {
    const outcome = current ? outcomeOf(current, found) : null;
    if (outcome) give({ outcome, ...found });
    return outcome !== null;
  };
  const pick = (at: number) => {
    const label = current && answersOf(current.check)[at]?.label;
    if (!label) return;
    if (current.check.answer.form !== 'pair') find({ choice: label });
    else if (left === null) setLeft(label);
    else find({ left, right: label });
  };
  const write = () => {
    if (!current || text.trim() === '') return;
    const { answer } = current.check;
    if (answer.form === 'text') {
      find({ text: text.trim().slice(0, 200) });
      return;
    }
    const value = Number(text.replace(',', '.'));
    const whole = answer.form !== 'count' || (Number.isInteger(value) && value >= 0);
    const sides = answer.form === 'quantity' && answer.sides;
    if (sides && left === null && Number.isFinite(value)) {
      setLeft(String(value));
      setText('');
      return;
    }
    const found = sides && left !== null ? bothSides(left, String(value)) : { value };
    if (!whole || !Number.isFinite(value) || !find(found))
      setNoFigure(`“${text.slice(0, 30)}” is no figure. Enter the value in ${current.nominal?.unit ?? 'figures'}.`);
  };
  useHotkeys('1,2,3,4,5,6,7,8,9', (event) => pick(Number(event.key) - 1), [current, left, answers]);
  useHotkeys('0', () => give({ outcome: 'cantTell' }), [current, answers]);
  const finish = () => {
    record('opinionGiven', { asked: id, answers });
    setGiven(true);
  };
  // What the others found is shown once the opinion is kept, and no earlier.
  useEffect(() => {
    if (!given || pending.length > 0 || trouble !== null) return;
    sessionStorage.removeItem(keptUnder(id));
    router.push(`/case/${number}/verdict`);
    router.refresh();
  }, [given, pending, trouble, id, number, router]);
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
  const typed = current && ['quantity', 'count', 'text'].includes(current.check.answer.form);
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
          {sidesWords(current.check.answer) && <p>{left === null ? 'Left first.' : `Left: ${left}. Now the right.`}</p>}
          <div className="flex flex-wrap gap-2">
            {answersOf(current.check).map(({ label }, i) => (
              <Button key={label} onClick={() => pick(i)}>
                <Key>{String(i + 1)}</Key> {label}
              </Button>
            ))}
            {typed && (
              <form
                className="flex items-center gap-2"
                onSubmit={(event) => {
                  event.preventDefault();
                  write();
                }}
              >
                <input
                  // biome-ignore lint/a11y/noAutofocus: it is the only thing that is asked
                  autoFocus
                  key={current.check.id}
                  value={text}
                  maxLength={200}
                  onChange={({ target }) => setText(target.value)}
                  aria-label={current.check.name}
                  className="h-10 w-56 border border-line bg-ground px-2 font-mono outline-none focus:border-accent"
                />
                {current.nominal?.unit}
                <Button type="submit" look="act">
                  Answer
                </Button>
              </form>
            )}
            <Button onClick={() => give({ outcome: 'cantTell' })}>
              <Key>0</Key> Can’t tell
            </Button>
          </div>
          {noFigure && (
            <p role="alert" className="text-differs">
              {noFigure}
            </p>
          )}
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
