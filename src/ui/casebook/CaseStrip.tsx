'use client';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { lazy, useState } from 'react';
import { formatDay } from '@/core/dates/day';
import { Button, Key } from '../controls/Button';
import { Choice } from '../controls/Choice';
import { Later } from '../controls/Later';
import { useGo } from '../controls/useGo';
import { useKeys } from '../controls/useKeys';
import { usePhoneLine } from '../phone/usePhoneLine';
import { useCaseBook, useSaving, useScans, useStanding } from './CaseBook';
import { CircumstanceChoices } from './CircumstanceChoices';
import { PlanButton } from './PlanButton';

const PhoneSheet = lazy(async () => ({ default: (await import('../phone/PhoneSheet')).PhoneSheet }));

const VIEWS = [
  { path: 'listing', name: 'Listing', key: 'l' },
  { path: 'codes', name: 'Codes', key: 'c' },
  { path: 'inspect', name: 'Inspect', key: 'i' },
  { path: 'compare', name: 'Compare', key: 'z' },
  { path: 'verdict', name: 'Verdict', key: 'v' },
];
/** Once it is known what the item is, there is something to learn from it. */
const LEARN = { path: 'learn', name: 'Learn', key: 'y' };

/** Where no size is claimed yet. */
const OPEN = 'open';

/**
 * What the item is claimed to be, how it came, and the views of the case.
 *
 * @param phone true where a phone may add pictures already
 */
export function CaseStrip({ phone }: { phone: boolean }) {
  const { file, grounds, record } = useCaseBook();
  const { assessment } = useStanding();
  const log = useSaving();
  const { said } = useScans();
  const { release, maker, kind } = grounds;
  const { number, newerRelease: newer } = log.folder;
  const path = usePathname();
  const go = useGo();
  const show = (view: string) => go(`/case/${number}/${view}`);
  useKeys('l', () => show('listing'));
  useKeys('c', () => show('codes'));
  useKeys('i', () => show('inspect'));
  useKeys('z', () => show('compare'));
  useKeys('v', () => show('verdict'));
  const teaches = file.circumstances.reference === true || file.truth !== null;
  useKeys('y', () => show('learn'), { enabled: teaches });
  const closed = file.seal !== null || file.closed !== null;
  const line = usePhoneLine(number, phone && !closed, log.renew);
  const [linking, setLinking] = useState(false);
  useKeys('a', () => setLinking(true), { enabled: !closed });
  const sizes = [OPEN, ...(release?.sizes ?? []).map(({ key }) => key)].map((key) => ({ value: key, label: key }));
  const chooseSize = (key: string) => {
    if (!file.release) return;
    record('releaseChosen', {
      release: file.release,
      sizeKey: key === OPEN ? null : key,
      reason: 'size chosen at the bench',
    });
  };
  const possible = assessment.chain.fit.fits.filter((fit) => fit.broken.length === 0).length;
  const variants = assessment.chain.fit.fits.length;

  return (
    <section aria-label="The case" className="border-b bg-sheet px-5 pt-2.5">
      <div className="flex flex-wrap items-center gap-x-7 gap-y-2">
        <div className="min-w-0">
          <h1 className="flex items-baseline gap-3 truncate text-[19px]">
            <span className="font-mono text-[15px] text-soft">{number}</span>
            {release ? (
              <span className="truncate">
                <span className="text-soft">{maker?.name}</span>{' '}
                <strong className="font-semibold">{release.name}</strong>, {release.colourName}
              </span>
            ) : (
              <span className="truncate">{file.query || kind.name}</span>
            )}
          </h1>
        </div>
        {release && (
          <dl className="flex items-center gap-7">
            <div>
              <dt className="sr-only">Style code</dt>
              <dd className="font-mono text-[19px]">{release.styleCode}</dd>
            </div>
            <div className="flex items-center gap-1.5">
              <dt className="text-soft">size</dt>
              <dd className="font-mono text-[17px]">
                <Choice
                  label="Size it is claimed to be"
                  value={file.sizeKey ?? OPEN}
                  options={sizes}
                  disabled={file.seal !== null}
                  onChange={chooseSize}
                />
              </dd>
            </div>
          </dl>
        )}
        <div className="ml-auto">
          <CircumstanceChoices
            value={file.circumstances}
            disabled={file.seal !== null}
            onChange={(circumstances) => record('circumstancesStated', circumstances)}
          />
        </div>
      </div>
      <nav aria-label="Views of this case" className="mt-1.5 flex flex-wrap items-end gap-1">
        {[...VIEWS, ...(teaches ? [LEARN] : [])].map((view) => (
          <Link
            key={view.path}
            href={`/case/${number}/${view.path}`}
            aria-current={path.endsWith(view.path) ? 'page' : undefined}
            className="flex min-h-9 items-center gap-2 border-b-2 border-transparent px-2 hover:border-line aria-[current=page]:border-accent aria-[current=page]:font-semibold"
          >
            {view.name} <Key>{view.key}</Key>
          </Link>
        ))}
        {newer && !file.seal && (
          <p className="ml-auto flex items-center gap-2 text-[13px] text-doubt">
            The record of this release was edited since.
            <Button
              onClick={() =>
                record('releaseChosen', { release: newer, sizeKey: file.sizeKey, reason: 'the record was edited' })
              }
            >
              Use revision {newer.revision}
            </Button>
          </p>
        )}
        {release?.retired && !file.seal && (
          <p className="ml-auto self-center text-[13px] text-doubt">
            Its record is out of use since {formatDay(release.retired.on)}: {release.retired.why}.
          </p>
        )}
        <span className="ml-auto">
          <PlanButton />
        </span>
        {!closed && (
          <button
            type="button"
            onClick={() => setLinking(true)}
            className="flex min-h-9 items-center gap-2 px-2 text-soft hover:text-ink"
          >
            {line.open ? 'Phone, open' : 'Phone'} <Key>a</Key>
          </button>
        )}
        <p role="status" className={`pb-2 text-[13px] text-soft`}>
          {variants > 1 && `${possible} of ${variants} variants possible · `}
          {said && <span className="mr-4 text-ink">{said}</span>}
          {file.closed
            ? `Closed: ${file.closed.reason}`
            : file.seal
              ? 'Sealed: read only'
              : log.trouble
                ? ''
                : log.saving
                  ? 'Saving'
                  : 'All saved'}
        </p>
      </nav>
      {linking && (
        <Later>
          <PhoneSheet number={number} line={line} onOpenChange={setLinking} />
        </Later>
      )}
    </section>
  );
}
