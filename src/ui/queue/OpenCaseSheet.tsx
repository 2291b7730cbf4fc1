'use client';
import { type FormEvent, useEffect, useEffectEvent, useState } from 'react';
import { v4 as newUuid } from 'uuid';
import type { Circumstances } from '@/core/casefile/events/circumstancesStated';
import { CircumstanceChoices } from '../casebook/CircumstanceChoices';
import { USUAL } from '../casebook/circumstances';
import { Button, Key } from '../controls/Button';
import { Choice } from '../controls/Choice';
import { Sheet } from '../controls/Sheet';
import { useGo } from '../controls/useGo';
import { useMay } from '../people/Me';
import { post } from '../request';
import type { Pick } from '../scan/ReleaseFinder';
import { useKinds } from './useKinds';

/** An item about to be opened: with the release that was picked, or with only its words. */
export type Intake = { pick: Pick } | { pick: null; query: string };

/** The kind of goods that was opened here last without a record: the next one is likely to be of it. */
const LAST_KIND = 'pinprick-last-kind';

/** The last step before a case: which size, and where the item comes from. */
export function OpenCaseSheet({ intake, onClose }: { intake: Intake; onClose: () => void }) {
  const go = useGo();
  const mayDo = useMay();
  const candidate = intake.pick?.candidate;
  const query = intake.pick?.query ?? ('query' in intake ? intake.query : '');
  const [caseId] = useState(() => newUuid());
  const [sizeKey, setSizeKey] = useState(candidate?.sizeKey ?? '');
  const kinds = useKinds(candidate === undefined);
  const [chosen, setKind] = useState(() => localStorage.getItem(LAST_KIND) ?? '');
  const kind = (kinds?.find(({ value }) => value === chosen) ?? kinds?.[0])?.value ?? '';
  const [circumstances, setCircumstances] = useState<Circumstances>(USUAL);
  const [trouble, setTrouble] = useState('');
  const [agreed, setAgreed] = useState(false);
  const [sending, setSending] = useState(false);

  const open = useEffectEvent(async () => {
    setAgreed(false);
    setSending(true);
    try {
      const release = candidate
        ? { id: candidate.releaseId, sizeKey: sizeKey || null, reason: `${candidate.reason} (“${query.slice(0, 60)}”)` }
        : null;
      const scanned = intake.pick?.scanned ?? false;
      const { number } = await post<{ number: string }>('/api/cases', {
        caseId,
        query,
        circumstances,
        release,
        kind,
        scanned,
      });
      if (!release) localStorage.setItem(LAST_KIND, kind);
      go(`/case/${number}/codes`);
    } catch (error) {
      setTrouble((error as Error).message);
      setSending(false);
    }
  });
  // A hand faster than the list of kinds has agreed to the one that it will begin with.
  const known = candidate !== undefined || kinds !== null;
  useEffect(() => {
    if (agreed && known) void open();
  }, [agreed, known]);
  const agree = (event: FormEvent) => {
    event.preventDefault();
    setAgreed(true);
  };

  return (
    <Sheet open onOpenChange={(next) => !next && onClose()} title="Open a case">
      <form onSubmit={agree} className="grid gap-4">
        {candidate ? (
          <div>
            <p className="text-[17px]">
              <span className="text-soft">{candidate.makerName}</span>{' '}
              <strong className="font-semibold">{candidate.name}</strong>, {candidate.colourName}
            </p>
            <p className="font-mono text-[20px]">{candidate.styleCode}</p>
            <p className="text-soft">{candidate.reason}</p>
          </div>
        ) : (
          <div className="grid gap-3">
            <p>
              “{query}” <span className="text-soft">without a release record; one can be chosen later.</span>
            </p>
            <div>
              <Choice label="Kind of goods" value={kind} options={kinds ?? []} onChange={setKind} />
            </div>
          </div>
        )}
        {candidate && (
          <fieldset>
            <legend className="mb-1 text-soft">Size it is claimed to be</legend>
            <div className="flex flex-wrap gap-1.5">
              {candidate.sizeKeys.map((key) => (
                <Button
                  key={key}
                  aria-pressed={key === sizeKey}
                  look={key === sizeKey ? 'act' : 'plain'}
                  onClick={() => setSizeKey(key === sizeKey ? '' : key)}
                >
                  {key}
                </Button>
              ))}
            </div>
          </fieldset>
        )}
        <fieldset>
          <legend className="mb-1 text-soft">How it comes to the bench</legend>
          <CircumstanceChoices value={circumstances} onChange={setCircumstances} />
        </fieldset>
        {!mayDo('opened') && (
          <p className="text-differs">You are here as reader: you may look at cases, not open them.</p>
        )}
        {trouble && (
          <p role="alert" className="text-differs">
            {trouble}
          </p>
        )}
        <div className="flex items-center gap-3">
          <Button type="submit" look="act" disabled={agreed || sending || !mayDo('opened')} autoFocus>
            Open case <Key>Enter</Key>
          </Button>
          <Button onClick={onClose}>Back</Button>
        </div>
      </form>
    </Sheet>
  );
}
