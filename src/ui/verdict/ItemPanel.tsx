'use client';
import { type FormEvent, useState } from 'react';
import type { Away } from '@/core/casefile/events/itemMoved';
import { AWAY_WORDS } from '@/core/casefile/whereabouts';
import { useCaseBook } from '../casebook/CaseBook';
import { Button, Key } from '../controls/Button';
import { Choice } from '../controls/Choice';
import { Sheet } from '../controls/Sheet';
import { TextField } from '../controls/TextField';
import { useInstant } from '../house/House';
import { useMay } from '../people/Me';

/** Where the item goes once its case is decided or closed, and that it came back. */
export function ItemPanel() {
  const { file, record, nameOf } = useCaseBook();
  const formatInstant = useInstant();
  const mayDo = useMay();
  const [open, setOpen] = useState(false);
  const [to, setTo] = useState<Away | null>(null);
  const [whom, setWhom] = useState('');
  const [note, setNote] = useState('');
  const { moved, seal, closed, truth } = file;
  const away = moved && moved.to !== 'desk' ? moved.to : null;
  const done = seal !== null || closed !== null;
  // Of what is seen in pictures there is nothing here that could leave.
  if (!away && (!done || !file.circumstances.inHand)) return null;
  const known = truth?.goods ?? seal?.goods;
  const ways = (Object.keys(AWAY_WORDS) as Away[]).filter((each) => each !== 'sale' || known === 'genuine');
  const keep = (event: FormEvent) => {
    event.preventDefault();
    const where = away ? 'desk' : to;
    if (!where) return;
    record('itemMoved', { to: where, whom: whom.trim(), note: note.trim() });
    setOpen(false);
    setTo(null);
    setWhom('');
    setNote('');
  };
  return (
    <section className="border-t pt-3">
      <h2 className="mb-1 text-[15px] font-semibold">Where the item is</h2>
      <p className={away ? '' : 'text-soft'}>
        {moved
          ? [
              away ? AWAY_WORDS[away].replace(/^./, (letter) => letter.toUpperCase()) : 'Back at the desk',
              moved.whom && (away ? ` · ${moved.whom}` : ` from ${moved.whom}`),
            ].join('')
          : 'At the desk.'}
      </p>
      {moved && (
        <p className="text-[13px] text-soft">
          {moved.note && `“${moved.note}” `}
          {nameOf(moved.by)}
          {moved.at && `, ${formatInstant(moved.at)}`}
        </p>
      )}
      <Button data-key="g" className="mt-2" disabled={!mayDo('itemMoved')} onClick={() => setOpen(true)}>
        {away ? 'It is here again' : 'It leaves the desk'} <Key>g</Key>
      </Button>
      <Sheet
        open={open}
        onOpenChange={setOpen}
        title={away ? 'The item is here again' : 'The item leaves the desk'}
        description={
          away
            ? 'Its verdict stays as it is; reopen the case to look at the item again.'
            : 'The verdict stays as it is; the logbook says where the item went.'
        }
      >
        <form onSubmit={keep} className="grid gap-3">
          {!away && (
            <div className="flex flex-wrap items-center gap-2">
              It is
              <Choice
                label="Where it goes"
                value={to}
                options={ways.map((value) => ({ value, label: AWAY_WORDS[value] }))}
                onChange={setTo}
              />
            </div>
          )}
          {!away && known !== 'genuine' && (
            <p role="note" className="border-l-2 border-doubt pl-3 text-doubt">
              {known === 'counterfeit'
                ? 'Passing on counterfeit goods can be an offence, and the law where you are may ask you to hand them over or to keep them. It is not offered for sale from here.'
                : 'It is not decided to be genuine, so it is not offered for sale from here.'}
            </p>
          )}
          <TextField
            label={away ? 'Who brought it' : 'Who took it'}
            value={whom}
            maxLength={200}
            onChange={({ target }) => setWhom(target.value)}
          />
          <TextField label="Note" value={note} maxLength={400} onChange={({ target }) => setNote(target.value)} />
          <div>
            <Button type="submit" look="act" disabled={!away && to === null}>
              {away ? 'It is back' : 'Note that it left'}
            </Button>
          </div>
        </form>
      </Sheet>
    </section>
  );
}
