'use client';
import { nearestExemplar } from '@/core/library/nearestExemplar';
import { PROVENANCE } from '@/core/releases/shelfItem';
import { useCaseBook, useStanding } from '../casebook/CaseBook';
import { suspectOf } from '../compare/suspectOf';

/** The known genuine item to hold beside this one, and where it stands. */
export function Beside() {
  const { file, grounds } = useCaseBook();
  const { assessment } = useStanding();
  const { release } = grounds;
  if (!release?.shelf?.length) return null;
  const proposed = nearestExemplar(release, suspectOf(file, grounds, assessment));
  if (!proposed) return null;
  const { item, alike, unlike } = proposed;
  return (
    <p className="mb-2 text-[14px]">
      Hold beside it: <strong className="font-semibold">{item.place || item.from}</strong>
      {item.sizeKey && file.sizeKey === null && <>, size {item.sizeKey}</>}
      <span className="text-soft">
        {' '}
        · {PROVENANCE[item.provenance]}
        {alike.length > 0 && ` · like it in ${alike.join(', ')}`}
        {unlike.length > 0 && ` · other than it: ${unlike.join(', ')}`}
      </span>
    </p>
  );
}
