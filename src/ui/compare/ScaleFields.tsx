import { type FormEvent, useEffect, useRef, useState } from 'react';
import { Button, Key } from '../controls/Button';

const MOST_MM = 10_000;

/** How large what was marked is, in mm; nothing is asked of what has one size. */
export function ScaleFields({ fields, onKeep }: { fields: string[]; onKeep: (mm: number[]) => void }) {
  const [texts, setTexts] = useState<string[]>(fields.map(() => ''));
  const first = useRef<HTMLInputElement>(null);
  useEffect(() => first.current?.focus(), []);
  const figures = texts.map((text) => Number(text.trim().replace(',', '.')));
  const sound = figures.every((figure, i) => texts[i]?.trim() !== '' && figure > 0 && figure <= MOST_MM);
  const keep = (event: FormEvent) => {
    event.preventDefault();
    if (sound) onKeep(figures);
  };
  return (
    <form onSubmit={keep} className="flex flex-wrap items-center gap-3">
      {fields.map((field, i) => (
        <label key={field} className="flex items-center gap-2">
          its {field}
          <input
            ref={i === 0 ? first : undefined}
            inputMode="decimal"
            aria-label={`its ${field} in mm`}
            value={texts[i]}
            onChange={({ target }) => setTexts(texts.map((text, k) => (k === i ? target.value : text)))}
            className="h-9 w-24 border border-line bg-ground px-2 font-mono outline-none focus:border-accent"
          />
          mm
        </label>
      ))}
      <Button type="submit" look="act" autoFocus={fields.length === 0} disabled={!sound}>
        Take it as the scale <Key>Enter</Key>
      </Button>
    </form>
  );
}
