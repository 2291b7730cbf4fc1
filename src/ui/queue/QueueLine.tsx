import { clsx } from 'clsx';
import { AWAY_WORDS } from '@/core/casefile/whereabouts';
import type { ShownSummary } from '@/core/judgement/caseSummary';
import { formatShareAgainst } from '@/core/judgement/decide';
import { GOODS_WORDS, PACKAGING_WORDS } from '@/core/judgement/sentences';
import { ListLine } from '../controls/ListLine';
import { MarkSign } from '../marks/MarkSign';
import { StandingScale } from '../marks/StandingScale';
import { formatAgo } from '../when';
import { dueWords, waitsFor } from './waitsFor';

/** A line of the queue, as the desk projects it. */
export interface QueueLineView extends ShownSummary {
  number: string;
  state: 'open' | 'sealed' | 'closed';
  touchedAt: string;
}

/** Where the work on a case goes on: whoever is asked for a second opinion must not see the first one on the way. */
export function hrefOf({ number, state, styleCode, asked }: QueueLineView, me: string | null): string {
  const opinion = asked.find(({ to }) => to === me);
  if (opinion && state === 'open') return `/case/${number}/second/${opinion.id}`;
  return `/case/${number}/${state === 'sealed' ? 'verdict' : styleCode ? 'inspect' : 'codes'}`;
}

/** Whoever is asked for a blind opinion gets neither figures nor marks; the desk does not even send them. */
const isBlind = ({ asked, state }: QueueLineView, me: string | null): boolean =>
  state === 'open' && asked.some(({ to }) => to === me);

const COLUMNS =
  'grid-cols-[5.2rem_minmax(0,1fr)_8.5rem_9rem_13.2rem_11.5rem] max-lg:grid-cols-[5rem_minmax(0,1fr)_8rem_12rem]';

/** What an open case waits for, who has it and when it is due; when and by whom a case that is done was left. */
function Last({
  line,
  me,
  names,
  now,
  today,
}: {
  line: QueueLineView;
  me: string | null;
  names: Record<string, string>;
  now: string;
  today: string;
}) {
  const nameOf = (person: string) => (person === me ? 'you' : (names[person] ?? person));
  if (line.state !== 'open')
    return (
      <span className="text-[13px] text-soft max-lg:hidden">
        <span className="block text-ink">{formatAgo(line.touchedAt, now)}</span>
        <span className="block truncate">{nameOf(line.touchedBy)}</span>
      </span>
    );
  const { what, minutes } = waitsFor(line, nameOf);
  const due = line.due ? dueWords(line.due, today) : null;
  const owner = line.owner ? nameOf(line.owner) : null;
  const known = [minutes, owner, due || owner ? null : formatAgo(line.touchedAt, now)].filter(Boolean).join(' · ');
  return (
    <span className="min-w-0 text-[13px] text-soft max-lg:hidden">
      <span className="block truncate text-ink" title={what}>
        {line.urgent && <strong className="font-semibold text-differs">urgent · </strong>}
        {what}
      </span>
      <span className="block truncate">
        {known}
        {due && (
          <span className={due.late ? 'font-semibold text-differs' : ''}>{`${known ? ' · ' : ''}${due.words}`}</span>
        )}
      </span>
    </span>
  );
}

const packagingWords = ({ packaging: { decision } }: QueueLineView): string =>
  decision === 'noObjection' ? 'nor to the packaging' : `packaging ${PACKAGING_WORDS[decision]}`;

const shareWords = (line: QueueLineView): string =>
  `${formatShareAgainst(line.goods.p, line)} ${line.inHand ? 'genuine' : 'by pictures'}`;

/** A case as a line of the queue. */
export function QueueLine({
  line,
  here,
  me,
  names,
  now,
  today,
}: {
  line: QueueLineView;
  here: boolean;
  me: string | null;
  names: Record<string, string>;
  now: string;
  today: string;
}) {
  const total = line.answered + line.open;
  const sealed = line.state === 'sealed';
  const blind = isBlind(line, me);
  return (
    <ListLine href={hrefOf(line, me)} held={here} className={clsx(COLUMNS, 'min-h-[52px] py-1')}>
      <span className="font-mono">{line.number}</span>
      <span className="min-w-0">
        <span className="block truncate">
          <strong className="font-semibold">{line.title}</strong>
          {line.colourName && `, ${line.colourName}`}
        </span>
        <span className="block truncate text-[13px] text-soft">
          {[
            line.makerName ?? line.kindName,
            line.condition,
            line.inHand ? null : 'pictures only',
            line.reopened ? 'reopened' : null,
            line.closed ? `closed: ${line.closed}` : null,
            line.away ? AWAY_WORDS[line.away] : null,
          ]
            .filter(Boolean)
            .join(' · ')}
          {line.notices > 0 && (
            <strong className="font-semibold text-differs">
              {' · '}
              {line.notices === 1 ? 'a code was' : `${line.notices} codes were`} met again since
            </strong>
          )}
          {!sealed &&
            line.asked.map(({ id, to }) => (
              <strong key={id} className="font-semibold text-ink">
                {' · '}second opinion asked of {to === me ? 'you' : (names[to] ?? to)}
              </strong>
            ))}
        </span>
      </span>
      <span className="min-w-0">
        <span className="block truncate font-mono">
          {line.styleCode ?? <span className="font-sans text-soft">no record yet</span>}
        </span>
        {line.sizeKey && <span className="block text-[13px] text-soft">{`size ${line.sizeKey}`}</span>}
      </span>
      <span className="flex items-center gap-1.5 max-lg:hidden">
        {!blind && line.differing > 0 && <MarkSign mark="differs" size={13} silent />}
        <span>
          <span className="block">
            {blind
              ? 'for your own eyes'
              : line.differing > 0
                ? `${line.differing} ${line.differing === 1 ? 'differs' : 'differ'}`
                : line.answered > 0
                  ? 'nothing differs'
                  : 'nothing seen yet'}
          </span>
          <span className="block text-[13px] text-soft">
            {blind ? 'nothing is shown' : `${line.answered} of ${total} looked at`}
          </span>
        </span>
      </span>
      {blind ? (
        <span className="text-[13px] text-soft">Your opinion is waited for; what was found so far is not shown.</span>
      ) : (
        <span>
          <StandingScale
            slim
            p={line.goods.p}
            interval={line.goods.interval}
            accept={line.accept}
            reject={line.reject}
            ends={['counterfeit', 'genuine']}
          />
          <span className="block text-[13px]">
            {sealed ? (
              <strong className="font-semibold">{GOODS_WORDS[line.goods.decision]}</strong>
            ) : (
              GOODS_WORDS[line.goods.decision]
            )}
            <span className="text-soft">{` · ${sealed ? packagingWords(line) : shareWords(line)}`}</span>
          </span>
        </span>
      )}
      <Last line={line} me={me} names={names} now={now} today={today} />
    </ListLine>
  );
}

/** What stands above the lines. */
export function Headings({ done }: { done?: string }) {
  return (
    <div className={clsx(COLUMNS, 'grid items-center gap-4 border-b px-3 pb-1 text-[13px] text-soft')}>
      <span>Case</span>
      <span>Item, as it is claimed</span>
      <span>Style code</span>
      <span className="max-lg:hidden">Evidence</span>
      <span>Goods: counterfeit ↔ genuine</span>
      <span className="max-lg:hidden">{done ?? 'Waits for'}</span>
    </div>
  );
}
