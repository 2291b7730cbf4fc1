import { readGtin } from '@/core/codes/gtin';
import { activeField, type Field, setValue } from '../controls/field';
import { pressAgain } from '../controls/pressAgain';

/** Keystrokes closer together than this come from a scanner, not from a hand. */
const BURST_MS = 50;
/** A slow scanner sends a key every 120 ms; a bench that met one waits for it from then on. */
const SLOW_MS = 135;
/** Keys that follow one another so closely may be a slow scanner's on a busy page. */
const MAYBE_SLOW_MS = 190;
const SLOW_KEY = 'pinprick-slow-scanner';
const SHORTEST = 6;
/** So many keys, evenly spaced and ended by Enter or Tab, come from no hand. */
const SURELY_SCANNED = 8;
/** A scanner keeps its pace to within this; no hand does, over so many keys. */
const EVEN_MS = 40;
/** Of digits alone it takes more: see `looksScanned`. */
const LEAST_DIGITS = 12;

const isSlow = (): boolean => {
  try {
    return localStorage.getItem(SLOW_KEY) === 'yes';
  } catch {
    return false;
  }
};

/**
 * A slow scan shows its form: a number whose check digit is right, or a symbol's text. A hurried hand answers check
 * after check with digits, and one in ten such runs has a right check digit: a short number is taken from fast
 * scanners only.
 */
const looksScanned = (text: string): boolean => {
  if (text.length < SURELY_SCANNED) return false;
  if (/^\d+$/.test(text)) return text.length >= LEAST_DIGITS && readGtin(text).readings.some(({ valid }) => valid);
  return /^[\](]|^01\d{14}|^https?:|^[0-9A-F]{24,}$/i.test(text);
};

/** FNC1 between the elements of a symbol, as scanners type it. */
const isSeparator = ({ key, ctrlKey }: KeyboardEvent): boolean => key === 'F8' || (ctrlKey && key === ']');

/** The shortest and the longest time between two keys of a run, and how often it was longer than a scanner's. */
interface Pace {
  least: number;
  most: number;
  pauses: number;
}

const NO_PACE: Pace = { least: Number.POSITIVE_INFINITY, most: 0, pauses: 0 };
const withInterval = ({ least, most, pauses }: Pace, ms: number): Pace => ({
  least: Math.min(least, ms),
  most: Math.max(most, ms),
  pauses: pauses + (ms < BURST_MS ? 0 : 1),
});
const isEven = ({ least, most }: Pace): boolean => most - least <= EVEN_MS;

/** Keys in slow succession, whatever was done with them. */
interface Slow extends Pace {
  text: string;
  last: number;
  /** So many of them were let through to the view that was there. */
  leaked: number;
  leakedTo: (() => ScanTaker) | undefined;
  /** The field that they went into, with what it held before. */
  field: Field | null;
  before: string;
}

const NOTHING: Slow = { ...NO_PACE, text: '', last: 0, leaked: 0, leakedTo: undefined, field: null, before: '' };

interface Burst extends Pace {
  text: string;
  last: number;
  /** The field that had the focus, with what it held before the burst. */
  field: Field | null;
  before: string;
  /** Keys held back outside of fields until it is clear whether a scanner or a hand sends them. */
  held: KeyboardEvent[];
  /** The first key, which did its work at once: it stands for a hand’s, until others follow too closely. */
  tried: { key: KeyboardEvent; trial: Trial } | null;
}

/** As fast as no hand is; or, where a slow scanner is waited for, as even as none is, and outside of fields or in its form. */
const isScanners = ({ text, field, ...pace }: Burst): boolean =>
  text.length >= SHORTEST &&
  (pace.most < BURST_MS || (isEven(pace) && (looksScanned(text) || (!field && text.length >= SURELY_SCANNED))));

/**
 * A run that a busy page heard late, key by key, was a scanner’s all the same: the keys say when they were pressed. The
 * scanner may have paused once, where the whole shows its form.
 */
const isHeardLate = ({ text, pauses, last }: Slow, now: number): boolean =>
  now - last < BURST_MS && text.length >= SHORTEST && pauses <= (looksScanned(text) ? 1 : 0);

/** Keys that do nothing by themselves; a scanner sends them before its capitals. */
const MODIFIERS = ['Shift', 'Control', 'Alt', 'AltGraph', 'Meta', 'CapsLock'];

