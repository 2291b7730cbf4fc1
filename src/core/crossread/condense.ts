import type { Finding } from '../checks/finding';
import { placeName, type ReadingContext } from './context';
import type { CrossReading } from './crossReading';
import { releaseAt } from './expected';
import { sizeColumnOf } from './facts';
import type { Problem } from './problem';
import { rowsAt } from './rules';

/** A disagreement as a person would say it, with the cells that it explains. */
export interface Disagreement {
  sentence: string;
  problems: Problem[];
  /** Set where something could not be read, which is no disagreement. */
  unread?: true;
}

const UNREAD = { unread: true } as const;

const isSize = ({ fact, kind }: Problem): boolean => sizeColumnOf(fact) !== null && kind === 'differs';

/** All that is wrong at a place because its label is another known product's, in one sentence. */
function otherLabel(place: string, problems: Problem[], context: ReadingContext): Disagreement | null {
  const owner = releaseAt(place, context);
  if (!owner || !context.release || owner.releaseId === context.release.id) return null;
  const size = context.facts[place]?.gtin?.belongsTo?.find(({ releaseId }) => releaseId === owner.releaseId)?.sizeKey;
  const explained = problems.filter(
    (problem) =>
      isSize(problem) || (problem.kind === 'otherRelease' && problem.belongsTo.releaseId === owner.releaseId),
  );
  if (explained.length === 0) return null;
  const sentence = `The ${placeName(context, place)} is that of another product: ${owner.makerName} ${owner.name} “${owner.colourName}” (${owner.styleCode})${size ? `, size ${size}` : ''}.`;
  return { sentence, problems: explained };
}

/** Size columns that all stray to one and the same other size, in one sentence. */
function otherSize(
  place: string,
  problems: Problem[],
  reading: CrossReading,
  context: ReadingContext,
): Disagreement | null {
  const sizes = problems.filter(isSize);
  const [row] = rowsAt(reading, place, context) ?? [];
  if (sizes.length < 2 || !row) return null;
  const sentence = `The sizes on the ${placeName(context, place)} are those of ${row.key}, not of ${context.sizeKey}.`;
  return { sentence, problems: sizes };
}

/**
 * Every disagreement once, however many cells and checks it shows in.
 *
 * @param findings the checks answered by the cross-reading
 */
export function condense(reading: CrossReading, findings: Finding[], context: ReadingContext): Disagreement[] {
  let rest = reading.problems;
  const said: Disagreement[] = [];
  for (const { id } of reading.places) {
    const here = rest.filter(({ place }) => place === id);
    const whole = otherLabel(id, here, context) ?? otherSize(id, here, reading, context);
    if (!whole) continue;
    said.push(whole);
    rest = rest.filter((problem) => !whole.problems.includes(problem));
  }
  const cells = new Set(reading.problems.map(({ sentence }) => sentence));
  const between = findings.flatMap(({ problems }) => problems).filter(({ sentence }) => !cells.has(sentence));
  for (const problem of [...rest, ...between]) {
    const same = said.find(({ sentence }) => sentence === problem.sentence);
    if (same) same.problems.push(problem);
    else said.push({ sentence: problem.sentence, problems: [problem], ...(problem.kind === 'unreadable' && UNREAD) });
  }
  return said;
}
