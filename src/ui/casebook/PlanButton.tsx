'use client';
import { useState } from 'react';
import type { WorkPlan } from '@/core/casefile/events/workPlanned';
import { formatDay, isDay } from '@/core/dates/day';
import { Button, Key } from '../controls/Button';
import { Choice } from '../controls/Choice';
import { DayField } from '../controls/DayField';
import { Sheet } from '../controls/Sheet';
import { Tick } from '../controls/Tick';
import { useKeys } from '../controls/useKeys';
import { useMay } from '../people/Me';
import { useCaseBook } from './CaseBook';

const NOBODY = 'nobody';

function PlanSheet({ onClose }: { onClose: () => void }) {
  const { file, record, checkers } = useCaseBook();
  const [plan, setPlan] = useState<WorkPlan>(file.plan);
  const opened = file.opened.at.slice(0, 10);
  const wrong =
    plan.due !== undefined && (!isDay(plan.due) || plan.due < opened)
      ? `A day from ${formatDay(opened)} on, when the case was opened, written 2026-03-09.`
      : '';
  return (
    <Sheet open onOpenChange={(stays) => !stays && onClose()} title="Who takes it, and until when">
      <form
        className="flex flex-wrap items-end gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          if (wrong) return;
          record('workPlanned', plan);
          onClose();
        }}
      >
        <Choice
          label="Who takes it"
          value={plan.owner ?? NOBODY}
          options={[
            { value: NOBODY, label: 'whoever is free' },
            ...checkers.map(({ id, name }) => ({ value: id, label: name })),
          ]}
          onChange={(owner) => setPlan({ ...plan, owner: owner === NOBODY ? undefined : owner })}
        />
        <DayField
          label="Due on"
          day={plan.due ?? null}
          onChange={(due) => setPlan({ ...plan, due: due ?? undefined })}
        />
        <Tick
          label="before all others"
          checked={plan.urgent === true}
          onChange={(yes) => setPlan({ ...plan, urgent: yes ? true : undefined })}
        />
        <Button type="submit" look="act" disabled={wrong !== ''}>
          Plan it so
        </Button>
        {wrong && (
          <p role="alert" className="w-full text-differs">
            {wrong}
          </p>
        )}
      </form>
    </Sheet>
  );
}

/** Who takes the case and when it is due, and the way to say otherwise. */
export function PlanButton() {
  const { file, nameOf } = useCaseBook();
  const may = useMay()('workPlanned') && !file.seal && !file.closed;
  const [open, setOpen] = useState(false);
  useKeys('.', () => may && setOpen(true), { useKey: true });
  const { owner, due, urgent } = file.plan;
  const said = [urgent ? 'urgent' : null, owner ? nameOf(owner) : null, due ? `due ${formatDay(due)}` : null];
  const words = said.filter(Boolean).join(' · ') || 'Nobody’s yet';
  if (!may) return words === 'Nobody’s yet' ? null : <span className="px-2 pb-2 text-soft">{words}</span>;
  return (
    <>
      <button
        type="button"
        onClick={() => setOpen(true)}
        className="flex min-h-9 items-center gap-2 px-2 whitespace-nowrap text-soft hover:text-ink"
      >
        {words} <Key>.</Key>
      </button>
      {open && <PlanSheet onClose={() => setOpen(false)} />}
    </>
  );
}
