'use client';
import { useState } from 'react';
import { v4 as newUuid } from 'uuid';
import { formatShare } from '@/core/judgement/decide';
import { cameOut, shareOf, withFindings } from '@/core/judgement/evidence';
import type { PictureWorth } from '@/core/judgement/picturesWorth';
import { useCaseBook, useStanding } from '../casebook/CaseBook';
import { Button } from '../controls/Button';
import { useMay } from '../people/Me';
import { AskText } from './AskText';
import { RequestLine } from './RequestLine';
import type { PicturesAhead } from './usePicturesAhead';
import { useSamePictures } from './useSamePictures';

/** A picture that takes away less of the doubt than this is not worth asking a person for. */
const LEAST_SHARE = 0.03;

/** The pictures worth asking for, the text that asks for them, and what became of those that were asked for. */
export function RequestsPart({ ahead: { worth, evidence } }: { ahead: PicturesAhead }) {
  const { file, record } = useCaseBook();
  const { assessment } = useStanding();
  const closed = file.seal !== null || file.closed !== null;
  const may = useMay()('pictureAsked') && !closed;
  const same = useSamePictures(file.photos.length);
  const asked = new Set(file.requests.map(({ name }) => name));
  const toAsk = worth.filter(({ view }) => !asked.has(view.name));
  const [left, setLeft] = useState<Record<string, boolean>>({});
  const ticked = (each: PictureWorth) => left[each.view.id] ?? each.share >= LEAST_SHARE;
  const chosen = toAsk.filter(ticked);
  const ask = () => {
    for (const { view, gains } of chosen)
      record('pictureAsked', {
        request: newUuid(),
        name: view.name,
        how: view.how,
        checks: gains.slice(0, 40).map(({ finding }) => finding.check.id),
      });
  };
  const inHand = assessment.findings.filter(({ check, at }) => check.inHand && !at);
  const best = shareOf(
    withFindings(
      evidence,
      worth.flatMap(({ gains }) => gains.map(({ finding }) => cameOut(finding, 'agrees'))),
    ),
  );
  const texts = file.requests.filter(({ state }) => state !== 'usable' && state !== 'refused');
  return (
    <section aria-label="Pictures to ask for" className="col-span-full">
      <h2 className="border-b pb-1 text-[15px] font-semibold">Pictures to ask the seller for</h2>
      <div className="grid grid-cols-[minmax(0,1.35fr)_minmax(0,1fr)] gap-8 max-md:grid-cols-1">
        <div className="min-w-0">
          {file.requests.map((each) => (
            <RequestLine
              key={each.request}
              request={each}
              same={each.sha256 ? same[each.sha256] : undefined}
              may={may}
            />
          ))}
          {toAsk.length > 0 && (
            <p className="mt-3 text-[13px] text-soft">
              {file.requests.length > 0 ? 'Further ones, the' : 'The'} most telling first; the figure is the share of
              the doubt that one is expected to take away.
            </p>
          )}
          <ul>
            {toAsk.map((each) => (
              <li key={each.view.id} className="border-b py-1.5">
                <label className="grid grid-cols-[20px_minmax(0,1fr)_4rem] items-start gap-2">
                  <input
                    type="checkbox"
                    className="mt-1 size-4 accent-(--accent)"
                    disabled={!may}
                    checked={ticked(each)}
                    onChange={({ target }) => setLeft({ ...left, [each.view.id]: target.checked })}
                  />
                  <span>
                    <strong className="font-semibold">{each.view.name}</strong>
                    <span className="text-soft">
                      {' '}
                      · {each.gains.length} {each.gains.length === 1 ? 'check' : 'checks'}:{' '}
                      {each.gains
                        .slice(0, 4)
                        .map(({ finding }) => finding.check.name.toLowerCase())
                        .join(', ')}
                      {each.gains.length > 4 ? ' …' : ''}
                    </span>
                    <span className="block text-[13px] text-soft">{each.view.how}</span>
                  </span>
                  <span className="text-right font-mono">{formatShare(each.share)}</span>
                </label>
              </li>
            ))}
          </ul>
          {toAsk.length > 0 && (
            <Button className="mt-3" look="act" disabled={!may || chosen.length === 0} onClick={ask}>
              {chosen.length === 1 ? 'Ask for this one' : `Ask for these ${chosen.length}`}
            </Button>
          )}
          {toAsk.length === 0 && file.requests.length === 0 && (
            <p className="py-3 text-soft">No picture is left that could tell anything.</p>
          )}
        </div>
        <div className="min-w-0">
          <AskText requests={texts.length > 0 ? texts : chosen.map(({ view }) => view)} />
          <p className="mt-4 text-[13px] text-soft">
            {inHand.length} {inHand.length === 1 ? 'check wants' : 'checks want'} the item in hand
            {inHand.length > 0
              ? `: ${inHand
                  .slice(0, 5)
                  .map(({ check }) => check.name.toLowerCase())
                  .join(', ')}${inHand.length > 5 ? ' and others' : ''}`
              : ''}
            . If every picture agreed, it would stand at {formatShare(best)}; by pictures alone a verdict is never more
            than “no objection”.
          </p>
        </div>
      </div>
    </section>
  );
}
