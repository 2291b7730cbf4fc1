// npm test: installs what is missing, then everything that proves the project. Ends with `N passed, N failed`.
import { spawnSync } from 'node:child_process';
import { existsSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { bin, build, install, prepareBeside, ROOT, requireNode, run, say } from './steps.mjs';

const CHROMIUM = ['/usr/bin/chromium', '/usr/bin/chromium-browser'];
const node = (script, ...args) => run(process.execPath, [bin(script), ...args]);

let passed = 0;
let failed = 0;

/** A step that passes or fails as a whole. */
function step(name, work) {
  say(name);
  if (work() === 0) passed += 1;
  else {
    failed += 1;
    console.error(`Failed: ${name}`);
  }
}

/** A step that counts its own tests in a JSON report; without one it has failed. */
function counted(name, report, work, count) {
  say(name);
  rmSync(join(ROOT, report), { force: true });
  const status = work();
  const { ok, bad } = existsSync(join(ROOT, report))
    ? count(JSON.parse(readFileSync(join(ROOT, report), 'utf8')))
    : { ok: 0, bad: 0 };
  passed += ok;
  failed += bad;
  if ((status !== 0 && bad === 0) || ok + bad === 0) {
    failed += 1;
    console.error(`Failed: ${name} did not run to its end.`);
  }
}

function installChromium() {
  if (CHROMIUM.some((path) => existsSync(path))) return 0;
  const apt = (...args) =>
    spawnSync('apt-get', args, { stdio: 'inherit', env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } })
      .status ?? 1;
  return apt('update') || apt('install', '-y', '--no-install-recommends', 'chromium');
}

requireNode();
install();
// What follows takes one core for a while; the other lays out the demo world for the end-to-end tests.
const demo = join(ROOT, '.cache', 'e2e-demo');
rmSync(demo, { recursive: true, force: true });
const laidOut = prepareBeside(demo, '--demo');
step('Chromium', installChromium);
step('Types', () => node('typescript/bin/tsc', '--noEmit'));
step('Format and lint', () => node('@biomejs/biome/bin/biome', 'check', '--error-on-warnings', '.'));
step('Layering', () =>
  node('dependency-cruiser/bin/dependency-cruise.mjs', 'src', '--config', '.dependency-cruiser.cjs'),
);
step('Nothing unused', () => node('knip/bin/knip.js', '--no-config-hints'));
counted(
  'Unit tests',
  'test-results/unit.json',
  () =>
    node(
      'vitest/vitest.mjs',
      'run',
      '--reporter=default',
      '--reporter=json',
      '--outputFile.json=test-results/unit.json',
    ),
  ({ numPassedTests, numFailedTests }) => ({ ok: numPassedTests, bad: numFailedTests }),
);
step('Build', build);
if ((await laidOut) === 0) process.env.PINPRICK_E2E_DEMO = demo;
step('Faults', () => node('tsx/dist/cli.mjs', 'e2e/faults/faults.ts', '4'));
counted(
  'End to end',
  'test-results/e2e.json',
  () => node('@playwright/test/cli.js', 'test'),
  ({ stats }) => ({ ok: stats.expected, bad: stats.unexpected + stats.flaky }),
);

console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed > 0 ? 1 : 0);
