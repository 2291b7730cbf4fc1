// npm run demo: everything from a fresh checkout to a running desk with the demo world.
import { resolve } from 'node:path';
import {
  build,
  chosenPort,
  giveUp,
  install,
  prepare,
  ROOT,
  requireCertificate,
  requireNode,
  requirePort,
  serve,
} from './steps.mjs';

requireNode();
const port = chosenPort();
const data = resolve(ROOT, process.env.PINPRICK_DATA ?? 'data/demo');
requireCertificate();
await requirePort(port);
install();
if (prepare(data, '--demo') !== 0) process.exit(1);
if (build() !== 0) giveUp('The build failed; the reason stands above.');
process.env.PINPRICK_BACKUP ??= resolve(ROOT, 'data/demo-backups');
// Nobody who tries the demo has a reader or a scale on its wires.
process.env.PINPRICK_DEVICES ??= 'stand-in';
await serve(port, data);
