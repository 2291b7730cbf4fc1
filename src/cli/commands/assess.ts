import { fold } from '@/core/casefile/fold';
import { assess as weigh } from '@/core/judgement/assess';
import { groundsOf } from '@/core/judgement/grounds';
import { verdictSentences } from '@/core/judgement/sentences';
import { carriedGrounds, parseCaseExport } from '@/desk/transfer';
import { textOf } from '../files';
import { FINE, PROBLEMS, print } from '../outcome';

export async function assess(path: string): Promise<number> {
  const exported = parseCaseExport(await textOf(path));
  const file = fold(exported.id, exported.events);
  const grounds = groundsOf(carriedGrounds(exported));
  const assessment = weigh(file, grounds);
  const { goods, packaging, states, weighing, oneFault, chain, parting, findings, reading } = assessment;
  print({
    case: file.number,
    head: file.head,
    goods,
    packaging,
    states,
    weight: weighing.weight,
    strands: weighing.strands.map(({ strand, weight, checks }) => ({
      strand,
      weight,
      checks: checks.map(({ finding, weight: own }) => ({ check: finding.check.id, mark: finding.mark, weight: own })),
    })),
    readings: { weighing: goods.decision, oneFault: oneFault.says, chain: chain.says, parting },
    problems: reading.problems,
    open: findings.filter(({ mark }) => mark === 'open').map(({ check }) => check.id),
    sentences: verdictSentences(file, assessment, grounds.release?.copies).map(({ text }) => text),
  });
  return findings.some(({ mark }) => mark === 'differs') ? PROBLEMS : FINE;
}
