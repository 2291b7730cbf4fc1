import { networkInterfaces } from 'node:os';

/** Names under which a machine reaches itself. */
export const LOOPBACK = ['localhost', '127.0.0.1', '[::1]'];
const EVERYWHERE = ['0.0.0.0', '::', '[::]'];

const bracketed = (address: string): string => (address.includes(':') ? `[${address.replace(/%.*$/, '')}]` : address);

/**
 * The names under which this desk answers, in lower case and without port.
 *
 * @param bound the address that it listens at; where that is every address, all of this machine's count
 * @param given further names, with commas between them
 */
export function ownNames(bound: string, given: string): string[] {
  const addresses = EVERYWHERE.includes(bound)
    ? Object.values(networkInterfaces()).flatMap((list) => (list ?? []).map(({ address }) => bracketed(address)))
    : [bracketed(bound)];
  const named = given.split(',').map((name) => name.trim());
  return [...LOOPBACK, ...addresses, ...named].filter(Boolean).map((name) => name.toLowerCase());
}

/** The name in a Host header; null where it is none. */
function hostname(host: string): string | null {
  return /^(\[[0-9a-f:.]+\]|[^:/@\s[\]]+)(:\d{1,5})?$/i.exec(host)?.[1]?.toLowerCase() ?? null;
}

/** Why somebody is turned away at the door, with the status of the answer. */
export interface TurnedAway {
  status: 403 | 421;
  sentence: string;
}

/**
 * Turn away what was sent to another name than the desk's own, so that another site's name that points here gets
 * nothing, and what another site's page would change.
 *
 * @param request method and headers
 * @returns null where the request may come in
 */
export function turnedAway(request: Pick<Request, 'method' | 'headers'>, names: string[]): TurnedAway | null {
  const host = request.headers.get('host') ?? '';
  const name = hostname(host);
  if (!name || !names.includes(name))
    return {
      status: 421,
      sentence: `This desk does not go by the name “${host.slice(0, 80)}”. Whoever runs it can add a name: PINPRICK_NAMES=${name ?? 'NAME'}.`,
    };
  const origin = request.headers.get('origin');
  if (origin === null || request.method === 'GET' || request.method === 'HEAD') return null;
  // `null` stands for a page that has no origin to name: a file, a sandbox, a redirect from elsewhere.
  if (URL.canParse(origin) && new URL(origin).host === host.toLowerCase()) return null;
  return { status: 403, sentence: 'This came from a page of another site, so nothing was done.' };
}

/** The names of this desk. */
export const NAMES = ownNames(process.env.PINPRICK_HOST ?? '127.0.0.1', process.env.PINPRICK_NAMES ?? '');

/** The answer to whoever is turned away at this desk's door; null where the request may come in. */
export function atTheDoor(request: Pick<Request, 'method' | 'headers'>): Response | null {
  const away = turnedAway(request, NAMES);
  return away && Response.json({ sentence: away.sentence }, { status: away.status });
}
