import type { Finding } from '../checks/finding';
import type { ReadingContext } from '../crossread/context';
import type { CrossReading } from '../crossread/crossReading';
import { type ChainFit, fitVariants, type Observation } from '../releases/variantFit';
import type { GoodsDecision } from './decide';

/** A confirmed difference in a check with at most this chance of differing when genuine ends a case for the one-fault school. */
export const ONE_FAULT_CHANCE = 0.01;

export interface OneFaultReading {
  says: 'genuine' | 'counterfeit';
  /** The impossibilities found. */
  faults: Finding[];
}

export interface ChainReading {
  /** `open`: nothing of the chain was observed, or the record lists no variants. */
  says: 'holds' | 'broken' | 'open';
  observations: Observation[];
  fit: ChainFit;
}

/** The one-fault school: a single confirmed impossibility ends it. */
export function readOneFault(findings: Finding[]): OneFaultReading {
  const faults = findings.filter(({ check, mark }) => mark === 'differs' && check.g <= ONE_FAULT_CHANCE);
  return { says: faults.length > 0 ? 'counterfeit' : 'genuine', faults };
}

/** The traits that printed facts and answers show. */
export function observeTraits(reading: CrossReading, findings: Finding[]): Observation[] {
  const observations = [...reading.traits];
  for (const { check, choice, mark } of findings) {
    if (check.trait && choice && mark !== 'open' && mark !== 'excused' && mark !== 'cantTell') {
      observations.push({ trait: check.trait, state: choice, label: `${check.name}: ${choice}` });
    }
  }
  return observations;
}

/** The chain school: only the fit between features counts. */
export function readChain(reading: CrossReading, findings: Finding[], context: ReadingContext): ChainReading {
  const observations = observeTraits(reading, findings);
  const fit = fitVariants(context.release?.variants ?? [], observations);
  const open = observations.length === 0 || fit.fits.length === 0;
  if (open) return { says: 'open', observations, fit };
  // A variant that the record does not know yet may account for it.
  const broken = context.release?.incomplete ? 'open' : 'broken';
  return { says: fit.holds ? 'holds' : broken, observations, fit };
}

/** What the chain school says, in a word or two. */
export const chainWords = ({ says, observations, fit }: ChainReading): string => {
  if (says !== 'open') return says;
  return observations.length > 0 && fit.fits.length > 0 ? 'not all known' : 'nothing seen';
};

const listed = (sets: ChainFit['mends']): string =>
  sets.map((set) => set.map((seen) => seen.label).join(' and ')).join(', or on ');

/**
 * Where the three readings part, and on which observation; null where they are of one mind.
 */
export function partingSentence(
  weighing: GoodsDecision,
  oneFault: OneFaultReading,
  chain: ChainReading,
): string | null {
  const [fault] = oneFault.faults;
  const parts: string[] = [];
  if (fault && weighing !== 'counterfeit') {
    const weighs = weighing === 'undecided' ? 'leaves the case open' : 'still finds for the goods';
    parts.push(
      `One fault would end it on “${fault.check.name}”; weighing ${weighs}, because a genuine item shows that too, ${share(fault.check.g)} of the time.`,
    );
  }
  if (chain.says === 'broken' && weighing !== 'counterfeit')
    parts.push(`The chain breaks on ${listed(chain.fit.mends)}; weighing takes that as one sign among the others.`);
  if (chain.says === 'broken' && weighing === 'counterfeit' && !fault)
    parts.push(
      `The chain breaks on ${listed(chain.fit.mends)}, and weighing finds against the goods too; no single fault is beyond what a genuine item may show.`,
    );
  if (weighing === 'counterfeit' && chain.says === 'holds')
    parts.push(
      fault
        ? `The chain holds, since one genuine variant accounts for every trait; “${fault.check.name}” is what ends it for one fault, and weighing finds against the goods with it.`
        : 'No single fault is beyond what a genuine item may show and the chain holds; it is the sum of the signs that weighs against the goods.',
    );
  if (weighing === 'counterfeit' && chain.says === 'open' && !fault)
    parts.push(
      'No single fault is beyond what a genuine item may show; it is the sum of the signs that weighs against the goods.',
    );
  return parts.length > 0 ? parts.join(' ') : null;
}

const share = (chance: number): string =>
  chance < 0.01 ? `${(chance * 100).toFixed(1)} %` : `${Math.round(chance * 100)} %`;
