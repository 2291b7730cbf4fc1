import type { CheckDefinition } from '@/core/checks/check';
import { checksFor } from '@/core/checks/findings';
import { answerProblem } from '@/core/checks/outcome';
import { marksOf } from '@/core/instruments';
import { groundsOf } from '@/core/judgement/grounds';
import { invalid } from '../refusal';
import type { Completion, Setting } from './completion';

/** The check that a person answers. */
function requireCheck(id: string, { grounds }: Setting): CheckDefinition {
  const { kind, release } = groundsOf(grounds);
  const check = checksFor(kind, release).find((each) => each.id === id);
  if (!check) throw invalid(`There is no check “${id}” for this item.`);
  if (check.answer.form === 'codes')
    throw invalid(`“${check.name}” is answered by the cross-reading; read the codes instead.`);
  return check;
}

export const findingRecorded: Completion<'findingRecorded'> = (event, setting) => {
  const no = answerProblem(requireCheck(event.body.check, setting), event.body);
  if (no) throw invalid(no);
  const { pictures, device } = event.body.supplied ?? {};
  if ((device === 'picture') !== (pictures !== undefined))
    throw invalid('What is measured on a picture names the picture, and nothing else does.');
  for (const { sha256, instrument } of pictures ?? []) {
    if (!setting.file.photos.some((photo) => photo.sha256 === sha256))
      throw invalid('The photograph that it was measured on is not in this case.');
    if (!marksOf(instrument)) throw invalid(`There is no instrument “${instrument}”.`);
  }
  return event;
};

export const findingExcused: Completion<'findingExcused'> = (event, setting) => {
  requireCheck(event.body.check, setting);
  return event;
};

export const findingWithdrawn: Completion<'findingWithdrawn'> = (event, setting) => {
  requireCheck(event.body.check, setting);
  return event;
};
