import { useEffect, useRef } from 'react';

type News<T> = { value: T } | { over: string };

/**
 * Hear what a device sends, until it falls silent or the view goes.
 *
 * @param path null where nothing is to be heard
 * @param onValue called with each value
 * @param onOver called once with a sentence, empty where the device simply ended; a broken line is an end, too
 */
export function useDeviceStream<T>(
  path: string | null,
  onValue: (value: T) => void,
  onOver: (sentence: string) => void,
): void {
  const handlers = useRef({ onValue, onOver });
  useEffect(() => {
    handlers.current = { onValue, onOver };
  });
  useEffect(() => {
    if (path === null) return;
    const source = new EventSource(path);
    source.onmessage = ({ data }) => {
      const news = JSON.parse(data) as News<T>;
      if ('value' in news) {
        handlers.current.onValue(news.value);
        return;
      }
      source.close();
      handlers.current.onOver(news.over);
    };
    // Otherwise the browser would begin anew, in the middle of what was being read.
    source.onerror = () => {
      source.close();
      handlers.current.onOver('The line to the device broke off. Read again.');
    };
    return () => source.close();
  }, [path]);
}
