'use client';
import { useEffect } from 'react';
import { TOOLS } from '@/core/checks/tools';
import { useCaseBook } from '../casebook/CaseBook';
import { Button } from '../controls/Button';
import { Sheet } from '../controls/Sheet';

const KEPT = 'pinprick-tools-missing';

/** What was said of this shift's tools on this machine; a shift is a day. */
function ofThisShift(): string[] | null {
  const [day, list] = (window.localStorage.getItem(KEPT) ?? '').split('|');
  return day === new Date().toISOString().slice(0, 10) ? (list ?? '').split(',').filter(Boolean) : null;
}

/** Tools that are not at hand: said once a shift, kept with each case, and excusing its checks. */
export function ToolsSheet({ open, onOpenChange }: { open: boolean; onOpenChange: (open: boolean) => void }) {
  const { file, record } = useCaseBook();
  const { circumstances, seal } = file;
  const missing = circumstances.toolsMissing ?? [];
  const state = (toolsMissing: string[]) => record('circumstancesStated', { ...circumstances, toolsMissing });
  // A case that was opened without a word on tools takes those of the shift.
  useEffect(() => {
    const shift = ofThisShift();
    if (!seal && circumstances.toolsMissing === undefined && shift && shift.length > 0)
      record('circumstancesStated', { ...circumstances, toolsMissing: shift });
  }, [circumstances, seal, record]);
  const toggle = (tool: string) => {
    const next = missing.includes(tool) ? missing.filter((each) => each !== tool) : [...missing, tool];
    window.localStorage.setItem(KEPT, `${new Date().toISOString().slice(0, 10)}|${next.join(',')}`);
    state(next);
  };
  return (
    <Sheet
      open={open}
      onOpenChange={onOpenChange}
      title="Tools at hand this shift"
      description="A tool that is missing excuses the checks that need it, on this case and on those opened later today."
    >
      <div className="grid grid-cols-2 gap-2">
        {Object.entries(TOOLS).map(([id, name]) => (
          <Button key={id} aria-pressed={!missing.includes(id)} disabled={seal !== null} onClick={() => toggle(id)}>
            <span className={missing.includes(id) ? 'text-soft line-through' : ''}>{name}</span>
            <span className="ml-auto text-[13px] text-soft">{missing.includes(id) ? 'not at hand' : 'at hand'}</span>
          </Button>
        ))}
      </div>
    </Sheet>
  );
}
