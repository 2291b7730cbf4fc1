// The desks that the end-to-end tests work on: one server with a database of its own for each of the tests' workers.
import { cpSync, rmSync } from 'node:fs';
import { resolve } from 'node:path';
import { build, giveUp, install, prepare, ROOT, requireNode, requirePort, serve } from './steps.mjs';

const ports = process.argv.slice(2).map(Number);
const data = (port) => resolve(ROOT, '.cache', `e2e-data-${port}`);

requireNode();
install();
for (const port of ports) await requirePort(port);
for (const port of ports) rmSync(data(port), { recursive: true, force: true });
// A whole run of tests has laid the demo world out by now; alone, or where that failed, it is laid out here.
const given = process.env.PINPRICK_E2E_DEMO;
const laidOut = given ?? data('demo');
if (!given) {
  rmSync(laidOut, { recursive: true, force: true });
  if (prepare(laidOut, '--demo') !== 0) process.exit(1);
}
for (const port of ports) cpSync(laidOut, data(port), { recursive: true });
if (build() !== 0) giveUp('The build failed; the reason stands above.');
process.env.PINPRICK_DEVICES = 'stand-in';
for (const port of ports) await serve(port, data(port));
