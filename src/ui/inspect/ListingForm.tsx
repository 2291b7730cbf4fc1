'use client';
import { type FormEvent, useState } from 'react';
import { useCaseBook, useStanding } from '../casebook/CaseBook';
import { Button } from '../controls/Button';
import { TextField } from '../controls/TextField';

const PLACE = 'listing';
const FIELDS = [
  { fact: 'priceAsked', label: 'Price asked', example: 'EUR 90.00' },
  { fact: 'boughtOn', label: 'Bought, the seller says', example: '2025-06-14' },
  { fact: 'sellerSays', label: 'What else the seller says', example: 'worn twice, a gift' },
] as const;

/** What the listing says, in a few fields; they are the same facts that stand in Codes. */
export function ListingForm() {
  const { file, grounds, record } = useCaseBook();
  const { assessment } = useStanding();
  const kept = file.facts[PLACE] ?? {};
  const [texts, setTexts] = useState<Record<string, string>>({});
  const prints = grounds.kind.places.find(({ id }) => id === PLACE)?.facts ?? [];
  const textOf = (fact: string) => texts[fact] ?? kept[fact]?.raw ?? '';
  const keep = (event: FormEvent) => {
    event.preventDefault();
    for (const { fact } of FIELDS) {
      const raw = (texts[fact] ?? '').trim().slice(0, 400);
      if (raw !== '' && raw !== kept[fact]?.raw)
        record('factRead', { place: PLACE, fact, state: 'read', raw, via: 'typed' });
      else if (texts[fact] !== undefined && raw === '' && kept[fact]) record('factWithdrawn', { place: PLACE, fact });
    }
    setTexts({});
  };
  const problems = FIELDS.flatMap(({ fact }) => {
    const cell = assessment.reading.rows.find((row) => row.fact.id === fact)?.cells[PLACE];
    return cell?.entry && cell.reading === null ? [cell.note] : (cell?.problems.map(({ sentence }) => sentence) ?? []);
  });
  return (
    <form onSubmit={keep} className="mb-4 flex flex-wrap items-end gap-3 border-b pb-4">
      {FIELDS.filter(({ fact }) => prints.includes(fact)).map(({ fact, label, example }) => (
        <TextField
          key={fact}
          label={label}
          placeholder={example}
          readOnly={file.seal !== null}
          wide={fact === 'sellerSays'}
          className={fact === 'sellerSays' ? '' : 'w-40 font-mono'}
          value={textOf(fact)}
          onChange={({ target }) => setTexts({ ...texts, [fact]: target.value })}
        />
      ))}
      {!file.seal && (
        <Button type="submit" disabled={Object.keys(texts).length === 0}>
          Keep
        </Button>
      )}
      {problems.map((sentence) => (
        <p key={sentence} role="alert" className="w-full text-differs">
          {sentence}
        </p>
      ))}
    </form>
  );
}
