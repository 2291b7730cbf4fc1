const LOOPBACK = ['127.0.0.1', '::1', '[::1]', 'localhost'];

/** True where the desk answers on a network, or under a name that a proxy before it carries. */
export function reachedFromElsewhere(): boolean {
  const { PINPRICK_HOST = '127.0.0.1', PINPRICK_NAMES = '' } = process.env;
  const names = PINPRICK_NAMES.split(',').map((name) => name.trim().toLowerCase());
  return [PINPRICK_HOST, ...names].some((name) => name !== '' && !LOOPBACK.includes(name));
}
