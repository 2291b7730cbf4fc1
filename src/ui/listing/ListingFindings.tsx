'use client';
import Link from 'next/link';
import { contextOf } from '@/core/crossread/context';
import { formatWeight } from '@/core/judgement/sentences';
import { LISTING_STRAND } from '@/core/judgement/weigh';
import { claimsOf } from '@/core/listing/claims';
import { useCaseBook, useStanding } from '../casebook/CaseBook';
import { MarkSign } from '../marks/MarkSign';

/** What follows from the listing, check by check, with what each moves. */
export function ListingFindings() {
  const { number, file, grounds } = useCaseBook();
  const { assessment } = useStanding();
  const findings = assessment.findings.filter(({ check }) => check.strand === LISTING_STRAND);
  const strand = assessment.weighing.strands.find(({ strand: id }) => id === LISTING_STRAND);
  const weightOf = (id: string) => strand?.checks.find(({ finding }) => finding.check.id === id)?.weight;
  const open = claimsOf(file, contextOf(file, grounds), assessment.reading).filter(({ stands }) => stands === 'open');
  return (
    <div className="mt-4">
      <h2 className="flex items-baseline justify-between border-b pb-1 text-[15px] font-semibold">
        What follows
        <span className="font-normal text-soft">
          {strand ? `all together ${formatWeight(strand.weight)}` : 'nothing is weighed yet'}
        </span>
      </h2>
      <ul>
        {findings.map(({ check, mark, reason, choice, by }) => {
          const weight = weightOf(check.id);
          return (
            <li key={check.id} className="grid grid-cols-[20px_minmax(0,1fr)_5.5rem] items-start gap-1 border-b py-1.5">
              <span className="pt-1">
                <MarkSign mark={mark} size={14} />
              </span>
              <span>
                <Link
                  className="hover:underline underline-offset-4"
                  href={`/case/${number}/inspect?check=${encodeURIComponent(check.id)}`}
                >
                  {check.name}
                </Link>
                <span className="block text-[13px] text-soft">
                  {by ? `${choice ?? ''}; answered by hand` : (reason ?? 'Not known yet; it can be answered by hand.')}
                </span>
              </span>
              <span className="pt-0.5 text-right font-mono text-[13px]">
                {weight === undefined ? '' : formatWeight(weight)}
              </span>
            </li>
          );
        })}
      </ul>
      {open.map(({ sentence }) => (
        <p key={sentence} className="mt-1 text-[13px] text-soft">
          {sentence}
        </p>
      ))}
      <p className="mt-2 text-[13px] text-soft">
        A listing moves what is expected of the item. It never decides alone.
      </p>
    </div>
  );
}
