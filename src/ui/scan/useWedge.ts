'use client';
import { useEffect, useRef } from 'react';
import { type ScanTaker, takeScans } from './wedge';

/**
 * Take what a keyboard-wedge scanner sends, wherever the focus is: a run of fast keys that ends with Enter.
 * A field that caught the run is put back as it was. Outside of fields, keys are held back for the length of
 * one scanner keystroke, or tried where all that they do can be undone, so that the digits of a barcode never answer
 * checks. A slow scanner is told by its first scan: what its keys did until then is taken back.
 */
export function useWedge(onScan: ScanTaker['onScan'], also: Omit<ScanTaker, 'onScan'> = {}): void {
  const taker = useRef<ScanTaker>({ onScan, ...also });
  useEffect(() => {
    taker.current = { onScan, ...also };
  });
  useEffect(() => takeScans(() => taker.current), []);
}
