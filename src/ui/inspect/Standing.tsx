'use client';
import type { ReactNode } from 'react';
import { formatShareAgainst } from '@/core/judgement/decide';
import type { Leaning } from '@/core/judgement/leaning';
import { chainWords } from '@/core/judgement/readings';
import {
  findingWords,
  forAndAgainst,
  formatInterval90,
  formatWeight,
  GOODS_WORDS,
  PACKAGING_WORDS,
} from '@/core/judgement/sentences';
import type { CheckWeight } from '@/core/judgement/weigh';
import { useCaseBook, useStanding } from '../casebook/CaseBook';
import { QuestionScale } from '../casebook/QuestionScale';
import { Button, Key } from '../controls/Button';

const SHOWN = 3;

const minutesWords = (minutes: number): string =>
  minutes < 1 ? `${Math.round(minutes * 60)} s` : `${minutes.toFixed(1)} min`;

function Weights({ title, weights }: { title: string; weights: CheckWeight[] }) {
  if (weights.length === 0) return null;
  return (
    <div>
      <h3 className="text-[13px] text-soft">{title}</h3>
      <ul>
        {weights.slice(0, SHOWN).map(({ finding, weight }) => (
          <li key={finding.check.id} className="flex items-baseline justify-between gap-3">
            <span title={findingWords(finding)}>{finding.check.name}</span>
            <span className="shrink-0 font-mono text-[13px]">{formatWeight(weight)}</span>
          </li>
        ))}
      </ul>
    </div>
  );
}

const LEANS: [keyof Leaning, string][] = [
  ['prior', 'before'],
  ['codes', 'codes'],
  ['grave', 'grave signs'],
  ['signs', 'other signs'],
];

