import { useCallback, useEffect, useRef, useState } from 'react';
import type { LineAddress, LineNews } from '@/core/devices/phoneSeen';
import { post, request } from '../request';

/** The line of a case for phones, and what is done with it. */
export interface PhoneLineControl {
  open: boolean;
  /** The line once it was asked for on this page. */
  line: LineAddress | null;
  trouble: string;
  /** Open one, or show the one that is open; `fresh` ends that and gives another address. */
  ask(fresh: boolean): void;
  end(): void;
}

/**
 * The line of a case for phones; while it is open, what comes by it is heard at once.
 *
 * @param atFirst true where one is open as the page comes
 * @param onPicture called when a picture was added
 */
export function usePhoneLine(number: string, atFirst: boolean, onPicture: () => void): PhoneLineControl {
  const [open, setOpen] = useState(atFirst);
  const [line, setLine] = useState<LineAddress | null>(null);
  const [trouble, setTrouble] = useState('');
  const path = `/api/cases/${encodeURIComponent(number)}/phone`;
  /** Another address is another line to listen to. */
  const until = line?.until ?? '';
  // biome-ignore lint/correctness/useExhaustiveDependencies: see above
  useEffect(() => {
    if (!open) return;
    const news = new EventSource(path);
    let begun = false;
    news.onopen = () => {
      // Whatever came while nobody listened.
      if (begun) onPicture();
      begun = true;
    };
    news.onmessage = ({ data }) => {
      const what = JSON.parse(data) as LineNews;
      if ('over' in what) {
        news.close();
        setOpen(false);
        setLine(null);
      } else if ('picture' in what) {
        setLine((before) => before && { ...before, pictures: before.pictures + 1 });
        onPicture();
      } else setLine((before) => before && { ...before, begun: true });
    };
    return () => news.close();
  }, [open, path, until, onPicture]);
  /** What was asked last: asking and ending keep their order, or a line that is ended early would open after its end. */
  const last = useRef(Promise.resolve());
  const inTurn = useCallback((step: () => Promise<void>) => {
    setTrouble('');
    last.current = last.current.then(step).catch((error: Error) => setTrouble(error.message));
  }, []);
  const ask = useCallback(
    (fresh: boolean) =>
      inTurn(async () => {
        setLine(await post<LineAddress>(path, { fresh }));
        setOpen(true);
      }),
    [path, inTurn],
  );
  const end = useCallback(
    () =>
      inTurn(async () => {
        await request(path, { method: 'DELETE' });
        setOpen(false);
        setLine(null);
      }),
    [path, inTurn],
  );
  return { open, line, trouble, ask, end };
}
