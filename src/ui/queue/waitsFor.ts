import { AWAY_WORDS } from '@/core/casefile/whereabouts';
import { formatDay } from '@/core/dates/day';
import { totalMinutes } from '@/core/rounds/workAhead';
import type { QueueLineView } from './QueueLine';

type Waiting = Pick<
  QueueLineView,
  'asked' | 'away' | 'picturesAwaited' | 'styleCode' | 'goods' | 'open' | 'answered' | 'next' | 'ahead' | 'inHand'
>;

/** What a case waits for, in words, and how long that is expected to take. */
export function waitsFor(line: Waiting, nameOf: (person: string) => string): { what: string; minutes: string } {
  const { asked, away, picturesAwaited, styleCode, goods, open, next, ahead } = line;
  const minutes = ahead ? `about ${Math.max(1, Math.round(totalMinutes(ahead)))} min` : '';
  if (asked.length > 0) return { what: `an opinion of ${asked.map(({ to }) => nameOf(to)).join(', ')}`, minutes: '' };
  if (picturesAwaited > 0)
    return { what: picturesAwaited === 1 ? 'a picture from the seller' : `${picturesAwaited} pictures`, minutes: '' };
  if (away) return { what: `its item, ${AWAY_WORDS[away]}`, minutes: '' };
  if (styleCode === null) return { what: 'a record, or to be read', minutes };
  if (goods.decision !== 'undecided') return { what: 'to be sealed', minutes };
  if (open === 0) return { what: 'somebody to decide', minutes: '' };
  return { what: next ?? 'somebody to decide', minutes };
}

/** When a case is due, as one would say it. */
export function dueWords(due: string, today: string): { words: string; late: boolean } {
  if (due < today) return { words: `overdue since ${formatDay(due)}`, late: true };
  if (due === today) return { words: 'due today', late: true };
  return { words: `due ${formatDay(due)}`, late: false };
}
