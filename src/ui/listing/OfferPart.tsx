'use client';
import { useRef, useState } from 'react';
import { type MessageFact, readMessage } from '@/core/listing/readMessage';
import { useCaseBook } from '../casebook/CaseBook';
import { Button, Key } from '../controls/Button';
import { TextField } from '../controls/TextField';
import { useKeys } from '../controls/useKeys';
import { useMay } from '../people/Me';
import { ListingFindings } from './ListingFindings';
import { FIELDS, LISTING, SAYS } from './listingFields';
import { MessageSheet } from './MessageSheet';
import { useListingFacts } from './useListingFacts';

/** What the seller says: from a message at once, or field by field; and what follows from it. */
export function OfferPart({ today }: { today: string }) {
  const { file, grounds, record } = useCaseBook();
  const closed = file.seal !== null || file.closed !== null;
  const may = useMay()('factRead') && !closed;
  const prints: string[] = grounds.kind.places.find(({ id }) => id === LISTING)?.facts ?? [];
  const fields = useListingFacts();
  const [reading, setReading] = useState(false);
  const first = useRef<HTMLInputElement>(null);
  useKeys('p', () => may && setReading(true), { preventDefault: true });
  useKeys('w', () => first.current?.focus(), { preventDefault: true });
  const take = (facts: MessageFact[]) => {
    for (const { fact, raw } of facts) record('factRead', { place: LISTING, fact, state: 'read', raw, via: 'pasted' });
    setReading(false);
  };
  const shown = FIELDS.filter(({ fact }) => prints.includes(fact));
  return (
    <section aria-label="What the seller says">
      <div className="mb-2 flex min-h-10 items-center justify-between border-b">
        <h2 className="text-[15px] font-semibold">
          What the seller says <Key>w</Key>
        </h2>
        <Button look="quiet" disabled={!may} onClick={() => setReading(true)}>
          Read a message <Key>p</Key>
        </Button>
      </div>
      <div className="grid grid-cols-2 gap-x-3 gap-y-2">
        {shown.map(({ fact, label, example, mono }, i) => {
          const said = fields.readingOf(fact);
          return (
            <div key={fact} className="min-w-0">
              <TextField
                ref={i === 0 ? first : undefined}
                label={label}
                placeholder={example}
                readOnly={!may}
                maxLength={400}
                className={mono ? 'font-mono' : ''}
                value={fields.textOf(fact)}
                onChange={({ target }) => fields.write(fact, target.value)}
                onBlur={() => fields.keep(fact)}
                onKeyDown={(event) => {
                  if (event.key === 'Enter') fields.keep(fact);
                  if (event.key === 'Escape') {
                    fields.drop(fact);
                    event.currentTarget.blur();
                  }
                }}
              />
              {said && (
                <p
                  role={said.wrong ? 'alert' : undefined}
                  className={`text-[13px] ${said.wrong ? 'text-differs' : 'text-soft'}`}
                >
                  {said.said}
                </p>
              )}
            </div>
          );
        })}
        {prints.includes(SAYS) && (
          <div className="col-span-full">
            <TextField
              label="What else the seller says"
              placeholder="worn twice, a gift"
              readOnly={!may}
              maxLength={400}
              value={fields.textOf(SAYS)}
              onChange={({ target }) => fields.write(SAYS, target.value)}
              onBlur={() => fields.keep(SAYS)}
              onKeyDown={(event) => event.key === 'Enter' && fields.keep(SAYS)}
            />
          </div>
        )}
      </div>
      <ListingFindings />
      {reading && (
        <MessageSheet
          read={(text) => readMessage(text, today).filter(({ fact }) => prints.includes(fact))}
          kept={(fact) => fields.kept[fact]?.raw ?? null}
          onTake={take}
          onClose={() => setReading(false)}
        />
      )}
    </section>
  );
}
