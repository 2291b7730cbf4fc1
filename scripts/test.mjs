// npm test: installs what is missing, then everything that proves the project. Ends with `N passed, N failed`.
import { spawnSync } from 'node:child_process';
import { existsSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { bin, build, install, prepareBeside, ROOT, requireNode, run, say } from './steps.mjs';

const CHROMIUM = ['/usr/bin/chromium', '/usr/bin/chromium-browser'];
const node = (script, ...args) => run(process.execPath, [bin(script), ...args]);

let passed = 0;
/** What failed, each in a line: told at the end, since whoever reads a long log reads its end. */
const failures = [];

/** A step that passes or fails as a whole. */
function step(name, work) {
  say(name);
  if (work() === 0) passed += 1;
  else failures.push(name);
}

/** A step that counts its own tests in a JSON report; without one it has failed. */
function counted(name, report, work, count) {
  say(name);
  rmSync(join(ROOT, report), { force: true });
  const status = work();
  const { ok, bad } = existsSync(join(ROOT, report))
    ? count(JSON.parse(readFileSync(join(ROOT, report), 'utf8')))
    : { ok: 0, bad: [] };
  passed += ok;
  failures.push(...bad);
  if ((status !== 0 && bad.length === 0) || ok + bad.length === 0) failures.push(`${name} did not run to its end`);
}

/** The tests that failed, with what they said, of the report of `vitest`. */
function failedUnits({ testResults }) {
  return testResults.flatMap(({ assertionResults }) =>
    assertionResults
      .filter(({ status }) => status === 'failed')
      .map(({ fullName, failureMessages }) => `${fullName}\n${failureMessages.join('\n')}`),
  );
}

/** The tests that failed at least once, with what they said, of a suite of the report of `playwright`. */
function failedEnds({ specs = [], suites = [] }) {
  const own = specs
    .filter(({ tests }) => tests.some(({ status }) => status === 'unexpected' || status === 'flaky'))
    .map(({ title, file, line, tests }) => {
      const said = tests.flatMap(({ results }) => results.map(({ error }) => error?.message ?? ''));
      return `${file}:${line} ${title}\n${said.join('\n')}`;
    });
  return [...own, ...suites.flatMap(failedEnds)];
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
  (report) => ({ ok: report.numPassedTests, bad: failedUnits(report) }),
);
step('Build', build);
if ((await laidOut) === 0) process.env.PINPRICK_E2E_DEMO = demo;
step('Faults', () => node('tsx/dist/cli.mjs', 'e2e/faults/faults.ts', '4'));
counted(
  'End to end',
  'test-results/e2e.json',
  () => node('@playwright/test/cli.js', 'test'),
  (report) => ({ ok: report.stats.expected, bad: failedEnds(report) }),
);

for (const failure of failures) console.error(`\nFailed: ${failure}`);
console.log(`\n${passed} passed, ${failures.length} failed`);
process.exit(failures.length > 0 ? 1 : 0);
