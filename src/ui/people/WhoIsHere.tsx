'use client';
import { type FormEvent, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import type { Person } from '@/core/people/person';
import { Button, Key } from '../controls/Button';
import { Sheet } from '../controls/Sheet';
import { TextField } from '../controls/TextField';
import { useKeys } from '../controls/useKeys';
import { post, request } from '../request';

/** Who is at the bench, and who takes over from here. Every entry carries the name. */
export function WhoIsHere({
  me,
  here,
  oneKey,
}: {
  me: Person;
  /** Whose shift runs at this browser: a PIN is enough for them. */
  here: Pick<Person, 'id' | 'name'>[];
  /** Who may take over with one key press. */
  oneKey: Pick<Person, 'id' | 'name'>[];
}) {
  const [open, setOpen] = useState(false);
  const [taking, setTaking] = useState<Pick<Person, 'id' | 'name'> | null>(null);
  const [pin, setPin] = useState('');
  const [trouble, setTrouble] = useState('');
  const people = oneKey.length > 0 ? oneKey : here;

  const enter = async (attempt: object) => {
    setTrouble('');
    try {
      await post('/api/sign-in', attempt);
      // What stands on the page was fetched for somebody else.
      window.location.reload();
    } catch (error) {
      setTrouble((error as Error).message);
      setPin('');
    }
  };
  const pick = (person: Pick<Person, 'id' | 'name'>) => {
    if (oneKey.length > 0) void enter({ how: 'oneKey', name: person.id });
    else if (person.id !== me.id) setTaking(person);
  };
  const leave = async () => {
    await request('/api/sign-in', { method: 'DELETE' }).catch(() => undefined);
    window.location.assign('/sign-in');
  };
  const close = (stays: boolean) => {
    setOpen(stays);
    setTaking(null);
    setPin('');
    setTrouble('');
  };
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (taking) void enter({ how: 'pin', name: taking.id, pin });
  };
  useKeys('h', () => setOpen(true));
  useHotkeys(
    '0,1,2,3,4,5,6,7,8,9',
    (event) => {
      if (event.key === '0') void leave();
      const picked = people[Number(event.key) - 1];
      if (picked) pick(picked);
    },
    { enabled: open && !taking, useKey: true },
  );

  return (
    <>
      <button type="button" onClick={() => setOpen(true)} className="flex min-h-9 items-center gap-2 hover:underline">
        <span>
          <span className="text-soft">at the bench: </span>
          <span className="font-semibold">{me.name}</span>
          {me.role !== 'checker' && <span className="text-soft">, {me.role}</span>}
        </span>
        <Key>h</Key>
      </button>
      <Sheet
        open={open}
        onOpenChange={close}
        title="Who takes over?"
        description="Every entry is kept under this name."
      >
        <ul className="border-t">
          {people.map((each, i) => (
            <li key={each.id}>
              <button
                type="button"
                onClick={() => pick(each)}
                className="flex min-h-11 w-full items-center gap-3 border-b px-2 text-left hover:bg-wash"
              >
                <Key>{String(i + 1)}</Key> {each.name}
                {each.id === me.id && <span className="ml-auto text-soft">at the bench now</span>}
              </button>
            </li>
          ))}
        </ul>
        {taking && (
          <form onSubmit={submit} className="mt-4 flex items-end gap-3">
            <TextField
              key={taking.id}
              label={`PIN of ${taking.name}`}
              type="password"
              inputMode="numeric"
              autoFocus
              maxLength={8}
              className="w-40 font-mono"
              value={pin}
              onChange={({ target }) => setPin(target.value)}
            />
            <Button type="submit" look="act" disabled={pin.length < 4}>
              Take over
            </Button>
          </form>
        )}
        {trouble && (
          <p role="alert" className="mt-3 max-w-[60ch] text-differs">
            {trouble}
          </p>
        )}
        <div className="mt-4 flex flex-wrap gap-2">
          <Button onClick={() => window.location.assign('/sign-in?other')}>Somebody else signs in</Button>
          <Button look="quiet" onClick={() => void leave()}>
            End the shift here <Key>0</Key>
          </Button>
        </div>
      </Sheet>
    </>
  );
}
