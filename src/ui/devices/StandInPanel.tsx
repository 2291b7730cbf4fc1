import { type ReactNode, useState } from 'react';
import type { StandInSeen } from '@/core/devices/benchSeen';
import { Choice } from '../controls/Choice';

/**
 * Choose what a stand-in reads. It says what it is: nothing that it sends is of a real item. It stands over the readings,
 * which come and go: what a hand aims at must not move away under it.
 */
export function StandInPanel({
  standIn: { laid, choices },
  says = 'On it lies',
  label = 'What lies on the stand-in',
  onLay,
  children,
}: {
  standIn: StandInSeen;
  /** Before the choice, and as its name. */
  says?: string;
  label?: string;
  onLay: (choice: string) => void;
  /** What else there is to do with it. */
  children?: ReactNode;
}) {
  const [turn, setTurn] = useState(0);
  return (
    <div className="mb-4 flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-dashed pb-3 text-[13px]">
      <span className="text-soft">Stand-in, with made-up readings. {says}</span>
      <Choice
        // Anew for each choice, so that the focus goes back to the sheet and its keys.
        key={turn}
        label={label}
        value={laid}
        options={choices.map(({ id, label: name }) => ({ value: id, label: name }))}
        onChange={(choice) => {
          setTurn(turn + 1);
          onLay(choice);
        }}
      />
      {children}
    </div>
  );
}
