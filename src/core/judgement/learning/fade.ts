import type { Memory } from '../statistics';
import type { CaseTable } from './caseTable';
import type { Fade } from './expectation';

/** How much each case still counts on the copied side, by its age. */
export function fadeOf({ months }: CaseTable, { shares, chances }: Memory): Fade {
  const by = (halfLife: number | null) =>
    halfLife === null ? new Float64Array(months.length).fill(1) : months.map((age) => 0.5 ** (age / halfLife));
  return { shares: by(shares), chances: by(chances) };
}
