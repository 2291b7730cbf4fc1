'use client';
import { type FormEvent, useEffect, useState } from 'react';
import { formatDay } from '@/core/dates/day';
import { spacedKeyName } from '@/core/trust/statements';
import { Button, Key } from '../controls/Button';
import { QrCode } from '../controls/QrCode';
import { TextField } from '../controls/TextField';
import { useKeys } from '../controls/useKeys';
import { useInstant } from '../house/House';
import { useMay } from '../people/Me';
import { Part } from '../records/Part';
import { RecordsPage } from '../records/RecordsPage';
import { post, request } from '../request';
import { ageWords } from './ageWords';
import type { Keeping } from './keeping';

const POLL_MS = 500;

/** How the desk is kept: its backups, whether all of it holds, and what it signs. */
export function KeepingView({ first }: { first: Keeping }) {
  const [state, setState] = useState(first);
  const [trouble, setTrouble] = useState('');
  const [label, setLabel] = useState('');
  const [publicKey, setPublicKey] = useState('');
  const formatInstant = useInstant();
  const keeps = useMay()('keepDesk');
  const { running, newest, folder, checked, anchor, key, known, clock, now } = state;

  const send = async (body: object) => {
    setTrouble('');
    try {
      setState(await post<Keeping>('/api/keeping', body));
      return true;
    } catch (error) {
      setTrouble((error as Error).message);
      return false;
    }
  };
  useEffect(() => {
    if (!running) return;
    const timer = setTimeout(() => {
      request<Keeping>('/api/keeping').then(setState, (error) => setTrouble((error as Error).message));
    }, POLL_MS);
    return () => clearTimeout(timer);
  }, [running]);
  useKeys('b', () => void (keeps && folder && !running && send({ begin: 'backup' })));
  useKeys('x', () => void (keeps && !running && send({ begin: 'check' })));
  const trust = async (event: FormEvent) => {
    event.preventDefault();
    if (!(await send({ publicKey, label }))) return;
    setLabel('');
    setPublicKey('');
  };
  const share = (what: 'backup' | 'check') =>
    running?.what === what ? (
      <progress className="w-48" max={1} value={running.share} aria-label={`${what} under way`} />
    ) : null;
  const alarm = trouble || state.trouble || clock;

  return (
    <RecordsPage title="Keeping" trouble={alarm}>
      <div className="grid gap-x-10 gap-y-6 lg:grid-cols-2">
        <Part title="Backup">
          {folder ? (
            <p>
              {newest ? (
                <>
                  The newest was made {ageWords(newest.madeAt, now)}: {newest.cases.toLocaleString('en')} cases,{' '}
                  {newest.photographs.toLocaleString('en')} photographs.
                </>
              ) : (
                <span className="text-differs">None was made yet.</span>
              )}
            </p>
          ) : (
            <p className="max-w-[60ch] text-differs">
              Nothing is backed up: no folder is set. Start the desk with <code>PINPRICK_BACKUP</code> naming one, on
              another disk.
            </p>
          )}
          {folder && (
            <p className="text-[13px] text-soft">
              Every night to <code className="break-all">{folder}</code>, kept for {state.keepDays} days. Each is read
              again before it counts.
            </p>
          )}
          <div className="flex items-center gap-3">
            <Button disabled={!folder || running !== null || !keeps} onClick={() => void send({ begin: 'backup' })}>
              Back up now <Key>b</Key>
            </Button>
            {share('backup')}
          </div>
        </Part>
        <Part title="Whether all of it holds">
          {checked ? (
            <>
              <p role="status">
                {checked.found.problems.length === 0 ? 'All of it holds' : 'Not all of it holds'}, looked at{' '}
                {ageWords(checked.at, now)}: {checked.found.cases.toLocaleString('en')} cases with{' '}
                {checked.found.events.toLocaleString('en')} entries, {checked.found.documents.toLocaleString('en')}{' '}
                documents, {checked.found.photographs.toLocaleString('en')} photographs,{' '}
                {checked.found.days.toLocaleString('en')} signed {checked.found.days === 1 ? 'day' : 'days'}.
              </p>
              <ul className="max-h-64 overflow-auto">
                {checked.found.problems.map((sentence) => (
                  <li key={sentence} className="border-b py-1 text-differs">
                    {sentence}
                  </li>
                ))}
              </ul>
              {checked.found.notVouchedFor.length > 0 && (
                <details className="text-[13px] text-soft">
                  <summary className="cursor-pointer">
                    {checked.found.notVouchedFor.length.toLocaleString('en')} verdicts and truths came from elsewhere,
                    and nobody known here vouches for them
                  </summary>
                  <p className="max-h-64 overflow-auto pt-1">{checked.found.notVouchedFor.join('; ')}</p>
                </details>
              )}
            </>
          ) : (
            <p className="text-soft">Not looked at since the desk was started.</p>
          )}
          <div className="flex items-center gap-3">
            <Button disabled={running !== null || !keeps} onClick={() => void send({ begin: 'check' })}>
              Look at everything <Key>x</Key>
            </Button>
            {share('check')}
          </div>
        </Part>
        <Part title="What the desk held, signed">
          {anchor ? (
            <div className="flex gap-5">
              <QrCode code={anchor.code} label="The same as a QR code" className="size-32" />
              <div className="grid content-start gap-1">
                <p>
                  The end of {formatDay(anchor.day)}, over {anchor.cases.toLocaleString('en')} cases:
                </p>
                <p className="font-mono text-[13px] break-all">{anchor.root}</p>
                <p className="max-w-[56ch] text-[13px] text-soft">
                  Keep it where nobody at the desk can change it: on paper, with a partner. Whoever has it can prove
                  that nothing of that day or before was rewritten since.
                </p>
                <div>
                  <Button
                    look="quiet"
                    className="-ml-3"
                    onClick={() => void navigator.clipboard?.writeText(anchor.text)}
                  >
                    Copy it
                  </Button>
                </div>
              </div>
            </div>
          ) : (
            <p className="text-soft">No day has ended yet.</p>
          )}
        </Part>
        <Part title="Keys">
          <p>
            This desk signs with <span className="font-mono">{spacedKeyName(key.name)}</span>.
          </p>
          <p className="font-mono text-[13px] break-all text-soft">{key.publicKey}</p>
          {known.length > 0 && (
            <ul className="border-t">
              {known.map((each) => (
                <li key={each.name} className="flex justify-between gap-4 border-b py-1">
                  <span>{each.label}</span>
                  <span className="font-mono text-soft">{spacedKeyName(each.name)}</span>
                </li>
              ))}
            </ul>
          )}
          <form onSubmit={trust} className="flex flex-wrap items-end gap-3">
            <TextField
              label="Another desk"
              value={label}
              maxLength={80}
              onChange={({ target }) => setLabel(target.value)}
            />
            <TextField
              label="Its public key"
              wide
              className="font-mono"
              value={publicKey}
              maxLength={60}
              onChange={({ target }) => setPublicKey(target.value)}
            />
            <Button type="submit" disabled={!keeps || label.trim() === '' || publicKey.trim() === ''}>
              Add the key
            </Button>
          </form>
          <p className="text-[13px] text-soft">
            {newest ? `The key is not in a backup; keep it apart: pinprick key --to FILE. ` : ''}As of{' '}
            {formatInstant(now)}.
          </p>
        </Part>
      </div>
    </RecordsPage>
  );
}
