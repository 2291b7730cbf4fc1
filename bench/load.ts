import { randomUUID } from 'node:crypto';
import { existsSync } from 'node:fs';
import { resolve } from 'node:path';
import { cookieOf } from '../e2e/signIn';
import { bar } from './bar';
import { awake, buildHello, DESK, freshDemo, HELLO, serve, timed } from './servers';

/** What pages and entries cost the server, as multiples of a hello-world of the same framework in one run. */
export async function benchLoad(): Promise<void> {
  if (!existsSync('.next/BUILD_ID')) {
    console.log('\nLoad: build the application first (npm run demo, or npm test).');
    return;
  }
  const hello = resolve('.cache/hello');
  const data = resolve('.cache/load-data');
  freshDemo(data);
  if (!buildHello(hello)) {
    console.log('\nLoad: the hello-world could not be built.');
    return;
  }
  const servers = [serve(DESK.port, '.', { PINPRICK_DATA: data }), serve(HELLO.port, hello)];
  try {
    await Promise.all([awake(DESK.home), awake(HELLO.home)]);
    const headers = { cookie: await cookieOf(DESK.home, 'isolde-varr'), 'content-type': 'application/json' };
    const get = (home: string, path: string) => () => fetch(`${home}${path}`, { headers });
    const at = '/api/cases/PP-0412';
    let seq = ((await (await get(DESK.home, at)()).json()) as { events: unknown[] }).events.length;
    const answer = async () => {
      const event = {
        id: randomUUID(),
        type: 'findingRecorded',
        body: { check: 'box.corners', outcome: 'cantTell' },
      };
      const kept = await fetch(`${DESK.home}${at}/events`, {
        method: 'POST',
        headers,
        body: JSON.stringify({ expectedSeq: seq, events: [event] }),
      });
      if (kept.ok) seq = ((await kept.clone().json()) as { events: { seq: number }[] }).events.at(-1)?.seq ?? seq;
      return kept;
    };
    const took = await timed({
      'hello page': get(HELLO.home, '/'),
      'queue page': get(DESK.home, '/'),
      'page of Inspect': get(DESK.home, '/case/PP-0414/inspect'),
      'page of Codes': get(DESK.home, '/case/PP-0414/codes'),
      'hello post': () => fetch(`${HELLO.home}/api`, { method: 'POST', headers, body: '{"a":1}' }),
      'one entry posted': answer,
      'a search by words': get(DESK.home, '/api/cases?q=tarn'),
    });
    const times = (name: string, beside: string) => (took[name] ?? 0) / (took[beside] ?? 1);
    console.log(
      `\nLoad, medians; a hello page takes ${took['hello page']?.toFixed(1)} ms, a hello post ${took['hello post']?.toFixed(1)} ms`,
    );
    bar('  queue page, times a hello page', times('queue page', 'hello page'), 2.5, 'at most');
    bar('  page of Inspect, times a hello page', times('page of Inspect', 'hello page'), 4, 'at most');
    bar('  page of Codes, times a hello page', times('page of Codes', 'hello page'), 4, 'at most');
    bar('  one entry posted, times a hello post', times('one entry posted', 'hello post'), 8, 'at most');
    bar('  a search by words, 426 cases', took['a search by words'] ?? 0, 50, 'at most', 'ms');
  } finally {
    for (const server of servers) server.kill('SIGTERM');
  }
}