/** What a field held before keys of a run began to stand in it. */
const without = (value: string, keys: string): string =>
  value.endsWith(keys) ? value.slice(0, value.length - keys.length) : value;

/** True where the browser can tell that it holds input which this page has not heard yet. */
function inputWaits(): boolean {
  const { scheduling } = navigator as { scheduling?: { isInputPending(): boolean } };
  return scheduling?.isInputPending() ?? false;
}

/** What a key does before it is clear who sends it. */
export interface Trial {
  /** A hand pressed it: what it did is kept. */
  keep(): void;
  /** A scanner may have sent it: everything stands as before. */
  takeBack(): void;
}

/** What a view does with what a scanner sends. */
export interface ScanTaker {
  /** A whole scan, and the field that had the focus. */
  onScan: (text: string, field: Field | null) => void;
  /** So many keys of a scan were let through to this view before it was known as one. */
  onLeak?: (keys: number) => void;
  /** A run of fast keys ended without Enter or Tab. */
  onBroken?: (text: string) => void;
  /** A key comes that need not be held back: all that it does can be undone. Null for one that has to wait. */
  onTry?: (key: string) => Trial | null;
}

/** The views that take scans, the newest last: a sheet lies over its page. */
const takers: (() => ScanTaker)[] = [];

/**
 * Let a view take scans from now on. The keys of a scan that is under way stay with the page while one view makes room
 * for another: whichever is there when the scan ends gets it whole.
 *
 * @param taker asked anew for each scan
 * @returns what ends it
 */
export function takeScans(taker: () => ScanTaker): () => void {
  listen();
  takers.push(taker);
  document.documentElement.dataset.scanner = 'heard';
  handOver();
  return () => {
    takers.splice(takers.indexOf(taker), 1);
    if (takers.length === 0) delete document.documentElement.dataset.scanner;
  };
}

/** Scans that ended while no view was there wait so long for the next. */
const LOST_AFTER_MS = 2000;
let waiting: { text: string; at: number }[] = [];

/** While no view is there, scans wait for the one that comes. */
const NOBODY: ScanTaker = { onScan: (text) => waiting.push({ text, at: performance.now() }) };
const nobody = () => NOBODY;

const current = (): ScanTaker => takers.at(-1)?.() ?? NOBODY;

/** Give the view that is there now the scans that waited for it. */
function handOver(): void {
  if (current() === NOBODY) return;
  const scans = waiting;
  waiting = [];
  for (const { text, at } of scans) if (performance.now() - at < LOST_AFTER_MS) current().onScan(text, null);
}

/**
 * Let scans wait while a view is on its way; the one that is still there must not take them.
 *
 * @returns what ends it: the view that is there then, or comes within two seconds, gets them
 */
export function holdScans(): () => void {
  listen();
  takers.push(nobody);
  return () => {
    takers.splice(takers.lastIndexOf(nobody), 1);
    waiting = waiting.map(({ text }) => ({ text, at: performance.now() }));
    setTimeout(handOver);
  };
}

let heard = false;

