'use client';
import { type FormEvent, useState } from 'react';
import type { ConfirmedTruth } from '@/core/casefile/events/truthConfirmed';
import { useCaseBook } from '../casebook/CaseBook';
import { Button, Key } from '../controls/Button';
import { Choice } from '../controls/Choice';
import { Sheet } from '../controls/Sheet';
import { useInstant } from '../house/House';
import { useMay, useStake } from '../people/Me';
import { SOURCES, sourceWords } from './truthSources';

const GOODS = [
  { value: 'genuine', label: 'genuine' },
  { value: 'counterfeit', label: 'counterfeit' },
] as const;
const PACKAGINGS = [
  { value: 'unknown', label: 'not known' },
  { value: 'own', label: 'its own' },
  { value: 'foreign', label: 'of another item, or made up' },
] as const;
const PACKAGING_WORDS = { own: 'its own', foreign: 'not its own', unknown: 'not known' };

/** What the item proved to be, learned after the verdict: it feeds the statistics of the checks. */
export function TruthPanel() {
  const { file, record, nameOf } = useCaseBook();
  const formatInstant = useInstant();
  const stake = useStake();
  const mayDo = useMay();
  const [open, setOpen] = useState(false);
  const [truth, setTruth] = useState<Omit<ConfirmedTruth, 'goods'> & { goods: ConfirmedTruth['goods'] | null }>({
    // Whoever is in a hurry must not confirm what happened to stand there.
    goods: null,
    packaging: 'unknown',
    source: 'maker',
    trust: 1,
    note: '',
  });
  if (!file.seal) return null;
  const confirm = async (event: FormEvent) => {
    event.preventDefault();
    const { goods } = truth;
    if (goods === null || truth.note.trim() === '') return;
    setOpen(false);
    if (await stake()) record('truthConfirmed', { ...truth, goods, note: truth.note.trim().slice(0, 400) });
  };
  const known = file.truth;
  return (
    <section className="border-t pt-3">
      <h2 className="mb-1 text-[15px] font-semibold">What it proved to be</h2>
      {known ? (
        <>
          <p>
            <strong className="font-semibold">{known.goods}</strong>, packaging {PACKAGING_WORDS[known.packaging]}
          </p>
          <p className="text-[13px] text-soft">
            By {sourceWords(known.source)}, trusted {Math.round(known.trust * 100)} %: “{known.note}” {nameOf(known.by)}
            , {known.at && formatInstant(known.at)}
          </p>
        </>
      ) : (
        <p className="text-soft">Not known yet. Once it is, the checks learn from it.</p>
      )}
      <Button data-key="t" className="mt-2" disabled={!mayDo('truthConfirmed')} onClick={() => setOpen(true)}>
        {known ? 'Correct it' : 'Confirm the truth'} <Key>t</Key>
      </Button>
      <Sheet
        open={open}
        onOpenChange={setOpen}
        title="Confirm the truth"
        description="The verdict stays as it was sealed. What is confirmed here teaches the checks, by how far its source is to be trusted."
      >
        <form onSubmit={confirm} className="grid gap-3">
          <div className="flex flex-wrap items-center gap-2">
            The goods are
            <Choice
              label="Goods"
              value={truth.goods}
              options={[...GOODS]}
              onChange={(goods) => setTruth({ ...truth, goods })}
            />
            their packaging is
            <Choice
              label="Packaging"
              value={truth.packaging}
              options={[...PACKAGINGS]}
              onChange={(packaging) => setTruth({ ...truth, packaging })}
            />
          </div>
          <div className="flex flex-wrap items-center gap-2">
            It is known from
            <Choice
              label="Source"
              value={truth.source}
              options={SOURCES}
              onChange={(source) =>
                setTruth({ ...truth, source, trust: SOURCES.find(({ value }) => value === source)?.trust ?? 1 })
              }
            />
            trusted
            <input
              type="number"
              min={51}
              max={100}
              aria-label="Trust in per cent"
              value={Math.round(truth.trust * 100)}
              onChange={({ target }) =>
                setTruth({ ...truth, trust: Math.min(1, Math.max(0.51, Number(target.value) / 100)) })
              }
              className="h-9 w-20 border border-line bg-ground px-2 font-mono outline-none focus:border-accent"
            />
            %
          </div>
          <label className="grid gap-1">
            How it came to be known
            <input
              value={truth.note}
              maxLength={400}
              onChange={({ target }) => setTruth({ ...truth, note: target.value })}
              className="h-10 border border-line bg-ground px-2 outline-none focus:border-accent"
            />
          </label>
          <div>
            <Button type="submit" look="act" disabled={truth.goods === null || truth.note.trim() === ''}>
              Confirm
            </Button>
          </div>
        </form>
      </Sheet>
    </section>
  );
}
