import { type RefObject, useLayoutEffect, useState } from 'react';

/** The height from where an element begins down to the end of the window, in px; null until it is known. */
export function useFillingHeight(element: RefObject<HTMLElement | null>): number | null {
  const [height, setHeight] = useState<number | null>(null);
  useLayoutEffect(() => {
    const measure = () => {
      const top = (element.current?.getBoundingClientRect().top ?? 0) + window.scrollY;
      setHeight(window.innerHeight - top);
    };
    measure();
    // What stands above it may break into more lines.
    const observer = new ResizeObserver(measure);
    observer.observe(document.body);
    return () => observer.disconnect();
  }, [element]);
  return height;
}
