'use client';
import { useEffect, useRef } from 'react';

/** Keystrokes closer together than this come from a scanner, not from a hand. */
const BURST_MS = 50;
const SHORTEST = 6;

/** FNC1 between the elements of a symbol, as scanners type it. */
const isSeparator = ({ key, ctrlKey }: KeyboardEvent): boolean => key === 'F8' || (ctrlKey && key === ']');

type Field = HTMLInputElement | HTMLTextAreaElement;

interface Burst {
  text: string;
  last: number;
  /** The field that had the focus, with what it held before the burst. */
  field: Field | null;
  before: string;
  /** Keys held back outside of fields until it is clear whether a scanner or a hand sends them. */
  held: KeyboardEvent[];
}

/** Change what a field holds, in the way that React notices. */
function setValue(field: Field, value: string): void {
  const prototype = field instanceof HTMLInputElement ? HTMLInputElement.prototype : HTMLTextAreaElement.prototype;
  Object.getOwnPropertyDescriptor(prototype, 'value')?.set?.call(field, value);
  field.dispatchEvent(new Event('input', { bubbles: true }));
}

/** True where the browser can tell that it holds input which this page has not heard yet. */
function inputWaits(): boolean {
  const { scheduling } = navigator as { scheduling?: { isInputPending(): boolean } };
  return scheduling?.isInputPending() ?? false;
}

function activeField(): Field | null {
  const active = document.activeElement;
  return active instanceof HTMLInputElement || active instanceof HTMLTextAreaElement ? active : null;
}

/**
 * Take what a keyboard-wedge scanner sends, wherever the focus is: a run of fast keys that ends with Enter.
 * A field that caught the run is put back as it was. Outside of fields, keys are held back for the length of
 * one scanner keystroke, so that the digits of a barcode never answer checks.
 *
 * @param onScan called with the scanned text and the field that had the focus
 */
export function useWedge(onScan: (text: string, field: Field | null) => void): void {
  const handler = useRef(onScan);
  useEffect(() => {
    handler.current = onScan;
  });
  useEffect(() => {
    const replayed = new WeakSet<Event>();
    let burst: Burst | null = null;
    let timer: ReturnType<typeof setTimeout> | undefined;

    const release = () => {
      const keys = burst && burst.held.length < SHORTEST ? burst.held : [];
      burst = null;
      for (const key of keys) {
        // A key may have moved the focus into a field; those after it were meant for that field.
        const field = activeField();
        if (field) {
          setValue(field, field.value + key.key);
          continue;
        }
        const { key: name, code, shiftKey } = key;
        const again = new KeyboardEvent('keydown', { key: name, code, shiftKey, bubbles: true, cancelable: true });
        replayed.add(again);
        (key.target ?? document.body).dispatchEvent(again);
      }
    };
    /** The run seems to be over; but a busy page hears keys late, and those that already wait may go on with it. */
    const whenQuiet = () => {
      if (inputWaits()) timer = setTimeout(whenQuiet, BURST_MS);
      else release();
    };
    const swallow = (event: KeyboardEvent) => {
      event.preventDefault();
      event.stopImmediatePropagation();
    };
    const onKey = (event: KeyboardEvent) => {
      if (replayed.has(event) || event.repeat) return;
      const now = event.timeStamp;
      const running = burst !== null && now - burst.last < BURST_MS;
      if (burst && running && isSeparator(event)) {
        swallow(event);
        burst.text += '\u001d';
        burst.last = now;
        return;
      }
      if (event.ctrlKey || event.metaKey || event.altKey) return;
      if (event.key === 'Enter') {
        clearTimeout(timer);
        if (running && burst && burst.text.length >= SHORTEST) {
          swallow(event);
          const { text, field, before } = burst;
          burst = null;
          if (field) setValue(field, before);
          handler.current(text, field);
        } else release();
        return;
      }
      if (event.key.length !== 1) return;
      if (!running || !burst) {
        clearTimeout(timer);
        release();
      }
      const field =
        event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement ? event.target : null;
      if (!burst) {
        burst = { text: '', last: now, field, before: field?.value ?? '', held: [] };
      }
      burst.text += event.key;
      burst.last = now;
      if (field) return;
      burst.held.push(event);
      swallow(event);
      clearTimeout(timer);
      timer = setTimeout(whenQuiet, BURST_MS);
    };
    window.addEventListener('keydown', onKey, true);
    document.documentElement.dataset.scanner = 'heard';
    return () => {
      delete document.documentElement.dataset.scanner;
      window.removeEventListener('keydown', onKey, true);
      clearTimeout(timer);
    };
  }, []);
}
