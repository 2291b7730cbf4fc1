import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { labelContext } from '@/demo/testing/labels';
import { readFact } from '../readFact';
import { splitLabel } from './splitLabel';

interface Layout {
  id: string;
  release: string;
  size: string;
  place: string;
  text: string;
  facts: Record<string, string>;
}

/** Layouts of a file: a head line, then the label with each fact as `{fact|as printed}`. */
function layoutsOf(file: string): Layout[] {
  const whole = readFileSync(new URL(file, import.meta.url), 'utf8');
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
function score(layouts: Layout[]) {
  const missed: string[] = [];
  const wrong: string[] = [];
  let facts = 0;
  for (const { id, release, size, place, text, facts: expected } of layouts) {
    const context = labelContext({}, size, release);
    const found = Object.fromEntries(splitLabel(text, place, context).placed.map(({ fact, raw }) => [fact, raw]));
    const normal = (fact: string, raw: string) =>
      readFact(fact, raw, context, place).reading?.normal ?? raw.toUpperCase().replace(/\s/g, '');
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

describe('label layouts', () => {
  it.each([
    ['./layouts.txt', 0.97],
    ['./heldOutLayouts.txt', 0.97],
  ])('%s: almost all facts come out, and none in a wrong field', (file, bar) => {
    const { facts, missed, wrong, right } = score(layoutsOf(file));
    expect(wrong).toEqual([]);
    expect([right / facts >= bar, missed]).toEqual([true, expect.anything()]);
  });
});
