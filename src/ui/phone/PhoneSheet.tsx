'use client';
import { useEffect, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Button, Key } from '../controls/Button';
import { QrCode } from '../controls/QrCode';
import { SheetFrame } from '../controls/SheetFrame';
import type { PhoneLineControl } from './usePhoneLine';

const MINUTE_MS = 60_000;

/** Let a phone add pictures to this case: its address as a QR code, what came by it, and a way to end it. */
export function PhoneSheet({
  number,
  line: { open, line, trouble, ask, end },
  onOpenChange,
}: {
  number: string;
  line: PhoneLineControl;
  onOpenChange: (open: boolean) => void;
}) {
  // biome-ignore lint/correctness/useExhaustiveDependencies: once, when the sheet opens
  useEffect(() => ask(false), []);
  const [ended, setEnded] = useState(false);
  useHotkeys('x', () => {
    end();
    setEnded(true);
  });
  const [first, ...others] = line?.addresses ?? [];
  const minutes = line ? Math.max(0, Math.ceil((Date.parse(line.until) - Date.now()) / MINUTE_MS)) : 0;
  return (
    <SheetFrame onOpenChange={onOpenChange} title={`A phone for ${number}`}>
      {trouble && (
        <p role="alert" className="text-differs">
          {trouble}
        </p>
      )}
      {ended && !open && <p>The address is no longer good. What came by it stays with the case.</p>}
      {line && !first && <OnlyHere path={line.path} />}
      {line?.code && first && (
        <div className="grid grid-cols-[208px_minmax(0,1fr)] gap-5 max-sm:grid-cols-1">
          <QrCode code={line.code} label="Address for the phone" className="size-52" />
          <div className="grid content-start gap-3">
            <p>
              {line.begun
                ? `A phone is there. ${line.pictures} ${line.pictures === 1 ? 'picture' : 'pictures'} came by it.`
                : 'Point the phone’s camera at the code and press Begin there.'}
            </p>
            <p className="text-soft">
              For one phone and {minutes} {minutes === 1 ? 'minute' : 'minutes'} more. It can add pictures to this case;
              it sees its number and what to photograph next.
            </p>
            <p className="flex flex-wrap gap-2">
              <Button
                onClick={() => {
                  end();
                  setEnded(true);
                }}
              >
                End it <Key>x</Key>
              </Button>
              <Button onClick={() => ask(true)}>Another address</Button>
            </p>
          </div>
          <details className="col-span-full text-[13px]">
            <summary className="cursor-pointer text-soft">The phone does not find it</summary>
            <p className="mt-2">
              Phone and desk have to be on the same network. {others.length > 0 && 'This desk also answers at:'}
            </p>
            {[first, ...others].map((address) => (
              <p key={address} className="break-all font-mono">
                {address}
              </p>
            ))}
          </details>
        </div>
      )}
    </SheetFrame>
  );
}

/** What to do where no phone can reach this machine. */
function OnlyHere({ path }: { path: string }) {
  return (
    <div className="grid gap-3">
      <p>This desk listens on this machine only, so no phone reaches it.</p>
      <p>
        To change that, end it and start it with <code className="font-mono">PINPRICK_HOST=0.0.0.0 npm start</code>.
        Then everybody on the network of this machine comes as far as the page to sign in, nobody without a passphrase
        or passkey farther, and what is sent can be read on the way unless the desk is given a certificate. The README
        says how.
      </p>
      <p>
        To see on this machine what a phone would show:{' '}
        <a href={path} target="_blank" rel="noreferrer" className="text-accent underline underline-offset-4">
          open its page
        </a>
        .
      </p>
    </div>
  );
}
