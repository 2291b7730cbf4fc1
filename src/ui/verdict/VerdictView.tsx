'use client';
import Link from 'next/link';
import type { Finding } from '@/core/checks/finding';
import { handlingSentences } from '@/core/judgement/handling';
import { GOODS_WORDS, PACKAGING_WORDS, type VerdictSentence, verdictSentences } from '@/core/judgement/sentences';
import { useCaseBook, useScans, useStanding } from '../casebook/CaseBook';
import { QuestionScale } from '../casebook/QuestionScale';
import { Key } from '../controls/Button';
import { useKeys } from '../controls/useKeys';
import { ThreeReadings } from '../inspect/Standing';
import { MarkSign } from '../marks/MarkSign';
import { useWedge } from '../scan/useWedge';
import { ItemPanel } from './ItemPanel';
import { OpinionPanel } from './OpinionPanel';
import { SealPanel } from './SealPanel';
import { TruthPanel } from './TruthPanel';
import { UnderEither } from './UnderEither';
import { Waterfall } from './Waterfall';
import { WouldChange } from './WouldChange';

function List({ title, findings }: { title: string; findings: Finding[] }) {
  if (findings.length === 0) return null;
  return (
    <section>
      <h2 className="mb-1 border-b pb-1 text-[15px] font-semibold">
        {title} <span className="font-normal text-soft">{findings.length}</span>
      </h2>
      <ul className="columns-2 gap-8 max-md:columns-1">
        {findings.map(({ check, mark, reason }) => (
          <li key={check.id} className="flex break-inside-avoid gap-2 py-0.5">
            <span className="pt-1">
              <MarkSign mark={mark} size={12} />
            </span>
            <span>
              {check.name}
              {mark === 'excused' && reason && <span className="block text-[13px] text-soft">{reason}</span>}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

const STYLES: Partial<Record<VerdictSentence['about'], string>> = {
  goods: 'text-[19px] leading-snug font-semibold',
  sure: 'text-[17px] leading-snug',
  packaging: 'text-[17px] leading-snug',
  law: 'text-soft border-t pt-3',
};

/** What is decided, why, how sure, what was not looked at; then the working, and the seal. */
export function VerdictView({ me }: { me: string }) {
  const { file, grounds } = useCaseBook();
  const { assessment } = useStanding();
  const scans = useScans();
  useWedge((text) => scans.take(text), { onBroken: scans.broken });
  const { goods, packaging, findings } = assessment;
  const sentences = verdictSentences(file, assessment, grounds.release?.copies);
  // Each panel marks the button of its key; the key itself must not land in the field of the sheet that it opens.
  useKeys('s,o,t,g', ({ key }) => document.querySelector<HTMLElement>(`[data-key="${key}"]`)?.click(), {
    preventDefault: true,
  });
  const handling = handlingSentences(goods.decision, grounds.kind);
  return (
    <main className="mx-auto grid max-w-[1360px] grid-cols-[minmax(0,1fr)_300px] gap-8 px-5 py-5 max-[1100px]:grid-cols-1">
      <div className="grid min-w-0 content-start gap-7">
        <article aria-label="Verdict" className="grid max-w-[74ch] gap-3">
          {sentences.map(({ about, text }) => (
            <p key={about} className={STYLES[about] ?? ''}>
              {text}
              {about === 'make' && file.truth?.goods === 'counterfeit' && (
                <Link className="ml-2 text-accent underline underline-offset-4" href={`/case/${file.number}/learn`}>
                  Note it under its make <Key>y</Key>
                </Link>
              )}
            </p>
          ))}
        </article>
        <section>
          <h2 className="mb-1 text-[15px] font-semibold">The working</h2>
          <Waterfall assessment={assessment} grounds={grounds} sizeKey={file.sizeKey} />
        </section>
        <UnderEither />
        <WouldChange />
        <List title="Not looked at" findings={findings.filter(({ mark }) => mark === 'open')} />
        <List title="Excused" findings={findings.filter(({ mark }) => mark === 'excused')} />
        <List title="Could not be told" findings={findings.filter(({ mark }) => mark === 'cantTell')} />
      </div>
      <aside
        className="grid grid-cols-[minmax(0,1fr)] content-start gap-5 max-[1100px]:grid-cols-2 max-[1100px]:gap-x-8 max-md:grid-cols-1"
        aria-label="Decision"
      >
        <section>
          <h2 className="text-[13px] text-soft">Goods</h2>
          <p className="text-[24px] leading-tight font-semibold">{GOODS_WORDS[goods.decision]}</p>
          <QuestionScale question="goods" />
        </section>
        <section>
          <h2 className="text-[13px] text-soft">Packaging</h2>
          <p className="text-[24px] leading-tight font-semibold">{PACKAGING_WORDS[packaging.decision]}</p>
          {packaging.decision !== 'notSeen' && <QuestionScale question="packaging" />}
        </section>
        <ThreeReadings said={false} />
        {handling.length > 0 && (
          <p role="note" className="border-l-2 border-doubt pl-3 text-doubt">
            {handling.join(' ')}
          </p>
        )}
        <SealPanel />
        <OpinionPanel me={me} />
        <TruthPanel />
        <ItemPanel />
      </aside>
    </main>
  );
}
