import { useCallback, useEffect, useState } from 'react';
import { post, request } from '../request';

/** A line by which a phone adds pictures to a case, as the bench sees it. */
export interface PhoneLine {
  /** ISO instant at which it ends. */
  until: string;
  /** A phone has begun. */
  begun: boolean;
  pictures: number;
  /** What a phone can reach, likeliest first; none where the desk listens on this machine only. */
  addresses: string[];
  /** Where this machine itself finds the page of the phone. */
  path: string;
  /** The first of them as a QR code. */
  code: { d: string; size: number } | null;
}

export interface PhoneLineControl {
  open: boolean;
  /** The line once it was asked for on this page. */
  line: PhoneLine | null;
  trouble: string;
  /** Open one, or show the one that is open; `fresh` ends that and gives another address. */
  ask(fresh: boolean): void;
  end(): void;
}

type News = { begun: true } | { picture: string } | { over: true };

/**
 * The line of a case for phones; while it is open, what comes by it is heard at once.
 *
 * @param atFirst true where one is open as the page comes
 * @param onPicture called when a picture was added
 */
export function usePhoneLine(number: string, atFirst: boolean, onPicture: () => void): PhoneLineControl {
  const [open, setOpen] = useState(atFirst);
  const [line, setLine] = useState<PhoneLine | null>(null);
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
      const what = JSON.parse(data) as News;
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
  const ask = useCallback(
    (fresh: boolean) => {
      setTrouble('');
      post<PhoneLine>(path, { fresh }).then(
        (given) => {
          setLine(given);
          setOpen(true);
        },
        (error: Error) => setTrouble(error.message),
      );
    },
    [path],
  );
  const end = useCallback(() => {
    request(path, { method: 'DELETE' }).catch((error: Error) => setTrouble(error.message));
  }, [path]);
  return { open, line, trouble, ask, end };
}
