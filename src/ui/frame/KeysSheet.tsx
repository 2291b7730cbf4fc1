'use client';
import { Key } from '../controls/Button';
import { Sheet } from '../controls/Sheet';

const GROUPS: { name: string; keys: [keys: string[], does: string][] }[] = [
  {
    name: 'Anywhere',
    keys: [
      [['scan'], 'a scanner’s text is taken wherever the focus is'],
      [['q'], 'Queue'],
      [['r'], 'Records: releases, codes, sizes, checks, rules'],
      [['e'], 'Seen codes'],
      [['Ctrl K'], 'find a case or a release'],
      [['Esc'], 'leave a field: the next key is the page’s'],
      [['d'], 'dim room'],
      [['h'], 'somebody else takes over; then 0 ends the shift'],
      [['?'], 'this page'],
    ],
  },
  {
    name: 'Lists and records',
    keys: [
      [['j', '↓'], 'next'],
      [['k', '↑'], 'previous'],
      [['Enter'], 'open'],
      [['n'], 'add one'],
      [['w'], 'edit what is shown'],
      [['c'], 'on a release: another colour of it'],
      [['v'], 'on a release: its revisions'],
      [['Ctrl S'], 'save it'],
      [['/'], 'to the scan field'],
    ],
  },
  {
    name: 'The day',
    keys: [
      [['i'], 'what waits'],
      [['o'], 'rounds'],
      [['c'], 'consignments'],
      [['b'], 'logbook'],
      [['f'], 'search what waits'],
      [['1', '…', '9'], 'a view that you keep'],
      [['0'], 'all that waits'],
    ],
  },
  {
    name: 'Listing',
    keys: [
      [['w'], 'into the fields'],
      [['p'], 'read a message'],
      [['n'], 'add prices of others'],
      [['t'], 'copy the message that asks for pictures'],
    ],
  },
  {
    name: 'On a case',
    keys: [
      [['l'], 'Listing: price, seller, pictures to ask for'],
      [['c'], 'Codes'],
      [['i'], 'Inspect'],
      [['z'], 'Compare'],
      [['v'], 'Verdict'],
      [['y'], 'Learn, once it is known what the item is'],
      [['a'], 'a phone that adds pictures'],
      [['.'], 'who takes it, and when it is due'],
      [['s'], 'on Verdict: seal, or reopen'],
      [['o'], 'on Verdict: ask for a second opinion'],
      [['t'], 'on Verdict: confirm the truth later'],
      [['g'], 'on Verdict: the item leaves the desk, or came back'],
    ],
  },
  {
    name: 'Codes',
    keys: [
      [['/', '↓'], 'to what is not read yet'],
      [['Enter', '↓'], 'keep and go down'],
      [['Tab'], 'keep and go right'],
      [['-'], 'alone: not printed there'],
      [['?'], 'alone: cannot be read'],
      [['Esc'], 'put back what was there; again: out of the field'],
      [['arrows'], 'out of the field: to another cell; Enter leads in'],
      [['f'], 'read a picture; a pasted or dropped one is read at once'],
      [['t'], 'read the tray of tags'],
      [['u'], 'take back the last entry; a label, picture or tray whole'],
      [['n'], 'next cell that differs'],
      [['p'], 'all places'],
    ],
  },
  {
    name: 'Inspect',
    keys: [
      [['j', 'k'], 'next, previous check'],
      [['→', '←'], 'next, previous layer'],
      [['1', '…', '9'], 'answer, or begin a measured value'],
      [['w'], 'write what stands there, or a value'],
      [['b'], 'have the scale or calipers at the bench measure it'],
      [['p'], 'measure it on a picture'],
      [['0'], 'can’t tell'],
      [['1', '1'], 'a pair: left, then right'],
      [['g'], 'quick pass: only what can decide'],
      [['t'], 'tools at hand'],
      [['x'], 'excuse with a reason'],
      [['m'], 'add a note to the answer'],
      [['u'], 'take back this answer, or the last one'],
      [['Enter'], 'go to the suggested check; again: to its codes'],
    ],
  },
  {
    name: 'Compare',
    keys: [
      [['1', '…', '9'], 'an instrument; again: put it away'],
      [['o', 'p', 'k'], 'tell the scale: bank card, known length, rectangle'],
      [['→', '↓'], 'move the cross hairs; with Shift, by one pixel'],
      [['Enter'], 'place a point there; then: record what was measured'],
      [['Shift'], 'held while placing: in line with the point before, along or across'],
      [['x'], 'a grid in mm over both'],
      [['m'], 'pin a note on a place of the item’s picture'],
      [['w'], 'the other picture'],
      [['n', 'b'], 'next, previous picture'],
      [['+', '-'], 'larger, smaller'],
      [['0'], 'the whole picture'],
      [['g'], 'flicker, curtain, blend, difference, edges'],
      [['j'], 'align: mark places that both show'],
      [['f'], 'mirror the right one'],
      [['u'], 'take back the last point'],
      [['Esc'], 'take back all points; again: back to the check'],
      [['Alt'], 'held while dragging: move one picture alone'],
    ],
  },
];

/** The keys, by where they work. */
export function KeysSheet({ onOpenChange }: { onOpenChange: (open: boolean) => void }) {
  return (
    <Sheet open onOpenChange={onOpenChange} title="Keys">
      <div className="columns-2 gap-8">
        {GROUPS.map(({ name, keys }) => (
          <section key={name} className="mb-4 break-inside-avoid">
            <h3 className="mb-1 border-b pb-1 font-semibold">{name}</h3>
            <dl>
              {keys.map(([names, does]) => (
                <div key={does} className="flex items-baseline gap-3 py-0.5">
                  <dt className="flex w-20 shrink-0 gap-1">
                    {names.map((key) => (
                      <Key key={key}>{key}</Key>
                    ))}
                  </dt>
                  <dd className="text-soft">{does}</dd>
                </div>
              ))}
            </dl>
          </section>
        ))}
      </div>
    </Sheet>
  );
}
