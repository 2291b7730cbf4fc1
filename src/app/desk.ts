import 'server-only';
import { getIronSession, type IronSession } from 'iron-session';
import { LRUCache } from 'lru-cache';
import { cookies, headers } from 'next/headers';
import { notFound, redirect } from 'next/navigation';
import { cache } from 'react';
import { type Desk, openDesk } from '@/desk/desk';
import { connectBench } from '@/desk/devices/bench';
import { nightly } from '@/desk/keeping/keeping';
import { learnElsewhere } from '@/desk/learnElsewhere';
import { recoverLibrary } from '@/desk/library/library';
import { sealKey } from '@/desk/people/sealKey';
import { type Pass, type Sitting, sittingOf } from '@/desk/people/shifts';
import { Refusal } from '@/desk/refusal';

const kept = globalThis as { pinprickDesk?: Promise<Desk> };

/** The desk of this server, opened once; for what nobody has to be signed in for. Everything else asks `atDesk`. */
export function theDesk(): Promise<Desk> {
  kept.pinprickDesk ??= openDesk(
    process.env.PINPRICK_DATA ?? './data',
    learnElsewhere(),
    connectBench(process.env.PINPRICK_DEVICES ?? ''),
  ).then(
    (desk) => {
      if (!desk.store.looking) {
        keep(desk);
        void recoverLibrary(desk).catch((error) => console.error(error));
      }
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
  // What was confirmed and not learned from when the server ended.
  void desk.learner(desk);
  setInterval(see, KEEP_EVERY_MS).unref();
}

export const ROOM_COOKIE = 'pinprick-room';
const PASS_COOKIE = 'pinprick-pass';

/** The longest shift; the desk ends each of them itself. */
const LONGEST_S = 86_400;

/** What this browser holds, sealed: no script reads it, no other site sends it. */
export async function browserPass(): Promise<IronSession<Partial<Pass>>> {
  const desk = await theDesk();
  return getIronSession<Partial<Pass>>(await cookies(), {
    cookieName: PASS_COOKIE,
    password: await sealKey(desk.store.directory),
    ttl: LONGEST_S,
    cookieOptions: { httpOnly: true, sameSite: 'strict', path: '/', secure: await comesByTls() },
  });
}

/** Whether the browser speaks TLS with this desk or with what stands before it. */
async function comesByTls(): Promise<boolean> {
  const all = await headers();
  return all.get('x-forwarded-proto')?.split(',')[0]?.trim() === 'https' || !!all.get('origin')?.startsWith('https:');
}

/** Seals that were opened: whose shift it is, and whether it runs, is asked of the desk each time. */
const opened = new LRUCache<string, Partial<Pass>>({ max: 500 });

/** Who is at this browser; null where nobody is. Read once for all parts of a page. */
export const sitting = cache(async (): Promise<Sitting | null> => {
  const seal = (await cookies()).get(PASS_COOKIE)?.value;
  if (!seal) return null;
  const { bench, person } = opened.get(seal) ?? (await browserPass());
  if (bench) opened.set(seal, { bench, person });
  return sittingOf(await theDesk(), { bench, person });
});

/** The desk with whoever is at this browser. Where nobody is, the page to sign in is shown instead. */
export async function atDesk(): Promise<{ desk: Desk; me: Sitting['me'] }> {
  const here = await sitting();
  if (!here) redirect(`/sign-in?next=${encodeURIComponent((await headers()).get('x-page') ?? '/')}`);
  return { desk: await theDesk(), me: here.me };
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
