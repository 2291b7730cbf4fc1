'use client';
import { Fragment, useState } from 'react';
import type { Finding } from '@/core/checks/finding';
import type { Assessment } from '@/core/judgement/assess';
import type { Grounds } from '@/core/judgement/grounds';
import { parametersOf } from '@/core/judgement/parameters';
import { findingWords, formatWeight, weightWord } from '@/core/judgement/sentences';
import { strandSum } from '@/core/judgement/strandSum';
import { waterfall } from '@/core/judgement/waterfall';
import { MarkSign } from '../marks/MarkSign';
import { FindingStrip } from '../releases/FindingStrip';

const WIDTH = 240;

const figure = (value: number): string => (value >= 0.001 ? value.toFixed(3) : value.toExponential(1));
const percent = (share: number): string => `${Math.round(share * 100)} %`;

/** How the two sides of a strand come out, by their hidden classes. */
function SumInNumbers({ findings, grounds }: { findings: Finding[]; grounds: Grounds }) {
  const { houseRules, statistics } = grounds;
  const { mix, products, genuine, counterfeit } = strandSum(findings, houseRules, parametersOf(houseRules, statistics));
  return (
    <>
      If genuine: {percent(1 - mix.offDay)} usual × {figure(products.usual)} + {percent(mix.offDay)} off-day ×{' '}
      {figure(products.offDay)} = {figure(genuine)}. If counterfeit: {percent(mix.wellCopied)} well copied ×{' '}
      {figure(products.well)} + {percent(1 - mix.wellCopied)} poorly × {figure(products.poorly)} = {figure(counterfeit)}
      . Their ratio is {formatWeight(10 * Math.log10(genuine / counterfeit))}; where goods and packaging may be of
      different items, less of it counts.
    </>
  );
}

/** From the odds before anything was seen to the odds now: one bar a strand, opening to its checks. */
export function Waterfall({
  assessment,
  grounds,
  sizeKey,
}: {
  assessment: Assessment;
  grounds: Grounds;
  sizeKey: string | null;
}) {
  const { kind } = grounds;
  const [open, setOpen] = useState<string | null>(null);
  const { weighing } = assessment;
  const { bars, low, high, sum } = waterfall(weighing, kind, 0.05);
  const x = (value: number) => ((value - low) / Math.max(1, high - low)) * (WIDTH - 4) + 2;
  return (
    <table className="w-full border-collapse">
      <caption className="sr-only">How the evidence adds up, strand by strand, in decibans</caption>
      <thead>
        <tr className="border-b text-left text-[13px] text-soft">
          <th scope="col" className="py-1 font-normal">
            Strand
          </th>
          <th scope="col" className="w-[260px] pr-5 font-normal">
            <span className="flex justify-between">
              <span>← counterfeit</span>
              <span>genuine →</span>
            </span>
          </th>
          <th scope="col" className="w-24 text-right font-normal">
            Weight
          </th>
          <th scope="col" className="w-24 pl-3 font-normal max-md:hidden">
            In words
          </th>
        </tr>
      </thead>
      <tbody>
        {bars.map(({ id, name, weight, from, to }) => {
          const strand = weighing.strands.find((each) => each.strand === id);
          const shown = open === id;
          return (
            <Fragment key={id}>
              <tr className="border-b">
                <th scope="row" className="py-0.5 text-left font-normal">
                  {strand ? (
                    <button
                      type="button"
                      aria-expanded={shown}
                      onClick={() => setOpen(shown ? null : id)}
                      className="min-h-9 text-left hover:text-accent"
                    >
                      {name} <span className="text-[13px] text-soft">{shown ? '▾' : '▸'}</span>
                    </button>
                  ) : (
                    <span className="flex min-h-9 items-center text-soft">{name}</span>
                  )}
                </th>
                <td>
                  <svg width={WIDTH} height="20" aria-hidden>
                    <line x1={x(0)} x2={x(0)} y1="0" y2="20" stroke="var(--line)" />
                    <rect
                      x={Math.min(x(from), x(to))}
                      y="5"
                      width={Math.max(2, Math.abs(x(to) - x(from)))}
                      height="10"
                      fill={id === 'prior' ? 'var(--quiet)' : weight < 0 ? 'var(--differs)' : 'var(--agrees)'}
                    />
                  </svg>
                </td>
                <td className="text-right font-mono">{formatWeight(weight)}</td>
                <td className="pl-3 text-[13px] text-soft max-md:hidden">{id === 'prior' ? '' : weightWord(weight)}</td>
              </tr>
              {shown &&
                strand?.checks.map(({ finding, weight: own }) => (
                  <tr key={finding.check.id} className="border-b bg-wash text-[14px]">
                    <td colSpan={2} className="py-1 pl-4">
                      <span className="flex items-start gap-2">
                        <span className="pt-1">
                          <MarkSign mark={finding.mark} size={12} />
                        </span>
                        <span>
                          {findingWords(finding)}
                          <span className="block text-[13px] text-soft">
                            {finding.check.answer.form === 'quantity'
                              ? 'density under genuine against the mixture of well and poorly copied'
                              : `differs in ${(finding.check.g * 100).toFixed(1)} % of genuine, ${(finding.check.c * 100).toFixed(0)} % of counterfeit items; ${finding.check.support}`}
                          </span>
                          <FindingStrip finding={finding} grounds={grounds} sizeKey={sizeKey} />
                        </span>
                      </span>
                    </td>
                    <td className="text-right align-top font-mono">{formatWeight(own)}</td>
                    <td className="pl-3 align-top text-[13px] text-soft max-md:hidden">in its strand</td>
                  </tr>
                ))}
              {shown && strand && (
                <tr className="border-b bg-wash text-[13px] text-soft">
                  <td colSpan={4} className="py-1.5 pl-4">
                    <SumInNumbers findings={strand.checks.map(({ finding }) => finding)} grounds={grounds} />
                  </td>
                </tr>
              )}
            </Fragment>
          );
        })}
        <tr className="border-b font-semibold">
          <th scope="row" className="min-h-9 py-2 text-left">
            Odds now
          </th>
          <td className="text-[13px] font-normal text-soft">sum of the above; 10 dban is a factor of ten</td>
          <td className="text-right font-mono">{formatWeight(sum)}</td>
          <td className="max-md:hidden" />
        </tr>
      </tbody>
    </table>
  );
}
