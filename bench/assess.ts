import { fold } from '@/core/casefile/fold';
import type { CheckDefinition } from '@/core/checks/check';
import { assess } from '@/core/judgement/assess';
import { groundsOf } from '@/core/judgement/grounds';
import { testDesk } from '@/demo/testing/testDesk';
import { readCaseFolder } from '@/desk/caseFolder';
import { line, time } from './stopwatch';

/** Assessing one case of growing size, with and without posterior draws. */
export async function benchAssess(): Promise<void> {
  const at = await testDesk(true);
  const { id, events, grounds } = await readCaseFolder(at.desk, 'PP-0009');
  const file = fold(id, events);
  const base = groundsOf(grounds);
  const choice = base.kind.checks.find(({ answer }) => answer.form === 'choice') as CheckDefinition;
  console.log('\nAssessing a case (bars for 150 checks: 15 ms without draws, 150 ms with 500)');
  for (const count of [base.kind.checks.length, 120, 150, 300]) {
    const extra = Array.from(
      { length: count - base.kind.checks.length },
      (_, i): CheckDefinition => ({ ...choice, id: `extra-${i}`, strand: `s${i % 20}` }),
    );
    const findings = { ...file.findings };
    for (const { id: check } of extra.slice(0, Math.floor(extra.length / 2))) {
      findings[check] = { state: 'recorded', outcome: 'agrees', at: '', by: '' };
    }
    const larger = { ...base, kind: { ...base.kind, checks: [...base.kind.checks, ...extra] } };
    for (const draws of [1, 500]) {
      // The first runs wait for the compiler, not for the work.
      const [runs, warmUp] = draws === 1 ? [300, 60] : [80, 10];
      const times = await time(() => assess({ ...file, findings }, larger, { draws }), runs, warmUp);
      const bar = draws === 1 ? 15 : 150;
      line(
        `  ${count} checks, ${draws === 1 ? 'no draws' : '500 draws'}`,
        times,
        count === 150 ? `${(times.p95 / bar).toFixed(2)} of the bar` : '',
      );
    }
  }
  await at.close();
}
