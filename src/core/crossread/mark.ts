/** The states of anything that can be looked at, each with its own mark on the screen. */
export type Mark = 'agrees' | 'differs' | 'cantTell' | 'missing' | 'excused' | 'open';

/** The marks in words. */
export const MARK_WORDS: Record<Mark, string> = {
  agrees: 'agrees',
  differs: 'differs',
  cantTell: 'can’t tell',
  missing: 'missing',
  excused: 'excused',
  open: 'not looked at',
};
