import 'server-only';
import type { Desk } from '@/desk/desk';
import type { Sitting } from '@/desk/people/shifts';
import { Refusal, type RefusalKind } from '@/desk/refusal';
import { soundText } from '@/desk/soundText';
import { storeProblemOf } from '@/desk/storeProblem';
import { sitting, theDesk } from '../desk';

const STATUS: Record<RefusalKind, number> = {
  invalid: 400,
  signedOut: 401,
  forbidden: 403,
  proof: 403,
  notFound: 404,
  conflict: 409,
  busy: 429,
};

/** Larger requests than this are no honest use: an exported case of some thousand events fits. */
const LARGEST = 8_000_000;

/** The answer to a request that was turned down: what, where, what to do. */
export interface Complaint {
  sentence: string;
  /** What stands in the way, where the page can help with it. */
  wants?: 'signIn' | 'proof';
  since?: unknown[];
}

export function complaint(error: unknown): Response {
  if (error instanceof Refusal) {
    const { kind, message, since } = error;
    const wants = kind === 'signedOut' ? 'signIn' : kind === 'proof' ? kind : undefined;
    return Response.json({ sentence: message, wants, since } satisfies Complaint, { status: STATUS[kind] });
  }
  console.error(error);
  const problem = storeProblemOf(error);
  if (problem) return Response.json({ sentence: problem.message } satisfies Complaint, { status: 503 });
  const sentence = 'The desk could not do that because of a fault of its own. Nothing was saved; try again.';
  return Response.json({ sentence } satisfies Complaint, { status: 500 });
}

/** Run a handler; whatever it refuses becomes a sentence with a fitting status. */
export async function respond(handle: () => Promise<unknown>): Promise<Response> {
  try {
    return Response.json(await handle());
  } catch (error) {
    return complaint(error);
  }
}

/** The text of a request's body, within bounds. */
export async function bodyText(request: Request): Promise<string> {
  const text = await request.text();
  if (text.length > LARGEST) throw new Refusal('invalid', 'That is larger than anything this desk takes in.');
  return text;
}

/** The JSON of a request's body. */
export async function bodyJson<T>(request: Request): Promise<T> {
  const text = await bodyText(request);
  try {
    const value: unknown = JSON.parse(text, soundText);
    if (typeof value === 'object' && value !== null) return value as T;
  } catch (error) {
    if (error instanceof Refusal) throw error;
  }
  throw new Refusal('invalid', 'The request is not whole JSON.');
}

/**
 * The desk with whoever is at the browser that asks.
 *
 * @throws Refusal where nobody is signed in there
 */
export async function atDesk(): Promise<Sitting & { desk: Desk }> {
  const here = await sitting();
  if (!here) throw new Refusal('signedOut', 'Nobody is signed in here, or the shift is over. Sign in and try again.');
  return { ...here, desk: await theDesk() };
}
