import { useEffect } from 'react';
import { PICTURE_TYPES } from './keepPicture';

/** Take pictures that are pasted anywhere on a page; text is left to the field that it is pasted into. */
export function usePastedPictures(open: boolean, onPictures: (files: File[]) => void): void {
  useEffect(() => {
    if (!open) return;
    const paste = (event: ClipboardEvent) => {
      const files = [...(event.clipboardData?.files ?? [])].filter(({ type }) => type in PICTURE_TYPES);
      if (files.length === 0) return;
      event.preventDefault();
      onPictures(files);
    };
    window.addEventListener('paste', paste);
    return () => window.removeEventListener('paste', paste);
  });
}
