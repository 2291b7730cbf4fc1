'use client';
import { formatShare } from '@/core/judgement/decide';
import { useStanding } from '../casebook/CaseBook';

const SIDE_WORDS = { genuine: 'genuine', undecided: 'undecided', counterfeit: 'counterfeit' };

/** The nearest changes of mind, and what a second look at a doubtful answer is worth. */
export function WouldChange() {
  const { assessment } = useStanding();
  const { flips, secondLooks } = assessment;
  const looks = secondLooks.filter(({ bits }) => bits >= 0.005).slice(0, 3);
  if (flips.length === 0 && looks.length === 0) return null;
  return (
    <section>
      <h2 className="mb-1 border-b pb-1 text-[15px] font-semibold">What would change it</h2>
      <ul className="grid gap-1">
        {flips.map(({ findings, to, p }) => (
          <li key={findings.map(({ check }) => check.id).join()}>
            If {findings.map(({ check }) => `“${check.name}”`).join(' and ')} had come out the other way:{' '}
            <strong className="font-semibold">{SIDE_WORDS[to]}</strong>, {formatShare(p)} genuine.
          </li>
        ))}
        {looks.map(({ finding, bits, minutes }) => (
          <li key={finding.check.id}>
            A clear answer to “{finding.check.name}” is worth {bits.toFixed(2)} bits for about{' '}
            {Math.max(1, Math.round(minutes * 60))} s.
          </li>
        ))}
      </ul>
    </section>
  );
}
