import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { splitLabel } from '@/core/crossread/label/splitLabel';
import { readFact } from '@/core/crossread/readFact';
import { wordsKey } from '@/core/crossread/words';
import { labelContext } from './labels';

const NAMES = new Set(['model', 'colourName', 'materials']);

/** A label as it was pasted, with what is printed on it. */
export interface Layout {
  id: string;
  release: string;
  size: string;
  place: string;
  text: string;
  facts: Record<string, string>;
}

/** Layouts of a file: a head line, then the label with each fact as `{fact|as printed}`. */
export function layoutsOf(file: string): Layout[] {
  const whole = readFileSync(join(process.cwd(), 'src/core/crossread/label', file), 'utf8');
  return whole
    .split(/^=== /m)
    .slice(1)
    .map((block) => {
      const [head = '', ...lines] = block.trimEnd().split('\n');
      const [id = '', release = '', ...rest] = head.split(' ');
      const place = rest.pop() as string;
      const marked = lines.join('\n');
      const facts = Object.fromEntries(
        [...marked.matchAll(/\{([^|{}]+)\|([^{}]*)\}/g)].map(([, fact, raw]) => [fact, raw]),
      );
      return { id, release, size: rest.join(' '), place, text: marked.replace(/\{[^|{}]+\|([^{}]*)\}/g, '$1'), facts };
    });
}

/** What came out right, in no field, and in a wrong one. */
export function scoreLayouts(layouts: Layout[]) {
  const missed: string[] = [];
  const wrong: string[] = [];
  let facts = 0;
  for (const { id, release, size, place, text, facts: expected } of layouts) {
    const context = labelContext({}, size, release);
    const found = Object.fromEntries(splitLabel(text, place, context).placed.map(({ fact, raw }) => [fact, raw]));
    // A name is right where it is cut from its label as it stands; what may stand beside one is the reader's matter.
    const normal = (fact: string, raw: string) =>
      NAMES.has(fact)
        ? wordsKey(raw)
        : (readFact(fact, raw, context, place).reading?.normal ?? raw.toUpperCase().replace(/\s/g, ''));
    for (const [fact, raw] of Object.entries(expected)) {
      facts++;
      if (found[fact] === undefined) missed.push(`${id} ${fact} “${raw}”`);
      else if (normal(fact, found[fact]) !== normal(fact, raw))
        wrong.push(`${id} ${fact} “${found[fact]}” for “${raw}”`);
    }
    for (const [fact, raw] of Object.entries(found))
      if (!(fact in expected)) wrong.push(`${id} ${fact} “${raw}” for nothing`);
  }
  return {
    facts,
    missed,
    wrong,
    right: facts - missed.length - wrong.filter((each) => !each.endsWith('for nothing')).length,
  };
}
