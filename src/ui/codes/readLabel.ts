import type { CaseFile } from '@/core/casefile/caseFile';
import { contextOf } from '@/core/crossread/context';
import { splitLabel } from '@/core/crossread/label/splitLabel';
import { readFact } from '@/core/crossread/readFact';
import type { Grounds } from '@/core/judgement/grounds';
import type { LabelProposal } from './LabelSheet';

/** What a pasted label would enter at a place, without what stands there already in whatever spelling. */
export function readLabel(text: string, place: string, file: CaseFile, grounds: Grounds): LabelProposal {
  const context = contextOf(file, grounds);
  const [owner] = file.facts[place]?.styleCode?.belongsTo ?? [];
  const others =
    owner && owner.releaseId !== grounds.release?.id ? [{ model: owner.name, colourName: owner.colourName }] : [];
  const split = splitLabel(text, place, context, others);
  const normal = (fact: string, raw: string) => readFact(fact, raw, context, place).reading?.normal ?? raw;
  const stands = ({ fact, raw }: { fact: string; raw: string }) => {
    const entry = file.facts[place]?.[fact];
    return entry?.state === 'read' && entry.via !== 'derived' && normal(fact, entry.raw) === normal(fact, raw);
  };
  const placed = split.placed.filter((each) => !stands(each));
  return { place, placed, left: split.left, standing: split.placed.length - placed.length };
}
