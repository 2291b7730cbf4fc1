import type { CaseFile } from '../casefile/caseFile';
import type { VerdictBody } from '../casefile/events/verdictSealed';
import { type Assessment, assess } from './assess';
import { type GroundsRevisions, groundsOf, pinsOf } from './grounds';
import { verdictSentences } from './sentences';

const round = (value: number, places: number): number => Number(value.toFixed(places));

/** What a verdict on the case as it stands would seal. The server seals only what it computes itself. */
export function verdictBody(
  file: CaseFile,
  grounds: GroundsRevisions,
  assessment: Assessment = assess(file, groundsOf(grounds)),
): VerdictBody {
  const { goods, packaging, weighing } = assessment;
  return {
    goods: goods.decision,
    packaging: packaging.decision,
    pGenuine: round(goods.p, 4),
    interval: [round(goods.interval[0], 4), round(goods.interval[1], 4)],
    weight: round(weighing.weight, 1),
    sentences: verdictSentences(file, assessment, grounds.release?.body.copies).map(({ text }) => text),
    pins: pinsOf(grounds),
  };
}
