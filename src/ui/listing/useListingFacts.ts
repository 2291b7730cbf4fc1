import { useState } from 'react';
import { useCaseBook, useStanding } from '../casebook/CaseBook';
import { LISTING } from './listingFields';

const MOST = 400;

/** The fields of the listing: what is kept, what is being written, and what cannot be read of it. */
export function useListingFacts() {
  const { file, record } = useCaseBook();
  const { assessment } = useStanding();
  const kept = file.facts[LISTING] ?? {};
  const [texts, setTexts] = useState<Record<string, string>>({});
  const textOf = (fact: string) => texts[fact] ?? (kept[fact]?.state === 'read' ? kept[fact].raw : '');
  const write = (fact: string, text: string) => setTexts((before) => ({ ...before, [fact]: text }));
  const keep = (fact: string) => {
    const text = texts[fact];
    if (text === undefined) return;
    const raw = text.trim().slice(0, MOST);
    if (raw !== '' && raw !== kept[fact]?.raw)
      record('factRead', { place: LISTING, fact, state: 'read', raw, via: 'typed' });
    else if (raw === '' && kept[fact]) record('factWithdrawn', { place: LISTING, fact });
    setTexts(({ [fact]: _, ...rest }) => rest);
  };
  const drop = (fact: string) => setTexts(({ [fact]: _, ...rest }) => rest);
  /** How the field was read, and whether that is a complaint. */
  const readingOf = (fact: string): { said: string; wrong: boolean } | null => {
    const cell = assessment.reading.rows.find((row) => row.fact.id === fact)?.cells[LISTING];
    if (!cell?.entry || texts[fact] !== undefined) return null;
    if (cell.reading === null) return { said: cell.note, wrong: true };
    const problem = cell.problems[0];
    if (problem) return { said: problem.sentence, wrong: true };
    return cell.reading.says ? { said: cell.reading.says, wrong: false } : null;
  };
  return { kept, textOf, write, keep, drop, readingOf };
}
