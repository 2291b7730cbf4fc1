'use client';
import { Camera } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import type { PhonePage } from '@/core/devices/phoneSeen';
import { Button } from '../controls/Button';
import { post, request } from '../request';

/** On a phone: what to photograph next and how, and the phone's own camera. */
export function PhoneView({ token, first }: { token: string; first: PhonePage }) {
  const [page, setPage] = useState(first);
  const [chosen, setChosen] = useState<string | null>(null);
  const [busy, setBusy] = useState('');
  const [trouble, setTrouble] = useState('');
  const [sent, setSent] = useState<string[]>([]);
  const camera = useRef<HTMLInputElement>(null);
  useEffect(() => {
    document.documentElement.dataset.awake = 'true';
  }, []);
  const { number, begun, next } = page;
  const current = next.find(({ name }) => name === chosen) ?? next[0];

  const ask = async (doing: string, asking: () => Promise<PhonePage>) => {
    setBusy(doing);
    setTrouble('');
    try {
      setPage(await asking());
      return true;
    } catch (error) {
      setTrouble((error as Error).message);
      return false;
    } finally {
      setBusy('');
    }
  };
  const begin = () => ask('Beginning', () => post<PhonePage>(`/phone/${token}/begin`, {}));
  const send = async (files: FileList | null) => {
    for (const file of files ?? []) {
      const of = current?.name ?? '';
      const path = `/phone/${token}/pictures?of=${encodeURIComponent(of)}`;
      const kept = await ask('Sending', () => request<PhonePage>(path, { method: 'POST', body: file }));
      if (!kept) return;
      setSent((before) => [of || 'another picture', ...before]);
      setChosen(null);
    }
  };

  return (
    <main className="mx-auto grid max-w-[520px] gap-5 px-5 py-6 text-[17px]">
      <h1 className="font-semibold text-lg">
        Pictures for <span className="font-mono">{number}</span>
      </h1>
      {!begun && (
        <>
          <p>
            This phone can add pictures to this case for half an hour. It sees nothing else of the desk, and the address
            works on no second phone.
          </p>
          <Button look="act" className="min-h-14" disabled={busy !== ''} onClick={() => void begin()}>
            Begin
          </Button>
        </>
      )}
      {begun && (
        <>
          <section aria-label="Next picture">
            {current ? (
              <>
                <h2 className="font-semibold text-[22px]">{current.name}</h2>
                <p className="mt-1">{current.how}</p>
              </>
            ) : (
              <p>All that is wanted was photographed. Anything else of the item may still be.</p>
            )}
          </section>
          <Button
            look="act"
            className="min-h-16 text-[18px]"
            disabled={busy !== ''}
            onClick={() => camera.current?.click()}
          >
            <Camera aria-hidden /> {busy || 'Take the picture'}
          </Button>
          <input
            ref={camera}
            type="file"
            className="sr-only"
            aria-label="Picture"
            // A phone that makes other pictures sends them as one of these when it is not offered its own.
            accept="image/jpeg,image/png,image/webp"
            capture="environment"
            onChange={(event) => {
              const { files } = event.currentTarget;
              void send(files).then(() => {
                if (camera.current) camera.current.value = '';
              });
            }}
          />
        </>
      )}
      {trouble && (
        <p role="alert" className="text-differs">
          {trouble}
        </p>
      )}
      <p role="status" className="text-soft">
        {sent.length > 0 &&
          `At the bench: ${sent.slice(0, 3).join(', ')}${sent.length > 3 ? ` and ${sent.length - 3} more` : ''}.`}
      </p>
      {begun && next.length > 1 && (
        <section aria-label="Other pictures">
          <h2 className="mb-1 border-b pb-1 font-semibold">Or first</h2>
          <ul>
            {next
              .filter((each) => each !== current)
              .map(({ name }) => (
                <li key={name}>
                  <button
                    type="button"
                    className="min-h-12 w-full text-left text-accent"
                    onClick={() => setChosen(name)}
                  >
                    {name}
                  </button>
                </li>
              ))}
          </ul>
        </section>
      )}
    </main>
  );
}
