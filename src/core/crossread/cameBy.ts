import type { FactEntry } from '../casefile/caseFile';

const WAYS: Record<FactEntry['via'], string> = {
  typed: 'typed',
  scanned: 'scanned',
  imported: 'from another desk',
  pasted: 'from a pasted text',
  picture: 'from pictures',
  rfid: 'by the tray',
  derived: 'contained in a code that was read',
};

/**
 * How the facts of an item came into its case, as a sentence.
 *
 * @returns empty where nothing was read
 * @example cameBy(file.facts) // 'Of 23 facts entered: 12 from pictures, 8 typed, 3 by the tray.'
 */
export function cameBy(facts: Record<string, Record<string, Pick<FactEntry, 'via'>>>): string {
  const entries = Object.values(facts).flatMap((place) => Object.values(place));
  const counts = new Map<string, number>();
  for (const { via } of entries) counts.set(via, (counts.get(via) ?? 0) + 1);
  if (counts.size === 0) return '';
  const said = [...counts]
    .sort((a, b) => b[1] - a[1])
    .map(([via, count]) => `${count} ${WAYS[via as FactEntry['via']]}`);
  return `Of ${entries.length} ${entries.length === 1 ? 'fact' : 'facts'} entered: ${said.join(', ')}.`;
}
