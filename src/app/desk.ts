import 'server-only';
import { cookies } from 'next/headers';
import { notFound } from 'next/navigation';
import { type Desk, openDesk } from '@/desk/desk';
import { Refusal } from '@/desk/refusal';
import { type Checker, checkersAtBench } from '@/desk/roster';

const kept = globalThis as { pinprickDesk?: Promise<Desk> };

/** The desk of this server, opened once. */
export function theDesk(): Promise<Desk> {
  kept.pinprickDesk ??= openDesk(process.env.PINPRICK_DATA ?? './data').catch((error) => {
    kept.pinprickDesk = undefined;
    throw error;
  });
  return kept.pinprickDesk;
}

export const CHECKER_COOKIE = 'pinprick-checker';
export const ROOM_COOKIE = 'pinprick-room';

/** Who is at the bench, as this browser picked; null where nobody did or the person left the roster. */
export async function checkerAtBench(): Promise<Checker | null> {
  const id = (await cookies()).get(CHECKER_COOKIE)?.value;
  const checkers = await checkersAtBench(await theDesk());
  return checkers.find((checker) => checker.id === id) ?? null;
}

/** Show the page for missing things where the desk finds nothing. */
export async function orNotFound<T>(reading: Promise<T>): Promise<T> {
  try {
    return await reading;
  } catch (error) {
    if (error instanceof Refusal && error.kind === 'notFound') notFound();
    throw error;
  }
}
