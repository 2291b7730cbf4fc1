import 'server-only';
import { cookies } from 'next/headers';
import { notFound } from 'next/navigation';
import { type Desk, openDesk } from '@/desk/desk';
import { nightly } from '@/desk/keeping/keeping';
import { Refusal } from '@/desk/refusal';
import { type Checker, checkersAtBench } from '@/desk/roster';

const kept = globalThis as { pinprickDesk?: Promise<Desk> };

/** The desk of this server, opened once. */
export function theDesk(): Promise<Desk> {
  kept.pinprickDesk ??= openDesk(process.env.PINPRICK_DATA ?? './data').then(
    (desk) => {
      keep(desk);
      return desk;
    },
    (error) => {
      kept.pinprickDesk = undefined;
      throw error;
    },
  );
  return kept.pinprickDesk;
}

const KEEP_EVERY_MS = 600_000;

/** See to the desk's keeping now and then; it never keeps the server from ending. */
function keep(desk: Desk): void {
  const see = () => nightly(desk, new Date().getHours()).catch((error) => console.error(error));
  void see();
  setInterval(see, KEEP_EVERY_MS).unref();
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
