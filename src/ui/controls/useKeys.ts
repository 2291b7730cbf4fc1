import { useEffect } from 'react';
import { type HotkeyCallback, type Options, useHotkeys } from 'react-hotkeys-hook';

/** Sheets that lie over the page just now. */
let open = 0;

/** While this is on the screen, keys are meant for it, and the page beneath hears none. */
export function useAsSheet(): void {
  useEffect(() => {
    open++;
    return () => {
      open--;
    };
  }, []);
}

/** True while the page's own keys are heard: no sheet lies over it. */
export const pageHearsKeys = (): boolean => open === 0;

/** Keys of a page: heard unless a sheet lies over it. A sheet's own keys use `useHotkeys`. */
export function useKeys(keys: string | readonly string[], handler: HotkeyCallback, options: Options = {}): void {
  useHotkeys(keys, handler, { ...options, ignoreEventWhen: () => !pageHearsKeys() });
}
