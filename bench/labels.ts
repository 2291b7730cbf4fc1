import { checkScheme } from '@/core/codes/schemes/checkScheme';
import type { CodeScheme, Segment } from '@/core/codes/schemes/codeScheme';
import { splitLabel } from '@/core/crossread/label/splitLabel';
import { readFact } from '@/core/crossread/readFact';
import { MAKERS } from '@/demo/makers';
import { labelContext } from '@/demo/testing/labels';
import { layoutsOf, scoreLayouts } from '@/demo/testing/layouts';
import { bar } from './bar';

/** A scheme that may be saved and can be cut in as many ways as that allows. */
function worstScheme(fact: CodeScheme['fact'], i: number): CodeScheme {
  const free = (k: number): Segment => ({ name: `part ${k}`, type: 'either', min: 1, max: 12 });
  return {
    id: `worst-${fact}-${i}`,
    maker: MAKERS[0]?.id ?? '',
    name: `Worst ${i}`,
    fact,
    from: null,
    until: null,
    segments: [free(0), free(1), free(2), free(3), { name: 'check', type: 'check', method: 'mod37-36' }],
    examples: [{ code: 'ABCDT', day: null }],
    source: 'bench',
  };
}

/** Labels that the code was and was not tuned on, and how long the worst text takes under the worst schemes. */
export function benchLabels(): void {
  console.log('\nLabels pasted whole');
  for (const [name, file] of [
    ['tuned on', 'layouts.txt'],
    ['held out', 'heldOutLayouts.txt'],
  ] as const) {
    const layouts = layoutsOf(file);
    const { facts, right, wrong } = scoreLayouts(layouts);
    bar(`  ${layouts.length} layouts ${name}, ${facts} facts: share right`, right / facts, 0.97, 'at least');
    bar(`  ${layouts.length} layouts ${name}: facts in a wrong field`, wrong.length, 0, 'at most');
  }
  const schemes = (['serial', 'batchCode', 'dateCode', 'unitNumber', 'securityCode'] as const).flatMap((fact) =>
    [0, 1, 2, 3].map((i) => worstScheme(fact, i)),
  );
  console.log(
    `  (the worst schemes may be saved: ${schemes.every((scheme) => checkScheme(scheme).length === 0 || scheme.examples.length > 0)})`,
  );
  const context = { ...labelContext({}), schemes };
  const text = Array.from({ length: 40 }, (_, i) => `S0B1${i}Z8G6I5S0 ${'O1L'.repeat(8)} ${'8B'.repeat(10)}X${i}`).join(
    '\n',
  );
  const once = () => {
    const start = performance.now();
    const { left } = splitLabel(text, 'innerLabel', context);
    for (const line of left.slice(0, 2)) readFact('serial', line, context);
    return performance.now() - start;
  };
  once();
  const times = Array.from({ length: 7 }, once).sort((a, b) => a - b);
  bar('  40 lines under 20 of the worst schemes, median', times[3] as number, 100, 'at most', 'ms');
}
