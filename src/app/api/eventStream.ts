import 'server-only';

/** A line of silence keeps what stands between from closing the connection. */
const BREATHE_MS = 20_000;

/**
 * Server-sent events until they are over or nobody listens any more.
 *
 * @param begin called once; what it returns is called at the end, however it comes about
 */
export function eventStream(
  request: Request,
  begin: (send: (news: object) => void, close: () => void) => () => void,
): Response {
  const encoder = new TextEncoder();
  let end = () => {};
  const body = new ReadableStream<Uint8Array>({
    start(controller) {
      let over = false;
      const write = (text: string) => {
        if (!over) controller.enqueue(encoder.encode(text));
      };
      const breath = setInterval(() => write(':\n\n'), BREATHE_MS);
      let stop: (() => void) | null = null;
      end = () => {
        if (over) return;
        over = true;
        clearInterval(breath);
        stop?.();
      };
      const close = () => {
        if (over) return;
        end();
        controller.close();
      };
      write(':\n\n');
      stop = begin((news) => write(`data: ${JSON.stringify(news)}\n\n`), close);
      request.signal.addEventListener('abort', end, { once: true });
    },
    cancel: () => end(),
  });
  // Packing would hold lines back until there is enough to pack.
  return new Response(body, {
    headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store, no-transform' },
  });
}

/** What a device sends, as server-sent events: `value` for each, `over` with a sentence where it fell silent. */
export function streamOf<T>(request: Request, listen: (signal: AbortSignal) => AsyncIterable<T>): Response {
  return eventStream(request, (send, close) => {
    const abort = new AbortController();
    const hear = async () => {
      try {
        for await (const value of listen(abort.signal)) send({ value });
        send({ over: '' });
      } catch (error) {
        send({ over: (error as Error).message });
      }
      close();
    };
    void hear();
    return () => abort.abort();
  });
}
