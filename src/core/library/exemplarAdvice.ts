import { mean } from 'simple-statistics';
import type { CheckDefinition, KindDefinition } from '../checks/check';
import { ENOUGH } from '../checks/exemplars';
import { checksFor } from '../checks/findings';
import type { Release } from '../releases/release';
import { exemplarsOf } from '../releases/shelfItem';
import { sizeNumber } from '../sizes/printedSize';

/** Two-sided 90 % points of Student's t by degrees of freedom, 1 to 10; beyond, that of the normal is near enough. */
const T_90 = [6.314, 2.92, 2.353, 2.132, 2.015, 1.943, 1.895, 1.86, 1.833, 1.812];
const Z_90 = 1.645;

/**
 * How much wider the range in which 90 % of genuine items must be expected is for n known items than if it were known
 * how they scatter.
 *
 * @source the predictive distribution of a normal sample: t·s·√(1 + 1/n) against z·σ
 * @example widening(3) // 2.05
 */
export const widening = (n: number): number =>
  n < 2 ? Number.POSITIVE_INFINITY : ((T_90[n - 2] ?? Z_90 + 1.5 / n) / Z_90) * Math.sqrt(1 + 1 / n);

/** What so many known genuine items can and cannot tell, in two sentences. */
export function whatTheyTell(n: number): { can: string; cannot: string } {
  if (n === 0)
    return {
      can: 'No genuine item is known: what the record states can be compared, and no more.',
      cannot: 'How far genuine items stray is stated, not seen.',
    };
  if (n === 1)
    return {
      can: 'One item tells what is printed where, which codes go together, and about what it measures.',
      cannot:
        'It cannot tell how far genuine items stray, nor whether another factory, market or size is otherwise: a difference from it is no fault by itself.',
    };
  if (n === 2)
    return {
      can: 'Two items tell which features may vary.',
      cannot: `They cannot tell by how much: the range to be expected is ${widening(2).toFixed(1)} times as wide as if it were known.`,
    };
  return {
    can: `${n} items show how wide genuine ones scatter, so measures are held against what was measured instead of what is stated.`,
    cannot: `The range to be expected is still ${widening(n).toFixed(n < 8 ? 1 : 2)} times as wide as if it were known${n < 5 ? '; with five it would be 1.4 times' : ''}.`,
  };
}

/** A genuine item that would tell more than others, and why. */
export interface Wanted {
  /** `size 46`, `factory QE2`, `any size`. */
  what: string;
  why: string;
}

/** What a check tells while nothing is known beside what it states: the better it separates, the more an exemplar is worth. */
const worth = ({ g, c }: CheckDefinition): number => c - g;

function measuredChecks(kind: KindDefinition, release: Release) {
  return checksFor(kind, release)
    .flatMap((check) => ('measure' in check.answer ? [{ check, measure: check.answer.measure }] : []))
    .filter(({ check }) => check.answer.form === 'quantity')
    .map((each) => ({ ...each, known: exemplarsOf(release, each.measure) }))
    .sort((a, b) => worth(b.check) - worth(a.check));
}

/** The size that narrows a line in size most: the one farthest from those that are known. */
function farthestSize(release: Release, known: number[]): string | null {
  const middle = known.length > 0 ? mean(known) : null;
  const sizes = release.sizes
    .map(({ key }) => ({ key, size: sizeNumber(key) }))
    .filter(({ size }) => !Number.isNaN(size) && !known.includes(size));
  if (sizes.length === 0 || middle === null) return null;
  return sizes.reduce((far, each) => (Math.abs(each.size - middle) > Math.abs(far.size - middle) ? each : far)).key;
}

/**
 * Which further genuine items would be worth most: first of variants of which none is known, then for the measures that
 * separate best and have no width yet, then of sizes for those that grow with size.
 */
export function wantedItems(release: Release, kind: KindDefinition): Wanted[] {
  const shelf = release.shelf ?? [];
  const wanted: Wanted[] = [];
  for (const { name, traits } of release.variants) {
    const shown = shelf.some((item) =>
      Object.entries(traits).every(([trait, states]) => states.includes(item.traits?.[trait] ?? states[0] ?? '')),
    );
    const told = Object.entries(traits).some(([trait]) => shelf.some((item) => item.traits?.[trait] !== undefined));
    if (!shown || (shelf.length > 0 && !told)) wanted.push({ what: name, why: 'none of this variant is known' });
  }
  const measured = measuredChecks(kind, release);
  const thin = measured.filter(({ known, measure }) => release.nominal[measure] && known.length < ENOUGH);
  const [first] = thin;
  if (first) {
    const lacking = ENOUGH - first.known.length;
    const others = thin.length > 1 ? ` and ${thin.length - 1} more` : '';
    wanted.push({
      what: lacking === 1 ? 'one more, of any size' : `${lacking} more, of any size`,
      why: `“${first.check.name}”${others} would be held against what was measured instead of what is stated`,
    });
  }
  const growing = measured.find(
    ({ measure, known }) => release.nominal[measure]?.perSize !== undefined && known.length > 0,
  );
  const sizes = growing ? growing.known.flatMap(({ size }) => (size === null ? [] : [size])) : [];
  const far = growing && new Set(sizes).size < ENOUGH ? farthestSize(release, sizes) : null;
  if (growing && far)
    wanted.push({
      what: `size ${far}`,
      why: `“${growing.check.name}” grows with size, and ${new Set(sizes).size === 1 ? 'one size is' : `${new Set(sizes).size} sizes are`} known: three make a line`,
    });
  return wanted;
}
