'use client';
import { Command } from 'cmdk';
import { Dialog } from 'radix-ui';
import { useEffect, useEffectEvent, useState } from 'react';
import type { Candidate } from '@/core/releases/match';
import { useGo } from '../controls/useGo';
import { useAsSheet } from '../controls/useKeys';
import { request } from '../request';

interface FoundCase {
  number: string;
  title: string;
  state: string;
  styleCode: string | null;
}

interface Found {
  query: string;
  cases: FoundCase[];
  releases: Candidate[];
}

const NOTHING: Found = { query: '', cases: [], releases: [] };
const ITEM = 'flex min-h-10 cursor-pointer items-center gap-3 px-3 data-[selected=true]:bg-wash';

/** Find a case or a release record by any of its words or codes. */
export function FindPalette({ onOpenChange }: { onOpenChange: (open: boolean) => void }) {
  useAsSheet();
  const go = useGo();
  const [query, setQuery] = useState('');
  const [found, setFound] = useState<Found | null>(null);
  const [impatient, setImpatient] = useState(false);
  // What answers an earlier text is not shown: Enter must not open what was not asked for.
  const { cases, releases } = found?.query === query ? found : NOTHING;

  useEffect(() => {
    const abort = new AbortController();
    const timer = setTimeout(async () => {
      const search = `?q=${encodeURIComponent(query)}`;
      try {
        const [foundCases, candidates] = await Promise.all([
          request<FoundCase[]>(`/api/cases${search}`, { signal: abort.signal }),
          request<Candidate[]>(`/api/match${search}`, { signal: abort.signal }),
        ]);
        const once = candidates.filter(
          ({ releaseId }, i) => candidates.findIndex((other) => other.releaseId === releaseId) === i,
        );
        setFound({ query, cases: foundCases, releases: once });
      } catch {
        // The next keystroke asks again.
      }
    }, 80);
    return () => {
      clearTimeout(timer);
      abort.abort();
    };
  }, [query]);

  const leaveFor = (path: string) => {
    onOpenChange(false);
    go(path);
  };
  const goFirst = useEffectEvent(() => {
    const [firstCase] = cases;
    const [firstRelease] = releases;
    if (firstCase) leaveFor(`/case/${firstCase.number}/codes`);
    else if (firstRelease) leaveFor(`/releases/${firstRelease.releaseId}`);
  });
  useEffect(() => {
    if (!impatient || found?.query !== query) return;
    setImpatient(false);
    goFirst();
  }, [impatient, found, query]);
  return (
    <Dialog.Root open onOpenChange={onOpenChange}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-veil" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-[12vh] left-1/2 z-50 w-[min(600px,92vw)] -translate-x-1/2 border bg-sheet shadow-lg"
        >
          <Dialog.Title className="sr-only">Find</Dialog.Title>
          <Command shouldFilter={false} label="Find">
            <Command.Input
              autoFocus
              value={query}
              onValueChange={setQuery}
              onKeyDown={(event) => event.key === 'Enter' && found?.query !== query && setImpatient(true)}
              placeholder="Case number, style code, barcode number or words"
              className="h-12 w-full border-b bg-transparent px-4 text-[16px] outline-none"
            />
            <Command.List className="max-h-[50vh] overflow-auto py-2">
              <Command.Empty className="px-4 py-3 text-soft">
                {found?.query === query ? `Nothing found for “${query.slice(0, 60)}”.` : 'Looking…'}
              </Command.Empty>
              {cases.length > 0 && (
                <Command.Group heading="Cases" className="px-1 text-[13px] text-soft [&_[cmdk-group-heading]]:px-3">
                  {cases.map(({ number, title, state, styleCode }) => (
                    <Command.Item
                      key={number}
                      value={number}
                      onSelect={() => leaveFor(`/case/${number}/codes`)}
                      className={ITEM}
                    >
                      <span className="font-mono text-ink">{number}</span>
                      <span className="truncate text-[15px] text-ink">{title}</span>
                      <span className="ml-auto font-mono">{styleCode}</span>
                      <span>{state}</span>
                    </Command.Item>
                  ))}
                </Command.Group>
              )}
              {releases.length > 0 && (
                <Command.Group
                  heading="Release records"
                  className="px-1 text-[13px] text-soft [&_[cmdk-group-heading]]:px-3"
                >
                  {releases.map(({ releaseId, makerName, name, colourName, styleCode }) => (
                    <Command.Item
                      key={releaseId}
                      value={releaseId}
                      onSelect={() => leaveFor(`/releases/${releaseId}`)}
                      className={ITEM}
                    >
                      <span className="truncate text-[15px] text-ink">
                        {makerName} {name}, {colourName}
                      </span>
                      <span className="ml-auto font-mono">{styleCode}</span>
                    </Command.Item>
                  ))}
                </Command.Group>
              )}
            </Command.List>
          </Command>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
