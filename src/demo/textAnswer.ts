import type { RecordedFinding } from '@/core/casefile/events/findingRecorded';
import type { AnswerForm } from '@/core/checks/check';
import { textOutcome } from '@/core/checks/outcome';

/** What somebody types of a line: as it ought to be, or with its last letter left out as a copyist might. */
export function textAnswer(answer: Extract<AnswerForm, { form: 'text' }>, slipped: boolean): RecordedFinding {
  const [expected = ''] = answer.expected;
  const text = slipped ? expected.slice(0, -1) : expected;
  return { outcome: textOutcome(answer, text), text };
}
