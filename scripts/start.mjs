// npm start: serve the desk's own data directory.
import { existsSync } from 'node:fs';
import { resolve } from 'node:path';
import {
  bin,
  build,
  chosenPort,
  giveUp,
  prepare,
  ROOT,
  requireCertificate,
  requireNode,
  requirePort,
  serve,
} from './steps.mjs';

requireNode();
const port = chosenPort();
const data = resolve(ROOT, process.env.PINPRICK_DATA ?? 'data');
if (!existsSync(bin('next')))
  giveUp('The packages are not installed yet. Run: npm run demo (everything, with demo data) or npm install.');
requireCertificate();
await requirePort(port);
if (prepare(data) !== 0) process.exit(1);
if (build() !== 0) giveUp('The build failed; the reason stands above.');
await serve(port, data);
