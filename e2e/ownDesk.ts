import { type ChildProcess, spawn } from 'node:child_process';

/**
 * Start a desk beside those that the tests share, on a data directory of its own.
 *
 * @param environment PINPRICK_DATA and PINPRICK_PORT at least
 * @param until what it says once it is there
 * @returns the server, to be ended by the test, with what it has said
 */
export async function ownDesk(
  environment: Record<string, string>,
  until: string,
): Promise<{ server: ChildProcess; said: string }> {
  const server = spawn(process.execPath, ['scripts/start.mjs'], { env: { ...process.env, ...environment } });
  const said = await new Promise<string>((resolve, reject) => {
    let text = '';
    server.stdout.on('data', (chunk) => {
      text += chunk;
      if (text.includes(until)) resolve(text);
    });
    server.on('exit', () => reject(new Error(text)));
  });
  return { server, said };
}
