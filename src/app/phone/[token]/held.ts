import 'server-only';
import { cookies } from 'next/headers';

const COOKIE = 'pinprick-phone';

/** What this phone was given when it began, or null. */
export async function heldByPhone(): Promise<string | null> {
  return (await cookies()).get(COOKIE)?.value ?? null;
}

/** Let this phone hold it, for its own address alone. */
export async function holdOnPhone(token: string, held: string, seconds: number): Promise<void> {
  (await cookies()).set(COOKIE, held, {
    httpOnly: true,
    // A phone that comes by its camera once more is let in again; the address alone says what it may do.
    sameSite: 'lax',
    path: `/phone/${token}`,
    maxAge: seconds,
  });
}
