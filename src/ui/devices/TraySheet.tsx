'use client';
import { useEffect, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import type { CaseFile } from '@/core/casefile/caseFile';
import { readEpc } from '@/core/codes/epc';
import { readTid } from '@/core/codes/tid';
import { factName } from '@/core/crossread/facts';
import { MOST_TAGS, NOTHING_HEARD, type Tag, type TagRead, whereTagsLie, withRound } from '@/core/devices/inventory';
import { type TrayFact, traySays } from '@/core/devices/traySays';
import type { Grounds } from '@/core/judgement/grounds';
import { Button, Key } from '../controls/Button';
import { SheetFrame } from '../controls/SheetFrame';
import { StandInPanel } from './StandInPanel';
import { useBench } from './useBench';
import { useDeviceStream } from './useDeviceStream';

/** What is entered of a tray. */
export interface TrayEntry extends Omit<TrayFact, 'state'> {
  state: 'read' | 'absent' | 'illegible';
}

/** Without a tag, a person says what is to be seen against a lamp. */
const SILENT: { key: string; label: string; state: 'absent' | 'illegible' }[] = [
  { key: '1', label: 'Paper alone, no chip', state: 'absent' },
  { key: '2', label: 'A chip that does not answer', state: 'illegible' },
];

/** The tags on the tray: heard until no new one answers, then entered by one key. */
export function TraySheet({
  number,
  file,
  grounds,
  place,
  onKeep,
  onClose,
}: {
  number: string;
  file: CaseFile;
  grounds: Grounds;
  place: string;
  onKeep: (entries: TrayEntry[]) => void;
  onClose: () => void;
}) {
  const { bench, trouble, tell } = useBench();
  const [inventory, setInventory] = useState(NOTHING_HEARD);
  const [ended, setEnded] = useState<string | null>(null);
  const [turn, setTurn] = useState(0);
  const [ready, setReady] = useState(false);
  const tray = bench?.tray;
  const claimed = grounds.release?.sizes.find(({ key }) => key === file.sizeKey)?.gtin;
  const says = traySays(inventory, ended !== null, claimed ? claimed.padStart(14, '0') : null);
  // A kind that was laid out before such facts were known does not print them.
  const prints = grounds.kind.places.find(({ id }) => id === place)?.facts ?? [];
  const facts = says.facts.filter(({ fact }) => prints.includes(fact));
  const over = says.done || inventory.tags.length > MOST_TAGS || ended !== null;
  useDeviceStream<TagRead[]>(
    ready && !over ? `/api/devices/tray?turn=${turn}` : null,
    (reads) => setInventory((before) => withRound(before, reads)),
    setEnded,
  );
  const again = () => {
    setInventory(NOTHING_HEARD);
    setEnded(null);
    setTurn((before) => before + 1);
  };
  // The stand-in takes the place of this item, whatever lay on it before.
  const laid = tray && (tray.standIn?.laid ?? '');
  // biome-ignore lint/correctness/useExhaustiveDependencies: once the tray is known
  useEffect(() => {
    if (laid === '') setReady(true);
    else if (laid) void tell('tray', { number, lay: laid }).then(setReady);
  }, [laid !== undefined && laid !== null]);
  const lay = async (choice: string) => {
    if (await tell('tray', { number, lay: choice })) again();
  };
  const keep = () => says.done && facts.length > 0 && onKeep(facts);
  const silent = says.done && says.facts.length === 0;
  useHotkeys('r', again);
  useHotkeys('enter', keep, { preventDefault: true });
  useHotkeys('1,2', ({ key }) => {
    const said = SILENT.find((each) => each.key === key);
    if (silent && said) onKeep([{ fact: 'epc', state: said.state, raw: '' }]);
  });
  const { here, beside } = whereTagsLie(inventory);
  return (
    <SheetFrame onOpenChange={onClose} title="Read the tray">
      {trouble && (
        <p role="alert" className="mb-2 text-differs">
          {trouble}
        </p>
      )}
      {bench && !tray && (
        <p>
          No RFID tray is connected to this desk. Until one is, type or scan what a reader shows into “EPC memory” on
          this page.
        </p>
      )}
      {tray && (
        <>
          {tray.standIn && <StandInPanel standIn={tray.standIn} onLay={(choice) => void lay(choice)} />}
          <p role="status" className="mb-3 text-[16px]">
            {ended || says.sentence}
          </p>
          {inventory.tags.length <= MOST_TAGS && (
            <ul className="grid gap-2">
              {[...here, ...beside].map((tag) => (
                <TagLine
                  key={`${tag.epc}/${tag.tid ?? ''}`}
                  tag={tag}
                  grounds={grounds}
                  rounds={inventory.rounds}
                  beside={beside.includes(tag)}
                />
              ))}
            </ul>
          )}
          {says.notes.map((note) => (
            <p key={note} className="mt-2 text-doubt">
              {note}
            </p>
          ))}
          {facts.length > 0 && (
            <dl className="mt-3 grid grid-cols-[9rem_minmax(0,1fr)] gap-x-3 gap-y-1 border-t pt-3">
              {facts.map(({ fact, state, raw }) => {
                const kept = file.facts[place]?.[fact];
                const text = state === 'absent' ? 'none' : raw;
                const was = kept && (kept.state === 'read' ? kept.raw : 'none');
                const name = factName(fact, null);
                return (
                  <div key={fact} className="contents">
                    <dt className="text-soft">{name.charAt(0).toUpperCase() + name.slice(1)}</dt>
                    <dd className="min-w-0 break-all font-mono">
                      {text}
                      {was && was !== text && <span className="block text-doubt">instead of {was}</span>}
                    </dd>
                  </div>
                );
              })}
            </dl>
          )}
          <p className="mt-4 flex flex-wrap gap-2">
            {facts.length > 0 && (
              <Button look="act" onClick={keep}>
                Keep <Key>Enter</Key>
              </Button>
            )}
            {silent &&
              SILENT.map(({ key, label, state }) => (
                <Button key={key} onClick={() => onKeep([{ fact: 'epc', state, raw: '' }])}>
                  <Key>{key}</Key> {label}
                </Button>
              ))}
            <Button onClick={again}>
              Read again <Key>r</Key>
            </Button>
          </p>
        </>
      )}
    </SheetFrame>
  );
}

/** What an EPC stands for, in a few words. */
function namedBy(epc: string, { release }: Grounds): string {
  const { reading, failure } = readEpc(epc);
  if (failure) return failure.sentence;
  const size = release?.sizes.find(({ gtin }) => gtin && gtin.padStart(14, '0') === reading.gtin14);
  return size ? `${release?.name}, size ${size.key}` : `${reading.gtin14}, another product than this`;
}

/** One tag: what it names, which chip it is, how well it was heard. */
function TagLine({ tag, grounds, rounds, beside }: { tag: Tag; grounds: Grounds; rounds: number; beside: boolean }) {
  const chip = tag.tid ? readTid(tag.tid).reading : undefined;
  return (
    <li className={`grid grid-cols-[minmax(0,1fr)_auto] gap-x-3 ${beside ? 'text-soft' : ''}`}>
      <span className="font-mono">{tag.epc}</span>
      <span className="text-right text-[13px] text-soft">
        {tag.rssi} dBm, {tag.heard} of {rounds} rounds
      </span>
      <span className="col-span-full text-[13px]">
        {namedBy(tag.epc, grounds)}
        {chip?.serial && <span className="text-soft">; chip {chip.serial}</span>}
        {beside && '; weak, perhaps beside the tray'}
      </span>
    </li>
  );
}
