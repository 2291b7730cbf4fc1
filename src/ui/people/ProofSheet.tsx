'use client';
import { type FormEvent, useState } from 'react';
import { Button } from '../controls/Button';
import { Sheet } from '../controls/Sheet';
import { TextField } from '../controls/TextField';
import { post } from '../request';
import { givePasskey, passkeysWork } from './passkey';

/** That it is whoever the desk thinks it is: a PIN, a passkey or the passphrase. */
export function ProofSheet({ name, onDone }: { name: string; onDone: (proved: boolean) => void }) {
  const [secret, setSecret] = useState('');
  const [trouble, setTrouble] = useState('');
  const give = async (attempt: () => Promise<object> | object) => {
    setTrouble('');
    try {
      await post('/api/sign-in/proof', await attempt());
      onDone(true);
    } catch (error) {
      setTrouble((error as Error).message);
      setSecret('');
    }
  };
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (secret === '') return;
    // No passphrase is digits alone: it has 12 characters at least, a PIN 8 at most.
    void give(() =>
      /^\d{1,8}$/.test(secret) ? { how: 'pin', pin: secret } : { how: 'passphrase', passphrase: secret },
    );
  };
  return (
    <Sheet open onOpenChange={(open) => !open && onDone(false)} title={`Is it you, ${name}?`}>
      <form onSubmit={submit} className="grid gap-3">
        <TextField
          label="Your PIN or passphrase"
          type="password"
          autoFocus
          maxLength={200}
          className="w-72"
          value={secret}
          onChange={({ target }) => setSecret(target.value)}
        />
        {trouble && (
          <p role="alert" className="max-w-[60ch] text-differs">
            {trouble}
          </p>
        )}
        <div className="flex gap-2">
          <Button type="submit" look="act" disabled={secret === ''}>
            It is me
          </Button>
          {passkeysWork() && (
            <Button onClick={() => void give(async () => ({ how: 'passkey', passkey: await givePasskey() }))}>
              Use a passkey
            </Button>
          )}
        </div>
      </form>
    </Sheet>
  );
}