/** What the odds rest on; each figure is what taking it away would change. */
function LeansOn({ leaning }: { leaning: Leaning }) {
  return (
    <section aria-label="What the odds on the goods rest on">
      <h3 className="text-[13px] text-soft">The odds on the goods rest on, dban</h3>
      <dl className="grid grid-cols-4">
        {LEANS.map(([part, name]) => (
          <div key={part}>
            <dt className="text-[13px] text-soft">{name}</dt>
            <dd className="font-mono text-[15px]">{signed(leaning[part])}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}

const signed = (weight: number): string => formatWeight(weight).replace(/\s*dban$/u, '');

/** Why a question is not decided, or not better. */
function Reasons({ reasons }: { reasons: string[] }) {
  const [first = '', ...rest] = reasons;
  if (!first) return null;
  const sentence = [`${first.charAt(0).toUpperCase()}${first.slice(1)}`, ...rest].join('; ');
  return <p className="text-[13.5px]">{sentence}.</p>;
}

/** One of the two questions: what is decided, how sure, and on the scale. */
function Question({
  name,
  question,
  decision,
  favourable,
  children,
}: {
  name: string;
  question: 'goods' | 'packaging';
  decision: string;
  /** What the probability is of. */
  favourable: string;
  children: ReactNode;
}) {
  const { assessment } = useStanding();
  return (
    <section>
      <h2 className="flex items-baseline justify-between">
        <span className="text-[15px]">
          {name}: <strong className="font-semibold">{decision}</strong>
        </span>
        <span>
          <strong className="text-[17px] font-semibold">
            {formatShareAgainst(assessment[question].p, assessment.thresholds)}
          </strong>{' '}
          <span className="text-[13px] text-soft">{favourable}</span>
        </span>
      </h2>
      <QuestionScale question={question} />
      {children}
    </section>
  );
}

/** The three schools' readings, side by side; where they part is said under them, or elsewhere on the page. */
export function ThreeReadings({ said = true }: { said?: boolean }) {
  const { assessment } = useStanding();
  const { goods, oneFault, chain, parting } = assessment;
  const readings = [
    ['Weighing', GOODS_WORDS[goods.decision]],
    [
      'One fault',
      oneFault.says === 'genuine'
        ? 'no fault'
        : oneFault.faults.length === 1
          ? 'one fault'
          : `${oneFault.faults.length} faults`,
    ],
    ['Chain', chainWords(chain)],
  ];
  return (
    <div>
      <dl className="grid grid-cols-3 border-y">
        {readings.map(([school, says]) => (
          <div key={school} className="border-l px-2 py-1.5 first:border-l-0 first:pl-0">
            <dt className="text-[13px] text-soft">{school}</dt>
            <dd className="font-semibold">{says}</dd>
          </div>
        ))}
      </dl>
      {said && parting && <p className="mt-1.5 text-[13.5px] text-soft">{parting}</p>}
    </div>
  );
}

/** Where the case stands: both questions with their intervals, the three readings, what moved it, what next. */
export function Standing({ onNext }: { onNext: (check: string) => void }) {
  const { file } = useCaseBook();
  const { assessment } = useStanding();
  const { goods, packaging, gains, settled, waitsFor, findings, weighing, secondLooks, secondEyes } = assessment;
  const [doubtful] = secondLooks;
  const { speaksFor, speaksAgainst } = forAndAgainst(assessment);
  const [next] = gains;
  const left = findings.filter(({ mark }) => mark === 'open').length;
  return (
    <aside
      aria-label="Standing"
      className="grid min-w-0 grid-cols-[minmax(0,1fr)] content-start gap-4 max-[1100px]:grid-cols-2 max-[1100px]:gap-x-8 max-md:grid-cols-1"
    >
      <Question name="Goods" question="goods" decision={GOODS_WORDS[goods.decision]} favourable="genuine">
        <p className="text-[13px] text-soft">
          {formatInterval90(goods.interval)}; evidence {formatWeight(weighing.weight)}
        </p>
        <Reasons reasons={goods.reasons} />
      </Question>
      {packaging.decision !== 'notSeen' && (
        <Question
          name="Packaging"
          question="packaging"
          decision={PACKAGING_WORDS[packaging.decision]}
          favourable="its own"
        >
          <Reasons reasons={packaging.reasons.filter((reason) => !goods.reasons.includes(reason))} />
        </Question>
      )}
      <LeansOn leaning={assessment.leaning} />
      <ThreeReadings />
      <Weights title="Speaks for the goods" weights={speaksFor} />
      <Weights title="Speaks against them" weights={speaksAgainst} />
      <section className="border-t pt-3">
        {file.seal ? (
          <p>Sealed; nothing more is asked.</p>
        ) : next ? (
          <>
            <Button
              look={settled && waitsFor.length === 0 ? 'plain' : 'act'}
              onClick={() => onNext(next.finding.check.id)}
              className="w-full justify-between! py-1.5"
            >
              <span className="min-w-0">Next: {next.finding.check.name}</span>
              <Key>Enter</Key>
            </Button>
            <p className="mt-1.5 text-[13px] text-soft">
              {waitsFor.includes(next.finding.check.id)
                ? 'The house decides nothing without it. '
                : next.bits >= 0.005
                  ? `Tells ${next.bits.toFixed(2)} bits about the goods in ${minutesWords(next.minutes)}, the most for its time. `
                  : 'Nothing that is left tells much more about the goods. '}
              {left} still to look at.
            </p>
            {settled && waitsFor.length === 0 && (
              <p className="mt-1.5">Nothing that is left can change the decision on the goods.</p>
            )}
            {secondEyes && secondEyes.bits >= 0.01 && secondEyes.bitsPerMinute > next.bitsPerMinute && (
              <p className="mt-1.5">
                Another pair of eyes on “{secondEyes.finding.check.name}” would tell more than the next check:{' '}
                {secondEyes.bits.toFixed(2)} bits.
              </p>
            )}
            {doubtful && doubtful.bits >= 0.01 && (
              <p className="mt-1.5 text-[13px] text-soft">
                A clear answer to “{doubtful.finding.check.name}” would be worth {doubtful.bits.toFixed(2)} bits.
              </p>
            )}
          </>
        ) : (
          <p>Everything was looked at or excused.</p>
        )}
      </section>
    </aside>
  );
}
