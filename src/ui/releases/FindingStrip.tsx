import type { CaseFile } from '@/core/casefile/caseFile';
import type { Finding } from '@/core/checks/finding';
import { stripOf } from '@/core/checks/toleranceStrip';
import { leadingSize } from '@/core/crossread/context';
import type { Grounds } from '@/core/judgement/grounds';
import { MeasureStrip } from './MeasureStrip';

/** A value that somebody measured among those of known genuine items and known copies of its release. */
export function FindingStrip({
  finding,
  grounds: { release, chart },
  sizeKey,
}: {
  finding: Finding;
  grounds: Grounds;
  sizeKey: CaseFile['sizeKey'];
}) {
  return <MeasureStrip strip={stripOf(finding, release, leadingSize({ chart, sizeKey }))} />;
}
