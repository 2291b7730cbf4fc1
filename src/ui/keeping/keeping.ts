import type { Signature } from '@/core/trust/statements';

/** What the desk says of its keeping; see desk/keeping/keeping. */
export interface Keeping {
  running: { what: 'backup' | 'check'; share: number } | null;
  trouble: string | null;
  checked: {
    at: string;
    found: {
      cases: number;
      events: number;
      documents: number;
      photographs: number;
      days: number;
      notVouchedFor: string[];
      problems: string[];
    };
  } | null;
  folder: string | null;
  keepDays: number;
  newest: { madeAt: string; cases: number; photographs: number } | null;
  anchor: { day: string; cases: number; root: string; text: string; code: { d: string; size: number } } | null;
  key: { name: string } & Pick<Signature, 'publicKey'>;
  known: { name: string; label: string }[];
  clock: string | null;
  now: string;
}
