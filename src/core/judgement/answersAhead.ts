import type { Finding } from '../checks/finding';
import type { PossibleAnswer } from '../listing/worth';
import { cameOut, type Evidence, shareOf, withFindings } from './evidence';

/**
 * How an open check may come out, and P(genuine) then. The chances are those under which P(genuine) is expected to stay
 * what it is, as it must before anything is known.
 */
export function answersAhead(finding: Finding, evidence: Evidence): PossibleAnswer[] {
  const now = shareOf(evidence);
  const [agrees, differs] = (['agrees', 'differs'] as const).map((mark) =>
    shareOf(withFindings(evidence, [cameOut(finding, mark)])),
  ) as [number, number];
  if (agrees - differs < 1e-9) return [{ chance: 1, p: now }];
  const chance = Math.min(1, Math.max(0, (now - differs) / (agrees - differs)));
  return [
    { chance, p: agrees },
    { chance: 1 - chance, p: differs },
  ];
}
