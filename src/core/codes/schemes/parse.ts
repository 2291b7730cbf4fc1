import { checkCharacter } from './checkCharacter';
import type { CodeScheme } from './codeScheme';
import { type SegmentForm, segmentForm, type Understood } from './segmentForms';

/** A segment with the text that stands for it. Positions count letters and digits only. */
export interface Piece extends Understood {
  name: string;
  text: string;
  at: number;
}

/** Where no way of reading gets any further. */
export interface Stop {
  /** 0 is the first letter or digit. */
  at: number;
  expected: string[];
}

export interface Parses {
  /** Each way of cutting the code into the scheme's segments. */
  ways: Piece[][];
  /** Set where there is none. */
  stop: Stop | null;
  /** True where the search was cut short; other ways may exist. */
  bounded: boolean;
}

const MOST_STEPS = 5_000;
const MOST_WAYS = 32;

/** The forms of a scheme's segments, which are looked up once for many codes. */
export const formsOf = (scheme: CodeScheme): SegmentForm[] => scheme.segments.map(segmentForm);

/** How many characters at the front of a text a segment could take. */
function reach(form: SegmentForm, text: string): number {
  let at = 0;
  while (at < text.length && form.accepts(text.charAt(at), at)) at++;
  return at;
}

/**
 * Cut a code into the segments of a scheme in every way that has a meaning. The search is bounded.
 *
 * @param code letters and digits in capitals, see `compact`
 */
export function parse(scheme: CodeScheme, code: string, forms: SegmentForm[] = formsOf(scheme)): Parses {
  const ways: Piece[][] = [];
  const pieces: Piece[] = [];
  let stop: Stop = { at: -1, expected: [] };
  let steps = 0;
  let bounded = false;
  const least = forms.map((_, i) => forms.slice(i).reduce((sum, { min }) => sum + min, 0));
  const most = forms.map((_, i) => forms.slice(i).reduce((sum, { max }) => sum + max, 0));

  const fail = (at: number, expected: string) => {
    if (at > stop.at) stop = { at, expected: [expected] };
    else if (at === stop.at && !stop.expected.includes(expected)) stop.expected.push(expected);
  };
  const walk = (index: number, at: number): void => {
    const form = forms[index];
    const segment = scheme.segments[index];
    if (!form || !segment) {
      if (at === code.length) ways.push([...pieces]);
      else fail(at, 'the end of the code');
      return;
    }
    const rest = code.slice(at, at + form.max);
    const accepted = reach(form, rest);
    if (accepted < form.min) fail(at + accepted, form.expects);
    for (let length = Math.min(accepted, form.max); length >= form.min; length--) {
      if (bounded || ways.length >= MOST_WAYS || steps >= MOST_STEPS) {
        bounded = true;
        return;
      }
      steps++;
      const left = code.length - at - length;
      // Ways that cannot come out even are walked no further, but they may say where the code goes wrong.
      if (left > (most[index + 1] ?? 0) && length < form.max && accepted > length) continue;
      if (left < (least[index + 1] ?? 0) && length > form.min) continue;
      const text = code.slice(at, at + length);
      const understood = form.read(text, code.slice(0, at));
      if (!understood) {
        const wanted =
          segment.type === 'check' ? `the check character ${checkCharacter(segment, code.slice(0, at))}` : form.expects;
        fail(at, wanted);
        continue;
      }
      pieces.push({ name: segment.name, text, at, ...understood });
      walk(index + 1, at + length);
      pieces.pop();
    }
  };
  walk(0, 0);
  return { ways, stop: ways.length > 0 ? null : stop, bounded };
}
