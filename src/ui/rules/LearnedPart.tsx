'use client';
import { useState } from 'react';
import { holding, type LearnedFigure } from '@/core/judgement/learnedFigures';
import { LabelledChoice } from '../controls/LabelledChoice';
import { Tick } from '../controls/Tick';
import type { RulesPartProps } from './rulesPart';

/** What cases taught about one kind of goods. */
export interface LearnedKind {
  id: string;
  name: string;
  figures: LearnedFigure[];
}

/** What was learned beside what is stated; what the house holds stays as stated, for every kind. */
export function LearnedPart({ rules, onChange, learned }: RulesPartProps & { learned: LearnedKind[] }) {
  const [id, setId] = useState(learned[0]?.id ?? '');
  const kind = learned.find((each) => each.id === id);
  return (
    <section aria-label="Learned from sealed cases" className="col-span-full">
      <div className="flex items-end justify-between gap-4 border-b pb-1">
        <h2 className="text-[15px] font-semibold">Learned from sealed cases</h2>
        {learned.length > 0 && (
          <LabelledChoice
            label="kind of goods"
            value={id}
            options={learned.map(({ id: value, name }) => ({ value, label: name }))}
            onChange={setId}
          />
        )}
      </div>
      {kind ? (
        <table className="w-full border-collapse">
          <thead>
            <tr className="text-left text-[13px] text-soft">
              <th scope="col" className="py-1 font-normal">
                figure
              </th>
              <th scope="col" className="w-28 font-normal">
                stated
              </th>
              <th scope="col" className="w-44 font-normal">
                learned
              </th>
              <th scope="col" className="font-normal max-lg:hidden">
                from
              </th>
              <th scope="col" className="w-52 font-normal">
                the house holds it, for all kinds
              </th>
            </tr>
          </thead>
          <tbody>
            {kind.figures.map(({ name, stated, learned: found, basis, holds }) => {
              const held = rules.frozen?.[holds] !== undefined && rules.frozen[holds] !== false;
              return (
                <tr key={name} className="border-t">
                  <th scope="row" className="py-1 pr-3 text-left font-normal">
                    {name}
                  </th>
                  <td className={held ? 'font-semibold' : ''}>{stated}</td>
                  <td className={held ? 'text-soft line-through' : 'font-semibold'}>{found}</td>
                  <td className="text-[13px] text-soft max-lg:hidden">{basis}</td>
                  <td>
                    <Tick label="as stated" checked={held} onChange={(next) => onChange(holding(rules, holds, next))} />
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      ) : (
        <p className="py-2 text-soft">No truth is confirmed yet, so everything stands as stated.</p>
      )}
    </section>
  );
}
