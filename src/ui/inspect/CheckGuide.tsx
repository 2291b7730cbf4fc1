import type { ReactNode } from 'react';
import { whenWords } from '@/core/checks/expectation';
import { expectedFigure, type Finding, type Nominal } from '@/core/checks/finding';
import { Caution } from './Caution';
import { CheckDrawing } from './CheckDrawing';

function Line({ name, children }: { name: string; children: ReactNode }) {
  return (
    <div className="grid grid-cols-[7.5rem_minmax(0,1fr)] gap-3">
      <dt className="text-soft">{name}</dt>
      <dd>{children}</dd>
    </div>
  );
}

/**
 * The figures that a genuine item shows, one for each variant that is still possible, the general one first: their
 * order must not tell a second person which of them the first one’s value was near.
 */
function figuresOf(nominal: Nominal | undefined): Nominal[] {
  const figures = nominal ? [nominal, ...(nominal.or ?? [])] : [];
  return figures.sort((a, b) => (a.when ?? '').localeCompare(b.when ?? ''));
}

/** Everything that somebody needs to know to do a check: what to do, what is right, what copies show, what to mind. */
export function CheckGuide({ finding: { check, nominal } }: { finding: Pick<Finding, 'check' | 'nominal'> }) {
  return (
    <>
      <p className="max-w-[68ch] text-[16px]">{check.instruction}</p>
      <dl className="grid max-w-[72ch] gap-1.5">
        <Line name="Expected">
          {figuresOf(nominal).map((figure) => (
            <p key={figure.when ?? ''}>
              <strong className="mr-3 font-mono text-[17px] font-semibold">{expectedFigure(check, figure)}</strong>
              {figure.when && <span className="mr-3">{figure.when}</span>}
              <span className="text-[14px] text-soft">{figure.source}</span>
            </p>
          ))}
          {check.answer.form === 'text' && check.answer.expected.length > 0 && (
            <p>
              <strong className="font-semibold">“{check.answer.expected.join('” or “')}”</strong>
            </p>
          )}
          {check.expected}
        </Line>
        {check.expectedBy?.map((by) => (
          <Line key={by.state} name={whenWords(by)}>
            {by.expected}
          </Line>
        ))}
        <Line name="Copies">{check.copies}</Line>
        {check.disagree?.map(({ note, source }) => (
          <Line key={note} name="Others say">
            {note} <span className="text-[13px] text-soft">({source})</span>
          </Line>
        ))}
      </dl>
      {check.drawing && <CheckDrawing drawing={check.drawing} />}
      {check.recordBefore && (
        <p className="max-w-[72ch]">
          <strong className="font-semibold">Before:</strong> {check.recordBefore.charAt(0).toLowerCase()}
          {check.recordBefore.slice(1)}.
        </p>
      )}
      {check.caution && <Caution text={check.caution} />}
    </>
  );
}
