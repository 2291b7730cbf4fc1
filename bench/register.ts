import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { lookUpCode, searchCodes } from '@/store/codeRegister';
import { openStore } from '@/store/store';
import { line, time } from './stopwatch';

const ROWS = Number(process.env.REGISTER_ROWS ?? 10_000_000);
const ROWS_A_CASE = 5;
const BATCHES = 4_000;
const BAR_MS = 5;

/** A register of ten million made-up codes, four serials and one batch code a case, and how fast one is found. */
export async function benchRegister(): Promise<void> {
  const directory = await mkdtemp(join(tmpdir(), 'pinprick-bench-'));
  const store = await openStore(directory);
  const { sequelize } = store;
  const cases = Math.ceil(ROWS / ROWS_A_CASE);
  const numbers = (below: number) =>
    `WITH RECURSIVE n (i) AS (SELECT 0 UNION ALL SELECT i + 1 FROM n WHERE i + 1 < ${below})`;
  await store.write(async (transaction) => {
    await sequelize.query(
      `INSERT INTO cases ${numbers(cases)}
       SELECT printf('%08x-0000-4000-8000-000000000000', i), 'PP-' || i, 'sealed', 1, '', '2026-01-01', '{}' FROM n`,
      { transaction },
    );
    // Serials run on; one batch code is on many items.
    await sequelize.query(
      `INSERT INTO code_register (normal, fact, scope, caseId, place, display, shared, outcome, at)
       ${numbers(ROWS)}
       SELECT CASE WHEN i % ${ROWS_A_CASE} = 4 THEN 'H' || (i / ${ROWS_A_CASE} % ${BATCHES})
                   ELSE printf('VN%08d', (i * 7919) % ${ROWS}) END,
              CASE WHEN i % ${ROWS_A_CASE} = 4 THEN 'batchCode' ELSE 'serial' END,
              'veskarn', printf('%08x-0000-4000-8000-000000000000', i / ${ROWS_A_CASE}), 'p' || (i % ${ROWS_A_CASE}),
              'as printed', i % ${ROWS_A_CASE} = 4, 'genuine', '2026-01-01T00:00:00Z' FROM n`,
      { transaction },
    );
  });
  const serial = (run: number) => `VN${String((run * 104_729) % ROWS).padStart(8, '0')}`;
  const look = (fact: string, normal: string) => lookUpCode(store, { fact, scope: 'veskarn', normal }, 'none');
  const lookUps: [string, (run: number) => Promise<unknown>][] = [
    ['a unique code', (run) => look('serial', serial(run))],
    ['a code that was never met', (run) => look('serial', `${serial(run)}X`)],
    [`a batch code on ${Math.round(cases / BATCHES)} items`, (run) => look('batchCode', `H${(run * 31) % BATCHES}`)],
    ['search by a beginning', (run) => searchCodes(store, serial(run).slice(0, 7), 100)],
  ];
  console.log(`\nLooking up among ${ROWS.toLocaleString('en')} registered codes, SQLite; bar ${BAR_MS} ms`);
  for (const [name, lookUp] of lookUps) {
    const times = await time(lookUp);
    line(`  ${name}`, times, `${(times.p95 / BAR_MS).toFixed(2)} of the bar`);
  }
  await store.close();
  await rm(directory, { recursive: true, force: true });
}
