'use client';
import { StandingScale } from '../marks/StandingScale';
import { useStanding } from './CaseBook';

const ENDS = {
  goods: ['counterfeit', 'genuine'],
  packaging: ['not its own', 'its own'],
} as const satisfies Record<string, [string, string]>;

/** Where one of the two questions stands. */
export function QuestionScale({ question }: { question: keyof typeof ENDS }) {
  const { assessment } = useStanding();
  const { p, interval } = assessment[question];
  const [no, yes] = ENDS[question];
  return <StandingScale p={p} interval={interval} {...assessment.thresholds} ends={[no, yes]} />;
}
