import type { CaseFile, FindingEntry } from '@/core/casefile/caseFile';
import type { Circumstances } from '@/core/casefile/events/circumstancesStated';
import { fold } from '@/core/casefile/fold';
import type { KindDefinition } from '@/core/checks/check';
import type { Finding } from '@/core/checks/finding';
import { gatherFindings } from '@/core/checks/findings';
import { contextOf } from '@/core/crossread/context';
import { crossread } from '@/core/crossread/crossread';
import { NEWEST_EDITION } from '@/core/judgement/edition';
import type { Grounds } from '@/core/judgement/grounds';
import type { HouseRules } from '@/core/judgement/houseRules';
import type { Release } from '@/core/releases/release';
import type { SizeChart } from '@/core/sizes/sizeChart';
import { CHARTS, MAKERS } from '@/demo/makers';
import { RELEASES } from '@/demo/releases';
import { chainEvent } from '@/desk/chainEvent';
import footwear from '@/desk/shipped/footwear.json';
import houseRules from '@/desk/shipped/house-rules.json';

const release = RELEASES.find(({ id }) => id === 'tarn-court-low-fog') as Release;

/** What a shoe of the demo world is held against. */
export const GROUNDS: Grounds = {
  kind: footwear as KindDefinition,
  houseRules: houseRules as HouseRules,
  release,
  maker: MAKERS[0] ?? null,
  chart: CHARTS[0] as SizeChart,
  schemes: [],
  statistics: null,
  edition: NEWEST_EDITION,
};

const NOTHING: Circumstances = { channel: 'walk-in', condition: 'new', inHand: true, packaged: true };

const STAMP = { at: '2026-01-01T00:00:00Z', by: 'anyone' };

/** A case on that shoe with some findings and nothing read. */
export function caseWith(findings: Record<string, FindingEntry>, circumstances: Partial<Circumstances> = {}): CaseFile {
  const opened = {
    number: 'PP-0001',
    kind: 'footwear' as const,
    query: '',
    circumstances: { ...NOTHING, ...circumstances },
  };
  const event = chainEvent({ seq: 0, head: '' }, { id: 'opening', type: 'opened', body: opened }, STAMP.at, STAMP.by);
  return {
    ...fold('case', [event]),
    release: { id: release.id, revision: 1, hash: '0'.repeat(64) },
    sizeKey: '42',
    findings,
  };
}

export const chose = (outcome: 'agrees' | 'differs' | 'missing' | 'cantTell', choice?: string): FindingEntry => ({
  ...STAMP,
  state: 'recorded',
  outcome,
  choice,
});
export const measured = (value: number): FindingEntry => ({ ...STAMP, state: 'recorded', outcome: 'agrees', value });

/** The findings of a case by check id. */
export function findingsOf(file: CaseFile, grounds: Grounds = GROUNDS): Record<string, Finding> {
  const context = contextOf(file, grounds);
  return Object.fromEntries(
    gatherFindings(file, context, crossread(context)).map((finding) => [finding.check.id, finding]),
  );
}
