import type { FindingEntry } from '@/core/casefile/caseFile';
import { fold } from '@/core/casefile/fold';
import type { CheckDefinition } from '@/core/checks/check';
import { assess } from '@/core/judgement/assess';
import { groundsOf } from '@/core/judgement/grounds';
import { testDesk } from '@/demo/testing/testDesk';
import { readCaseFolder } from '@/desk/caseFolder';
import { line, time } from './stopwatch';

const DIFFERS: FindingEntry = { state: 'recorded', outcome: 'differs', at: '', by: '' };

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
    // Between two answers what is printed stays; when a code is read, everything is cross-read anew.
    for (const [name, draws, anew] of [
      ['no draws, after an answer', 1, false],
      ['no draws, after a code', 1, true],
      ['500 draws', 500, false],
    ] as const) {
      // The first runs wait for the compiler, not for the work.
      const [runs, warmUp] = draws === 1 ? [300, 60] : [80, 10];
      let turn = 0;
      const next = () => {
        turn += 1;
        if (!anew) return { ...file, findings: { ...findings, [`extra-${turn % 9}`]: DIFFERS } };
        const places = Object.entries(file.facts).map(([place, facts]) => [
          place,
          Object.fromEntries(Object.entries(facts).map(([fact, entry]) => [fact, { ...entry, at: String(turn) }])),
        ]);
        return { ...file, findings, facts: Object.fromEntries(places) };
      };
      const times = await time(() => assess(next(), larger, { draws }), runs, warmUp);
      const bar = draws === 1 ? 15 : 150;
      line(`  ${count} checks, ${name}`, times, count === 150 ? `${(times.p95 / bar).toFixed(2)} of the bar` : '');
    }
  }
  await at.close();
}