/** One pair of ears for as long as the page lives. */
function listen(): void {
  if (heard) return;
  heard = true;
  let burst: Burst | null = null;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let gap = isSlow() ? SLOW_MS : BURST_MS;
  let slow: Slow = NOTHING;

  const release = () => {
    const broken = burst !== null && burst.held.length > 0 && isScanners(burst);
    if (burst && broken) current().onBroken?.(burst.text);
    const keys = burst && !broken ? burst.held : [];
    slow = { ...slow, leaked: slow.leaked + keys.length + (burst?.tried ? 1 : 0), leakedTo: takers.at(-1) };
    burst?.tried?.trial.keep();
    burst = null;
    for (const key of keys) {
      // A key may have moved the focus into a field; those after it were meant for that field.
      const { target } = key;
      pressAgain(key, activeField() ?? (target instanceof Element && target.isConnected ? target : document.body));
    }
  };
  /** The run seems to be over; but a busy page hears keys late, and those that already wait may go on with it. */
  const whenQuiet = () => {
    if (inputWaits()) timer = setTimeout(whenQuiet, gap);
    else release();
  };
  /** Another key follows closely: the first one waits as well. */
  const holdTried = () => {
    if (!burst?.tried) return;
    const { key, trial } = burst.tried;
    trial.takeBack();
    burst = { ...burst, tried: null, held: [key, ...burst.held] };
  };
  /** From here on a slow scanner is waited for. */
  const waitLonger = () => {
    gap = SLOW_MS;
    try {
      localStorage.setItem(SLOW_KEY, 'yes');
    } catch {
      // Without storage it is told anew on the next page.
    }
  };
  const swallow = (event: KeyboardEvent) => {
    event.preventDefault();
    event.stopImmediatePropagation();
  };
  /** What was held comes before this key, and where it moved the focus into a field, this key is meant for that. */
  const releaseBefore = (event: KeyboardEvent) => {
    clearTimeout(timer);
    release();
    const field = activeField();
    // Tab goes on from the focus by itself.
    if (!field || field === event.target || event.key === 'Tab') return;
    swallow(event);
    pressAgain(event, field);
  };
  const onKey = (event: KeyboardEvent) => {
    // Where no view takes scans, keys are a hand's; but a scan that is under way is heard to its end.
    if (takers.length === 0 && !burst) return;
    // Keys that a script gives again were heard here before.
    if (!event.isTrusted || event.repeat) return;
    // What another device types there is for that field.
    if (event.target instanceof HTMLElement && 'typedByDevice' in event.target.dataset) return;
    const now = event.timeStamp;
    const running = burst !== null && now - burst.last < gap;
    const goesOn = now - slow.last < MAYBE_SLOW_MS;
    if (burst && running && isSeparator(event)) {
      swallow(event);
      holdTried();
      burst.text += '\u001d';
      burst.last = now;
      return;
    }
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    if (event.key === 'Enter' || event.key === 'Tab') {
      clearTimeout(timer);
      // A busy page, or one that paused between two keys, may have let the first go: what all of them say is the scan.
      const whole = slow.text.length > (burst?.text.length ?? 0);
      const heardLate = isHeardLate(slow, now);
      const endsFast = running && burst !== null && isScanners(burst);
      if (goesOn && (!running || whole) && (heardLate || (looksScanned(slow.text) && (endsFast || isEven(slow))))) {
        swallow(event);
        holdTried();
        const { text, leaked, leakedTo, field, before } = slow;
        slow = NOTHING;
        if (field) setValue(field, before);
        burst = null;
        if (!running && !heardLate) waitLonger();
        if (leaked > 0 && leakedTo && takers.includes(leakedTo)) leakedTo().onLeak?.(leaked);
        current().onScan(text, field);
        return;
      }
      if (endsFast && burst) {
        swallow(event);
        const { text, field, before } = burst;
        burst = null;
        if (field) setValue(field, before);
        slow = NOTHING;
        current().onScan(text, field);
      } else releaseBefore(event);
      return;
    }
    if (event.key.length !== 1) {
      if (burst && (burst.tried || burst.held.length > 0) && !MODIFIERS.includes(event.key)) releaseBefore(event);
      return;
    }
    slow = goesOn
      ? { ...slow, ...withInterval(slow, now - slow.last), text: slow.text + event.key, last: now }
      : { ...NOTHING, text: event.key, last: now };
    const into = activeField();
    if (into && !slow.field) slow = { ...slow, field: into, before: without(into.value, slow.text.slice(0, -1)) };
    if (!running || !burst) {
      clearTimeout(timer);
      release();
    }
    const field =
      event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement ? event.target : null;
    if (!burst) {
      const trial = field ? undefined : current().onTry?.(event.key);
      const tried = trial ? { key: event, trial } : null;
      burst = { ...NO_PACE, text: '', last: now, field, before: field?.value ?? '', held: [], tried };
    } else {
      holdTried();
      burst = { ...burst, ...withInterval(burst, now - burst.last) };
    }
    burst.text += event.key;
    burst.last = now;
    // Where the focus came into a field meanwhile, what is held goes there first.
    if (field && burst.held.length === 0) return;
    if (!burst.tried) {
      burst.held.push(event);
      swallow(event);
    }
    clearTimeout(timer);
    timer = setTimeout(whenQuiet, gap);
  };
  window.addEventListener('keydown', onKey, true);
}
