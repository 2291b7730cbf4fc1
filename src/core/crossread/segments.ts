import { align } from '../codes/align';

/** A run of characters of what was found; `expected` holds what should stand there instead. */
export interface Segment {
  text: string;
  differs: boolean;
  expected?: string;
}

/** A text of which nothing is wrong. */
export const plain = (text: string): Segment[] => (text === '' ? [] : [{ text, differs: false }]);

/** Split a display form where the letters and digits that count are marked; separators are passed over. */
function marked(display: string, found: string, wrong: Map<number, string | undefined>): Segment[] {
  const segments: Segment[] = [];
  let next = 0;
  for (const character of display) {
    const counts = next < found.length && character.toUpperCase() === found.charAt(next);
    const differs = counts && wrong.has(next);
    const meant = counts ? wrong.get(next) : undefined;
    if (counts) next++;
    const last = segments.at(-1);
    if (!differs && last && !last.differs) last.text += character;
    else
      segments.push(
        differs ? { text: character, differs, ...(meant ? { expected: meant } : {}) } : { text: character, differs },
      );
  }
  return segments;
}

/** Mark the characters of a display form that differ from what was expected; all of it where most of them do. */
export function differingSegments(display: string, found: string, expected: string): Segment[] {
  const wrong = new Map<number, string>();
  const { distance, steps } = align(expected, found);
  if (distance > Math.max(expected.length, found.length) / 2) return [{ text: display, differs: true }];
  for (const step of steps) {
    if (step.op === 'same') continue;
    const at = step.op === 'delete' ? Math.min(step.foundAt, found.length - 1) : step.foundAt;
    for (let i = 0; i < Math.max(1, step.found.length); i++) wrong.set(at + i, step.expected.charAt(i) || '∅');
  }
  return marked(display, found, wrong);
}

/** Mark one character of a display form: where a code leaves its scheme. */
export function stoppingSegments(display: string, found: string, at: number): Segment[] {
  return marked(display, found, new Map([[Math.min(at, found.length - 1), undefined]]));
}
