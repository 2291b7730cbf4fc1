import { checkCharacter } from './checkCharacter';
import type { CodeScheme, Segment } from './codeScheme';
import { segmentForm } from './segments';
import type { SegmentForm, Understood } from './segments/segmentKind';

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

/** Work that several searches share: when it is used up, they stop. */
export interface Budget {
  steps: number;
}

const MOST_STEPS = 5_000;
const MOST_WAYS = 32;

const known = new WeakMap<CodeScheme, SegmentForm[]>();

/** A segment in capitals, for schemes in which case does not matter. */
function inCapitals(segment: Segment): Segment {
  const upper = Object.entries(segment).map(([key, value]) => {
    if (['text', 'alphabet', 'letters'].includes(key)) return [key, String(value).toUpperCase()];
    if (key !== 'values') return [key, value];
    return [key, Object.fromEntries(Object.entries(value).map(([text, says]) => [text.toUpperCase(), says]))];
  });
  return Object.fromEntries(upper);
}

/** The forms of a scheme's segments, which are made once for many codes. */
export function formsOf(scheme: CodeScheme): SegmentForm[] {
  const segments = scheme.caseMatters ? scheme.segments : scheme.segments.map(inCapitals);
  const forms = known.get(scheme) ?? segments.map(segmentForm);
  known.set(scheme, forms);
  return forms;
}

/** The least and the most characters of a scheme's codes from each segment on. */
export function lengthsFrom(scheme: CodeScheme): { least: number[]; most: number[] } {
  const forms = formsOf(scheme);
  const least = [0];
  const most = [0];
  for (let i = forms.length - 1; i >= 0; i--) {
    least.unshift((least[0] as number) + (scheme.segments[i]?.optional ? 0 : (forms[i]?.min ?? 0)));
    most.unshift((most[0] as number) + (forms[i]?.max ?? 0));
  }
  return { least, most };
}

/** How many characters at the front of a text a segment could take. */
function reach(form: SegmentForm, text: string): number {
  let at = 0;
  while (at < text.length && form.accepts(text.charAt(at), at)) at++;
  return at;
}

/** A check over segments that may stand behind it, which can be held only when all are known. */
type Deferred = Extract<Segment, { type: 'check' }> & { over: string[] };
const isDeferred = (segment: Segment): segment is Deferred => segment.type === 'check' && segment.over !== undefined;

/**
 * Cut a code into the segments of a scheme in every way that has a meaning. The search is bounded, and no place is
 * searched twice from which nothing was found.
 *
 * @param code letters and digits as the scheme counts them, see `charactersOf`
 * @param budget shared with other searches
 */
export function parse(scheme: CodeScheme, code: string, budget: Budget = { steps: MOST_STEPS }): Parses {
  const forms = formsOf(scheme);
  const { least, most } = lengthsFrom(scheme);
  const deferred = scheme.segments.filter(isDeferred);
  const ways: Piece[][] = [];
  const pieces: Piece[] = [];
  const dead = new Set<number>();
  let stop: Stop = { at: -1, expected: [] };
  let bounded = false;

  const fail = (at: number, expected: string) => {
    if (at > stop.at) stop = { at, expected: [expected] };
    else if (at === stop.at && !stop.expected.includes(expected)) stop.expected.push(expected);
  };
  const checksHold = (): boolean =>
    deferred.every((segment) => {
      const piece = pieces.find(({ name }) => name === segment.name);
      const over = segment.over.map((name) => pieces.find((each) => each.name === name)?.text ?? '').join('');
      const right = checkCharacter(segment, over);
      if (!piece || piece.text === right) return true;
      fail(piece.at, `the check character ${right}`);
      return false;
    });
  /** True where some way was found from there on. */
  const walk = (index: number, at: number): boolean => {
    const form = forms[index];
    const segment = scheme.segments[index];
    if (!form || !segment) {
      if (at !== code.length) fail(at, 'the end of the code');
      else if (checksHold()) {
        ways.push([...pieces]);
        return true;
      }
      return false;
    }
    const state = index * (code.length + 1) + at;
    if (dead.has(state)) return false;
    let found = false;
    const rest = code.slice(at, at + form.max);
    const accepted = reach(form, rest);
    if (accepted < form.min) fail(at + accepted, form.expects);
    for (let length = Math.min(accepted, form.max); length >= form.min; length--) {
      if (bounded || ways.length >= MOST_WAYS || budget.steps <= 0) {
        bounded = true;
        return found;
      }
      budget.steps--;
      const left = code.length - at - length;
      // Ways that cannot come out even are walked no further, but they may say where the code goes wrong.
      if (left > (most[index + 1] ?? 0) && length < form.max && accepted > length) continue;
      if (left < (least[index + 1] ?? 0) && length > form.min) continue;
      const text = code.slice(at, at + length);
      const understood = form.read(text, code.slice(0, at));
      if (!understood) {
        const wanted =
          segment.type === 'check' && !segment.over
            ? `the check character ${checkCharacter(segment, code.slice(0, at))}`
            : form.expects;
        fail(at, wanted);
        continue;
      }
      pieces.push({ name: segment.name, text, at, ...understood });
      if (walk(index + 1, at + length)) found = true;
      pieces.pop();
    }
    if (segment.optional && walk(index + 1, at)) found = true;
    // Whether a check over other segments holds depends on the way to this place.
    if (!found && !bounded && deferred.length === 0) dead.add(state);
    return found;
  };
  walk(0, 0);
  return { ways, stop: ways.length > 0 ? null : stop, bounded };
}
