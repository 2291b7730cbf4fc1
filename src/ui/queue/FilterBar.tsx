'use client';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import {
  DUE_NAMES,
  NOBODY,
  narrows,
  type QueueFilter,
  SORT_NAMES,
  WAITS_NAMES,
  wordsOf,
} from '@/core/rounds/queueFilter';
import { Button, Key } from '../controls/Button';
import { Choice } from '../controls/Choice';
import { Sheet } from '../controls/Sheet';
import { TextField } from '../controls/TextField';
import { useKeys } from '../controls/useKeys';
import { post } from '../request';

const ALL = 'all';
/** A hand that types on is not followed letter by letter. */
const REST_MS = 250;

const named = (names: Record<string, string>) => Object.entries(names).map(([value, label]) => ({ value, label }));

/** Narrows the waiting cases by words and choices, and keeps a narrowing under a name. */
export function FilterBar({
  choices,
  filter,
  views,
  owners,
  me,
  enabled,
}: {
  choices: { field: 'kind' | 'maker'; value: string; name: string }[];
  filter: QueueFilter;
  views: { name: string; query: string }[];
  owners: { id: string; name: string }[];
  me: string | null;
  /** False while a sheet is open. */
  enabled: boolean;
}) {
  const router = useRouter();
  const field = useRef<HTMLInputElement>(null);
  const [text, setText] = useState(filter.text ?? '');
  const [naming, setNaming] = useState(false);
  const [name, setName] = useState('');
  const [trouble, setTrouble] = useState('');
  const query = wordsOf(filter);
  /** What was asked for last: a hurried hand asks again before the page has it. */
  const wanted = useRef(filter);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the same narrowing in another object is the same
  useEffect(() => {
    wanted.current = filter;
    if (document.activeElement !== field.current) setText(filter.text ?? '');
  }, [query]);
  const rest = useRef<ReturnType<typeof setTimeout>>(undefined);
  useEffect(() => () => clearTimeout(rest.current), []);
  const go = (change: Partial<QueueFilter>) => {
    clearTimeout(rest.current);
    wanted.current = { ...wanted.current, ...change };
    router.replace(`/?${wordsOf(wanted.current)}`, { scroll: false });
  };
  const type = (next: string) => {
    setText(next);
    clearTimeout(rest.current);
    const asked = { text: next.trim() || undefined };
    // What is chosen before the hand rests goes with it.
    wanted.current = { ...wanted.current, ...asked };
    rest.current = setTimeout(() => go(asked), REST_MS);
  };
  const showAll = () => {
    setText('');
    clearTimeout(rest.current);
    wanted.current = {};
    router.replace('/', { scroll: false });
  };
  const idle = { enabled: enabled && !naming };
  useKeys('f', () => field.current?.focus(), { ...idle, preventDefault: true });
  useKeys(
    '1,2,3,4,5,6,7,8,9',
    ({ key }) => {
      const view = views[Number(key) - 1];
      if (view) router.replace(`/?${view.query}`, { scroll: false });
    },
    idle,
  );
  useKeys('0', showAll, idle);
  const pick = (key: keyof QueueFilter) => (value: string) => go({ [key]: value === ALL ? undefined : value });
  const of = (kind: 'kind' | 'maker') =>
    choices.filter((each) => each.field === kind).map((each) => ({ value: each.value, label: each.name }));
  const keep = async (what: { name: string; query: string }) => {
    try {
      await post('/api/views', what);
      setNaming(false);
      setName('');
      setTrouble('');
      router.refresh();
    } catch (error) {
      setTrouble((error as Error).message);
    }
  };
  const kept = views.find((view) => view.query === query);
  return (
    <div className="mb-2 flex flex-wrap items-center gap-2">
      <label className="flex items-center gap-2">
        <span className="sr-only">Search the waiting cases</span>
        <input
          ref={field}
          value={text}
          maxLength={120}
          spellCheck={false}
          autoComplete="off"
          placeholder="code, name, seller, note"
          onChange={({ target }) => type(target.value)}
          onKeyDown={(event) => {
            if (event.key === 'Escape') {
              if (text !== '') type('');
              event.currentTarget.blur();
            }
            if (event.key === 'Enter') event.currentTarget.blur();
          }}
          className="h-9 w-52 rounded-sm border border-line bg-sheet px-2 outline-none focus:border-accent"
        />
        <Key>f</Key>
      </label>
      <Choice
        label="Narrow to a kind of goods"
        value={filter.kind ?? ALL}
        options={[{ value: ALL, label: 'all kinds' }, ...of('kind')]}
        onChange={pick('kind')}
      />
      <Choice
        label="Narrow to a maker"
        value={filter.maker ?? ALL}
        options={[{ value: ALL, label: 'all makers' }, ...of('maker')]}
        onChange={pick('maker')}
      />
      <Choice
        label="Who has it"
        value={filter.owner ?? ALL}
        options={[
          { value: ALL, label: 'anybody’s' },
          { value: NOBODY, label: 'nobody’s' },
          ...owners.map(({ id, name: label }) => ({ value: id, label: id === me ? 'mine' : label })),
        ]}
        onChange={pick('owner')}
      />
      <Choice
        label="When it is due"
        value={filter.due ?? ALL}
        options={[{ value: ALL, label: 'due whenever' }, ...named(DUE_NAMES)]}
        onChange={pick('due')}
      />
      <Choice
        label="What it waits for"
        value={filter.waits ?? ALL}
        options={[{ value: ALL, label: 'waits for anything' }, ...named(WAITS_NAMES)]}
        onChange={pick('waits')}
      />
      <Choice label="Order" value={filter.sort ?? 'longest'} options={named(SORT_NAMES)} onChange={pick('sort')} />
      {(narrows(filter) || filter.sort) && (
        <>
          <Button look="quiet" onClick={showAll}>
            Show all <Key>0</Key>
          </Button>
          {kept ? (
            <Button look="quiet" onClick={() => void keep({ name: kept.name, query: '' })}>
              Forget “{kept.name}”
            </Button>
          ) : (
            <Button look="quiet" onClick={() => setNaming(true)}>
              Keep this view
            </Button>
          )}
        </>
      )}
      {views.length > 0 && (
        <span className="flex flex-wrap items-center gap-x-3 text-[14px]">
          {views.map((view, i) => (
            <Link
              key={view.name}
              href={`/?${view.query}`}
              aria-current={view.query === query || undefined}
              className="flex min-h-6 items-center gap-1.5 text-accent hover:underline underline-offset-4 aria-[current]:font-semibold"
            >
              {view.name} <Key>{String(i + 1)}</Key>
            </Link>
          ))}
        </span>
      )}
      {trouble && !naming && (
        <p role="alert" className="text-differs">
          {trouble}
        </p>
      )}
      {naming && (
        <Sheet open onOpenChange={setNaming} title="Keep this view">
          <form
            onSubmit={(event) => {
              event.preventDefault();
              void keep({ name, query });
            }}
            className="flex flex-wrap items-end gap-2"
          >
            <TextField
              autoFocus
              label="Name"
              maxLength={40}
              value={name}
              onChange={({ target }) => setName(target.value)}
            />
            <Button type="submit" look="act" disabled={name.trim() === ''}>
              Keep it
            </Button>
            {trouble && (
              <p role="alert" className="w-full text-differs">
                {trouble}
              </p>
            )}
          </form>
        </Sheet>
      )}
    </div>
  );
}
