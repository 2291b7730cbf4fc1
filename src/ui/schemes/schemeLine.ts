import { type CodeScheme, SCHEME_FACT_NAMES } from '@/core/codes/schemes/codeScheme';
import { formatDay } from '@/core/dates/day';
import type { RecordLine } from '../records/RecordList';

/** A scheme as a line of the list of schemes. */
export function schemeLine({ id, name, fact, from, until, segments, examples }: CodeScheme, maker: string): RecordLine {
  const use = from || until ? `${from ? formatDay(from) : ''} – ${until ? formatDay(until) : 'today'}` : 'not known';
  const written = segments.map((segment) => segment.name).join(', ');
  return {
    href: `/schemes/${id}`,
    cells: [maker, name, SCHEME_FACT_NAMES[fact], use, written, examples[0]?.code ?? ''],
  };
}
