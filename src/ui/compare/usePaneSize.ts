import { type RefObject, useEffect, useState } from 'react';

/** The size of either pane of a frame that holds two side by side, in px; of one alone that of the frame. */
export function usePaneSize(frame: RefObject<HTMLElement | null>, count: number): { width: number; height: number } {
  const [size, setSize] = useState({ width: 600, height: 480 });
  useEffect(() => {
    const element = frame.current;
    if (!element) return;
    const observer = new ResizeObserver(() => {
      const { clientWidth, clientHeight } = element;
      const gap = Number.parseFloat(getComputedStyle(element).columnGap) || 0;
      setSize({ width: (clientWidth - gap * (count - 1)) / count, height: clientHeight });
    });
    observer.observe(element);
    return () => observer.disconnect();
  }, [frame, count]);
  return size;
}
