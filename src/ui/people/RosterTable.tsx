'use client';
import { type FormEvent, useState } from 'react';
import type { Member } from '@/core/people/peopleState';
import { may, ROLES } from '@/core/people/permissions';
import type { Role } from '@/core/people/person';
import { Button } from '../controls/Button';
import { Choice } from '../controls/Choice';
import { TextField } from '../controls/TextField';
import { Tick } from '../controls/Tick';
import { useInstant } from '../house/House';
import { useMe } from './Me';

const PROOFS = { passphrase: 'passphrase', pin: 'PIN', passkey: 'passkey' };
const ROLE_OPTIONS = ROLES.map(({ value, label }) => ({ value, label }));
const NAMED = Object.fromEntries(ROLES.map(({ value, label }) => [value, label]));

/** The people of the desk, a line each; the owner changes them here. */
export function RosterTable({
  people,
  kinds,
  invited,
  oneKey,
  manages,
  onChange,
  onInvite,
}: {
  people: Member[];
  kinds: { id: string; name: string }[];
  /** A word that lets somebody in once, just made; it is not shown again. */
  invited: { id: string; word: string } | null;
  /** One key press is enough for everybody. */
  oneKey: boolean;
  manages: boolean;
  onChange: (change: object) => Promise<boolean>;
  onInvite: (id: string) => Promise<boolean>;
}) {
  const me = useMe();
  const formatInstant = useInstant();
  const [renamed, setRenamed] = useState<{ id: string; name: string } | null>(null);
  const [choosing, setChoosing] = useState<string | null>(null);
  const [leaving, setLeaving] = useState<string | null>(null);
  const [added, setAdded] = useState<{ name: string; role: Role }>({ name: '', role: 'checker' });
  const working = people.filter(({ retired }) => !retired);
  const gone = people.filter(({ retired }) => retired);
  const keepName = async (event: FormEvent) => {
    event.preventDefault();
    if (renamed && (await onChange({ change: 'person', ...renamed }))) setRenamed(null);
  };
  const add = async (event: FormEvent) => {
    event.preventDefault();
    if (await onChange({ change: 'add', ...added })) setAdded({ name: '', role: 'checker' });
  };
  const kindsOf = (ids: string[]): string =>
    kinds
      .filter(({ id }) => ids.includes(id))
      .map(({ name }) => name)
      .join(', ');
  /** Their kinds with one more or less; all of them, or none, is no choice. */
  const withKind = ({ kinds: before = kinds.map(({ id }) => id) }: Member, kind: string, ticked: boolean) => {
    const next = ticked ? [...before, kind] : before.filter((each) => each !== kind);
    return next.length === kinds.length || next.length === 0 ? null : next;
  };
  const proofsOf = ({ has, invited: waits }: Member): string => {
    const ways = [...(oneKey ? ['one key press'] : []), ...has.map((kind) => PROOFS[kind])];
    if (waits) ways.push(`the invitation of ${formatInstant(waits)}`);
    return ways.join(', ') || 'nothing yet';
  };

  return (
    <>
      <ul className="border-t">
        {working.map((person) => {
          const { id, name, role } = person;
          return (
            <li key={id} className="border-b py-1.5">
              <div className="grid min-h-9 grid-cols-[minmax(0,1.2fr)_7rem_minmax(0,1fr)_auto] items-center gap-3 max-md:grid-cols-2">
                {renamed?.id === id ? (
                  <form onSubmit={keepName} className="flex gap-2">
                    <input
                      // biome-ignore lint/a11y/noAutofocus: it was opened to be written in
                      autoFocus
                      aria-label={`Name of ${name}`}
                      value={renamed.name}
                      maxLength={60}
                      onChange={({ target }) => setRenamed({ id, name: target.value })}
                      onKeyDown={({ key }) => key === 'Escape' && setRenamed(null)}
                      className="h-9 w-full min-w-0 rounded-sm border border-line bg-sheet px-2 outline-none focus:border-accent"
                    />
                    <Button type="submit">Keep</Button>
                  </form>
                ) : (
                  <span className="truncate font-semibold">
                    {name}
                    {id === me?.id && <span className="font-normal text-soft">, you</span>}
                  </span>
                )}
                {manages ? (
                  <Choice
                    label={`Role of ${name}`}
                    value={role}
                    options={ROLE_OPTIONS}
                    onChange={(next) => void onChange({ change: 'person', id, role: next })}
                  />
                ) : (
                  <span>{NAMED[role]}</span>
                )}
                <span className="text-[13px] text-soft">signs in by: {proofsOf(person)}</span>
                {manages && (
                  <span className="flex gap-1">
                    <Button look="quiet" onClick={() => setRenamed({ id, name })}>
                      Rename
                    </Button>
                    <Button look="quiet" onClick={() => void onInvite(id)}>
                      Invite
                    </Button>
                    {may(role, 'findingRecorded') && (
                      <Button
                        look="quiet"
                        aria-expanded={choosing === id}
                        onClick={() => setChoosing(choosing === id ? null : id)}
                      >
                        Goods
                      </Button>
                    )}
                    <Button
                      look={leaving === id ? 'act' : 'quiet'}
                      onBlur={() => setLeaving(null)}
                      onClick={() =>
                        leaving === id ? void onChange({ change: 'person', id, retired: true }) : setLeaving(id)
                      }
                    >
                      {leaving === id ? 'Retire, for certain' : 'Retire'}
                    </Button>
                  </span>
                )}
              </div>
              {person.kinds && <p className="text-[13px] text-soft">inspects: {kindsOf(person.kinds)}</p>}
              {choosing === id && (
                <fieldset className="my-1 flex flex-wrap gap-x-5 border-l-2 border-line pl-3">
                  <legend className="text-[13px] text-soft">
                    Their rounds have these kinds of goods, and what they took themselves
                  </legend>
                  {kinds.map((kind) => (
                    <Tick
                      key={kind.id}
                      label={kind.name}
                      checked={person.kinds === undefined || person.kinds.includes(kind.id)}
                      onChange={(ticked) =>
                        void onChange({ change: 'person', id, kinds: withKind(person, kind.id, ticked) })
                      }
                    />
                  ))}
                </fieldset>
              )}
              {invited?.id === id && (
                <p role="status" className="my-1 max-w-[70ch]">
                  Give {name} this word, by hand or by voice: <strong className="font-mono">{invited.word}</strong>. It
                  lets them in once, within a week, to set a passphrase of their own. It is not shown again.
                </p>
              )}
            </li>
          );
        })}
      </ul>
      {manages && (
        <form onSubmit={add} className="flex flex-wrap items-end gap-3">
          <TextField
            label="Somebody new"
            value={added.name}
            maxLength={60}
            className="w-64"
            onChange={({ target }) => setAdded({ ...added, name: target.value })}
          />
          <Choice
            label="Role of somebody new"
            value={added.role}
            options={ROLE_OPTIONS}
            onChange={(role) => setAdded({ ...added, role })}
          />
          <Button type="submit" disabled={added.name.trim() === ''}>
            Add and invite
          </Button>
        </form>
      )}
      <dl className="mt-2 text-[13px] text-soft">
        {ROLES.map(({ value, label, does }) => (
          <div key={value}>
            <dt className="inline font-semibold">{label}: </dt>
            <dd className="inline">{does}</dd>
          </div>
        ))}
      </dl>
      {gone.length > 0 && (
        <div className="mt-2">
          <h3 className="text-[13px] text-soft">Worked here once; entries keep their names</h3>
          <ul>
            {gone.map(({ id, name }) => (
              <li key={id} className="flex min-h-9 items-center gap-3">
                {name}
                {manages && (
                  <Button look="quiet" onClick={() => void onChange({ change: 'person', id, retired: false })}>
                    Take back
                  </Button>
                )}
              </li>
            ))}
          </ul>
        </div>
      )}
    </>
  );
}
