import { useState } from 'react';
import type { StandInSeen } from '@/core/devices/benchSeen';
import { Choice } from '../controls/Choice';

/** Choose what lies on a stand-in. It says what it is: nothing that it sends is of a real item. */
export function StandInPanel({
  standIn: { laid, choices },
  onLay,
}: {
  standIn: StandInSeen;
  onLay: (choice: string) => void;
}) {
  const [turn, setTurn] = useState(0);
  return (
    <div className="mt-4 flex flex-wrap items-center gap-x-3 gap-y-1 border-t border-dashed pt-3 text-[13px]">
      <span className="text-soft">Stand-in, with made-up readings. On it lies</span>
      <Choice
        // Anew for each choice, so that the focus goes back to the sheet and its keys.
        key={turn}
        label="What lies on the stand-in"
        value={laid}
        options={choices.map(({ id, label }) => ({ value: id, label }))}
        onChange={(choice) => {
          setTurn(turn + 1);
          onLay(choice);
        }}
      />
    </div>
  );
}
