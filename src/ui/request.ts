/** What the server says when it turns something down. */
export class Turned extends Error {
  override name = 'Turned';

  constructor(
    sentence: string,
    readonly status: number,
    readonly since: unknown[] = [],
    /** What stands in the way, where the page can help with it. */
    readonly wants?: 'signIn' | 'proof',
  ) {
    super(sentence);
  }
}

/**
 * Ask the application's own server.
 *
 * @throws Turned with the server's sentence, or one of our own where it could not be reached
 */
export async function request<T>(path: string, init?: RequestInit): Promise<T> {
  let response: Response;
  try {
    response = await fetch(path, init);
  } catch (error) {
    if ((error as Error).name === 'AbortError') throw error;
    throw new Turned('The desk’s server cannot be reached. What you entered is still here; try again.', 0);
  }
  const answer = (await response.json().catch(() => null)) as
    | (T & { sentence?: string; since?: unknown[]; wants?: 'signIn' | 'proof' })
    | null;
  if (response.ok && answer !== null) return answer;
  throw new Turned(
    answer?.sentence ?? `The desk’s server answered ${response.status}.`,
    response.status,
    answer?.since,
    answer?.wants,
  );
}

/** Send JSON. */
export function post<T>(path: string, body: unknown): Promise<T> {
  return request<T>(path, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
}
