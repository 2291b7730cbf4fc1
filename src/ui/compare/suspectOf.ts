import type { CaseFile } from '@/core/casefile/caseFile';
import { leadingSize } from '@/core/crossread/context';
import type { Assessment } from '@/core/judgement/assess';
import type { Grounds } from '@/core/judgement/grounds';
import type { Suspect } from '@/core/library/nearestExemplar';

/** What of a case says which known genuine item is most like it. */
export function suspectOf(file: CaseFile, { chart }: Grounds, { reading }: Assessment): Suspect {
  const seen = reading.traits.filter(({ uncertain }) => !uncertain);
  return {
    sizeKey: file.sizeKey,
    size: leadingSize({ chart, sizeKey: file.sizeKey }),
    condition: file.circumstances.condition,
    traits: Object.fromEntries(seen.map(({ trait, state }) => [trait, state])),
  };
}
