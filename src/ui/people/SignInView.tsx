'use client';
import { type FormEvent, useEffect, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Button, Key } from '../controls/Button';
import { TextField } from '../controls/TextField';
import { post } from '../request';
import { givePasskey, passkeysWork } from './passkey';

const TITLES = {
  first: 'Who answers for this desk?',
  passphrase: 'Sign in',
  invitation: 'Come in for the first time',
};

/** The way in. */
export function SignInView({
  first,
  setup,
  oneKey,
  next,
}: {
  /** Nobody can sign in yet. */
  first: boolean;
  /** The first owner comes from another machine, and gives the word that the desk printed. */
  setup: boolean;
  oneKey: { id: string; name: string }[];
  next: string;
}) {
  const [way, setWay] = useState<keyof typeof TITLES>(first ? 'first' : 'passphrase');
  const [fields, setFields] = useState({ name: '', passphrase: '', invitation: '', setup: '' });
  const [trouble, setTrouble] = useState('');
  const [sending, setSending] = useState(false);
  const [passkeys, setPasskeys] = useState(false);
  useEffect(() => setPasskeys(passkeysWork()), []);

  const enter = async (attempt: () => Promise<object> | object) => {
    setTrouble('');
    setSending(true);
    try {
      await post('/api/sign-in', await attempt());
      // Everything anew: what was fetched before was fetched for nobody.
      window.location.assign(next);
    } catch (error) {
      setTrouble((error as Error).message);
      setSending(false);
    }
  };
  const press = (id: string) => !sending && void enter(() => ({ how: 'oneKey', name: id }));
  useHotkeys('1,2,3,4,5,6,7,8,9', (event) => {
    const picked = oneKey[Number(event.key) - 1];
    if (picked) press(picked.id);
  });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    void enter(() => ({ how: way, ...fields }));
  };
  const field = (name: keyof typeof fields) => ({
    name,
    value: fields[name],
    required: true,
    maxLength: 200,
    className: 'w-full',
    onChange: ({ target }: { target: HTMLInputElement }) => setFields({ ...fields, [name]: target.value }),
  });
  const secret = { type: 'password', autoComplete: way === 'passphrase' ? 'current-password' : 'new-password' };

  return (
    <main className="mx-auto grid max-w-[880px] gap-x-14 gap-y-8 px-5 py-12 md:grid-cols-2">
      {oneKey.length > 0 && (
        <section>
          <h1 className="mb-3 text-[22px]">Who is at the bench?</h1>
          <ul className="border-t">
            {oneKey.map(({ id, name }, i) => (
              <li key={id}>
                <button
                  type="button"
                  disabled={sending}
                  onClick={() => press(id)}
                  className="flex min-h-11 w-full items-center gap-3 border-b px-2 text-left hover:bg-wash"
                >
                  {i < 9 && <Key>{String(i + 1)}</Key>} {name}
                </button>
              </li>
            ))}
          </ul>
          <p className="mt-3 text-[13px] text-soft">
            This desk can be reached from its own machine alone, and its owner lets one key press be enough there.
          </p>
        </section>
      )}
      <section>
        <h2 className="mb-3 text-[22px]">{oneKey.length > 0 && way === 'passphrase' ? 'Or sign in' : TITLES[way]}</h2>
        <form onSubmit={submit} className="grid gap-3">
          <TextField label="Name" autoComplete="username" autoFocus={oneKey.length === 0} {...field('name')} />
          {way === 'invitation' && (
            <TextField label="The word that the owner gave you" {...field('invitation')} className="w-full font-mono" />
          )}
          {way === 'first' && setup && (
            <TextField
              label="The word that the desk printed when it was started"
              {...field('setup')}
              className="w-full font-mono"
            />
          )}
          <TextField
            label={way === 'passphrase' ? 'Passphrase' : 'A passphrase of your own, 12 characters or more'}
            {...secret}
            {...field('passphrase')}
          />
          {trouble && (
            <p role="alert" className="text-differs">
              {trouble}
            </p>
          )}
          <div className="flex flex-wrap gap-2">
            <Button type="submit" look="act" disabled={sending}>
              {way === 'first' ? 'Become the owner' : 'Sign in'}
            </Button>
            {way !== 'first' && passkeys && (
              <Button
                disabled={sending}
                onClick={() => void enter(async () => ({ how: 'passkey', passkey: await givePasskey() }))}
              >
                Use a passkey
              </Button>
            )}
          </div>
        </form>
        {way === 'first' ? (
          <p className="mt-4 max-w-[52ch] text-[13px] text-soft">
            The owner says who else works here, sets the rules of the house and sees to its keeping. Verdicts carry the
            name.
          </p>
        ) : (
          <Button
            look="quiet"
            className="-ml-3 mt-2"
            onClick={() => {
              setWay(way === 'invitation' ? 'passphrase' : 'invitation');
              setTrouble('');
            }}
          >
            {way === 'invitation' ? 'I have a passphrase' : 'I have an invitation'}
          </Button>
        )}
      </section>
    </main>
  );
}
