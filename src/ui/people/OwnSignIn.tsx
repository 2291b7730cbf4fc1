'use client';
import { type FormEvent, useEffect, useState } from 'react';
import type { PeopleState } from '@/core/people/peopleState';
import { Button } from '../controls/Button';
import { TextField } from '../controls/TextField';
import { useInstant } from '../house/House';
import { useMe } from './Me';
import { makePasskey, passkeysWork } from './passkey';

/** One secret of mine, to be set anew. */
function OwnSecret({
  label,
  has,
  numeric,
  onSet,
}: {
  label: string;
  has: boolean;
  numeric?: boolean;
  onSet: (text: string) => Promise<boolean>;
}) {
  const [text, setText] = useState('');
  const [kept, setKept] = useState(false);
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    const done = await onSet(text);
    setKept(done);
    if (done) setText('');
  };
  return (
    <form onSubmit={submit} className="flex items-end gap-3">
      <TextField
        label={label}
        type="password"
        autoComplete="new-password"
        inputMode={numeric ? 'numeric' : undefined}
        maxLength={numeric ? 8 : 200}
        className={numeric ? 'w-40 font-mono' : 'w-72'}
        value={text}
        onChange={({ target }) => {
          setText(target.value);
          setKept(false);
        }}
      />
      <Button type="submit" disabled={text === ''}>
        Set
      </Button>
      <span className="flex min-h-9 shrink-0 items-center text-[13px] text-soft">
        {kept ? 'kept' : has ? 'you have one' : 'you have none'}
      </span>
    </form>
  );
}

/** How I sign in: a passphrase, passkeys, and a PIN to take over within a shift. */
export function OwnSignIn({
  state,
  onChange,
  onTrouble,
}: {
  state: PeopleState;
  onChange: (change: object) => Promise<boolean>;
  onTrouble: (sentence: string) => void;
}) {
  const me = useMe();
  const formatInstant = useInstant();
  const [passkeys, setPasskeys] = useState(true);
  useEffect(() => setPasskeys(passkeysWork()), []);
  const has = state.people.find(({ id }) => id === me?.id)?.has ?? [];
  const make = async () => {
    try {
      await onChange({ passkey: await makePasskey() });
    } catch (error) {
      onTrouble((error as Error).message);
    }
  };
  return (
    <div className="grid gap-3">
      <OwnSecret
        label="Passphrase, 12 characters or more"
        has={has.includes('passphrase')}
        onSet={(passphrase) => onChange({ passphrase })}
      />
      <OwnSecret label="PIN, 4 to 8 digits" numeric has={has.includes('pin')} onSet={(pin) => onChange({ pin })} />
      <div>
        {state.passkeys.map(({ id, label, since }) => (
          <p key={id} className="flex min-h-9 items-center gap-3">
            Passkey for {label}, since {formatInstant(since)}
            <Button look="quiet" onClick={() => void onChange({ forget: id })}>
              Forget it
            </Button>
          </p>
        ))}
        {passkeys ? (
          <Button onClick={() => void make()}>Make a passkey on this device</Button>
        ) : (
          <p className="text-[13px] text-soft">
            A passkey belongs to a name; open the desk by its name to make one. At this machine that is localhost.
          </p>
        )}
      </div>
    </div>
  );
}
