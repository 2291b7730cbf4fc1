import type { ConfirmedCase } from '../../confirmedCase';
import { ascending } from './names';

/** A confirmed counterfeit, reduced to what tells its make: by check, 1 differs, 0 agrees, -1 not known. */
export interface Copy {
  number: string;
  outcomes: Int8Array;
  /** The make that a person sorted it into; null where nobody did. */
  held: string | null;
}

/** Older copies of a release tell nothing that so many newer ones do not. */
const NEWEST = 60;

/**
 * The newest confirmed counterfeits of each release.
 *
 * @param checks ids, in the order of the outcomes
 * @param ofOthers those that bear on packaging or tie it to the goods: in the box of another item they tell nothing
 * @param held case number to the make that a person sorted it into
 */
export function copiesByRelease(
  cases: ConfirmedCase[],
  checks: string[],
  ofOthers: ReadonlySet<string>,
  held: ReadonlyMap<string, string>,
): Map<string, Copy[]> {
  const place = new Map(checks.map((id, i) => [id, i]));
  const releases = new Map<string, Copy[]>();
  for (const { release, truth, findings, number } of [...cases].sort((a, b) => ascending(b.at, a.at))) {
    if (release === null || truth.goods !== 'counterfeit') continue;
    const copies = releases.get(release) ?? [];
    releases.set(release, copies);
    if (copies.length === NEWEST) continue;
    const outcomes = new Int8Array(checks.length).fill(-1);
    for (const [id, { differs }] of Object.entries(findings)) {
      const at = place.get(id);
      if (at === undefined || (truth.packaging === 'foreign' && ofOthers.has(id))) continue;
      outcomes[at] = differs ? 1 : 0;
    }
    copies.push({ number, outcomes, held: held.get(number) ?? null });
  }
  return releases;
}
