import { LOOPBACK, NAMES } from './door';

/**
 * Where a phone on the same network finds this desk, likeliest first; none where it listens on this machine only.
 *
 * @param host the Host header of whoever asks: where it is no loopback name, that name works
 * @param protocol `http:` or `https:`, as whoever asks has it
 * @param path behind the name
 */
export function phoneAddresses(host: string, protocol: string, path: string, names = NAMES): string[] {
  const [, asked = '', port = ''] = /^(.*?)(:\d+)?$/.exec(host.toLowerCase()) ?? [];
  // Addresses that hold on one link only cannot be typed into a browser.
  const reached = names.filter((name) => !LOOPBACK.includes(name) && !/^127\.|^\[fe80/.test(name));
  const rank = (name: string) => (name === asked ? 0 : name.startsWith('[') ? 2 : 1);
  return [...new Set(reached)].sort((a, b) => rank(a) - rank(b)).map((name) => `${protocol}//${name}${port}${path}`);
}
