// The desk behind its own certificate: node scripts/serveTls.mjs HOST PORT, with PINPRICK_CERT and PINPRICK_KEY.
import { readFileSync } from 'node:fs';
import { createServer } from 'node:https';
import next from 'next';
import { IDLE_MS, ROOT } from './steps.mjs';

const [host, port] = process.argv.slice(2);
const { PINPRICK_CERT, PINPRICK_KEY } = process.env;
const app = next({ dev: false, dir: ROOT, hostname: host, port: Number(port) });
await app.prepare();
const handle = app.getRequestHandler();
const server = createServer(
  { cert: readFileSync(PINPRICK_CERT), key: readFileSync(PINPRICK_KEY) },
  (request, response) => {
    // Nothing stands before this server, so what a browser says of proxies is its own invention.
    for (const name of Object.keys(request.headers))
      if (/^x-forwarded-|^forwarded$/.test(name)) delete request.headers[name];
    void handle(request, response);
  },
);
server.keepAliveTimeout = IDLE_MS;
server.listen(Number(port), host);
for (const signal of ['SIGINT', 'SIGTERM'])
  process.on(signal, () => {
    server.close(() => process.exit(0));
    server.closeAllConnections();
  });
