'use client';
import { useState } from 'react';
import { Choice } from '../controls/Choice';
import { Tick } from '../controls/Tick';
import type { RulesPartProps } from './rulesPart';

/** A kind of goods with the checks that a house can require of it. */
export interface RequirableKind {
  id: string;
  name: string;
  checks: { id: string; name: string }[];
}

/** The checks without which no item of a kind is decided. */
export function RequiredPart({ rules, onChange, kinds }: RulesPartProps & { kinds: RequirableKind[] }) {
  const [kind, setKind] = useState(kinds[0]?.id ?? '');
  const required = rules.required[kind] ?? [];
  const checks = kinds.find(({ id }) => id === kind)?.checks ?? [];
  return (
    <section>
      <h2 className="flex items-center justify-between border-b pb-1 text-[15px] font-semibold">
        Never decided without
        <Choice
          label="Kind of goods"
          value={kind}
          options={kinds.map(({ id, name }) => ({ value: id, label: name }))}
          onChange={setKind}
        />
      </h2>
      <div className="max-h-52 overflow-auto">
        {checks.map(({ id, name }) => (
          <Tick
            key={id}
            label={name}
            checked={required.includes(id)}
            onChange={(on) =>
              onChange({
                ...rules,
                required: {
                  ...rules.required,
                  [kind]: on ? [...required, id] : required.filter((each) => each !== id),
                },
              })
            }
          />
        ))}
      </div>
    </section>
  );
}
