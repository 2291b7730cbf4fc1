'use client';
import { useEffect, useState } from 'react';
import { type Assessment, assess } from '@/core/judgement/assess';
import { formatShareAgainst } from '@/core/judgement/decide';
import { GOODS_WORDS } from '@/core/judgement/sentences';
import { asStated, contradictions, partName, partOf, type Statement, valueWords } from '@/core/releases/statement';
import { useCaseBook, useStanding } from '../casebook/CaseBook';

/** More than these are no question for a verdict but for the record. */
const MOST = 5;

interface Reading {
  statement: Statement;
  assessment: Assessment;
}

/** What the case comes to under each statement that contradicts its record, while nobody has decided between them. */
export function UnderEither() {
  const { file, grounds } = useCaseBook();
  const { assessment } = useStanding();
  const { release } = grounds;
  const [readings, setReadings] = useState<Reading[]>([]);
  useEffect(() => {
    setReadings([]);
    if (!release) return;
    // One after the other, so that the page stays quick under the hand.
    const open = contradictions(release).slice(0, MOST);
    let timer: ReturnType<typeof setTimeout>;
    const next = (at: number) => {
      const statement = open[at];
      if (!statement) return;
      timer = setTimeout(() => {
        const reading = { statement, assessment: assess(file, { ...grounds, release: asStated(release, statement) }) };
        setReadings((before) => [...before, reading]);
        next(at + 1);
      });
    };
    next(0);
    return () => clearTimeout(timer);
  }, [file, grounds, release]);
  if (!release || readings.length === 0) return null;
  const parted = readings.some((reading) => reading.assessment.goods.decision !== assessment.goods.decision);
  return (
    <section>
      <h2 className="mb-1 border-b pb-1 text-[15px] font-semibold">
        Where its record is not decided{' '}
        <span className="font-normal text-soft">
          {parted ? 'the decision on the goods hangs on it' : 'the decision is the same under either'}
        </span>
      </h2>
      <ul>
        {readings.map(({ statement, assessment: under }) => {
          const part = partName(release, statement.about) ?? statement.about;
          const held = partOf(release, statement.about);
          return (
            <li
              key={`${statement.about} ${statement.source}`}
              className="grid grid-cols-[minmax(0,1fr)_14rem] items-baseline gap-4 border-b py-1.5 max-md:grid-cols-1"
            >
              <span>
                {statement.source} gives the {part} as{' '}
                <strong className="font-semibold">{valueWords(statement.says)}</strong>, the record as{' '}
                {valueWords(held)}.
              </span>
              <span>
                {formatShareAgainst(under.goods.p, under.thresholds)} genuine, {GOODS_WORDS[under.goods.decision]}
                <span className="block text-[13px] text-soft">
                  by the record {formatShareAgainst(assessment.goods.p, assessment.thresholds)},{' '}
                  {GOODS_WORDS[assessment.goods.decision]}
                </span>
              </span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
