import type { CaseFile } from '@/core/casefile/caseFile';
import { contextOf } from '@/core/crossread/context';
import { splitLabel } from '@/core/crossread/label/splitLabel';
import { standsAlready } from '@/core/crossread/standsAlready';
import type { Grounds } from '@/core/judgement/grounds';
import type { LabelProposal } from './LabelSheet';

/** What a pasted label would enter at a place, without what stands there already in whatever spelling. */
export function readLabel(text: string, place: string, file: CaseFile, grounds: Grounds): LabelProposal {
  const context = contextOf(file, grounds);
  const [owner] = file.facts[place]?.styleCode?.belongsTo ?? [];
  const others =
    owner && owner.releaseId !== grounds.release?.id ? [{ model: owner.name, colourName: owner.colourName }] : [];
  const split = splitLabel(text, place, context, others);
  const placed = split.placed.filter(({ fact, raw }) => !standsAlready(place, fact, raw, context));
  return { place, placed, left: split.left, standing: split.placed.length - placed.length };
}
