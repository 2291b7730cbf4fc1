import type { Lesson, Taking } from '@/core/library/learnItem';
import { Choice } from '../controls/Choice';

const TAKINGS: { value: Taking | 'leave'; label: string }[] = [
  { value: 'take', label: 'into the record' },
  { value: 'beside', label: 'beside it, undecided' },
  { value: 'leave', label: 'leave it out' },
];

/** One thing that an item says of its release, and what is to become of it. */
export function LessonLine({
  lesson: { sentence, against, about },
  taking,
  onChange,
}: {
  lesson: Lesson;
  taking: Taking | 'leave';
  onChange: (taking: Taking | 'leave') => void;
}) {
  const options = TAKINGS.filter(({ value }) => value !== 'beside' || (against && about !== null));
  const shown = options.some(({ value }) => value === taking) ? taking : 'leave';
  return (
    <li className="flex items-start justify-between gap-4 border-b py-1.5">
      <span className="py-1.5">
        {sentence} {against && <span className="text-doubt">Otherwise than expected.</span>}
      </span>
      <span className="shrink-0">
        <Choice label={`What becomes of: ${sentence}`} value={shown} options={options} onChange={onChange} />
      </span>
    </li>
  );
}
