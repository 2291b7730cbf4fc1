import { randomInt, randomLcg } from 'd3-random';
import { fitVariants, type Observation, type Variant } from '@/core/releases/variantFit';
import { line, time } from './stopwatch';

const VARIANTS = 60;
const TRAITS = 40;
const BAR_MS = 5;

/** 60 made-up variants by 40 traits, every trait observed: items that are whole, mixed of two, and random. */
export async function benchChains(): Promise<void> {
  const random = randomLcg(0.618);
  const pick = (below: number) => randomInt.source(random)(below)();
  const states = (trait: number) => 2 + (trait % 4);
  const variants = Array.from({ length: VARIANTS }, (_, v): Variant => {
    const traits = Array.from({ length: TRAITS }, (_, t) => [`t${t}`, [`s${pick(states(t))}`]]);
    return { id: `v${v}`, name: `Variant ${v}`, traits: Object.fromEntries(traits) };
  });
  const see = (t: number, state: string): Observation => ({ trait: `t${t}`, state, label: `trait ${t} ${state}` });
  const of = (v: number, t: number) => variants[v % VARIANTS]?.traits[`t${t}`]?.[0] ?? '';
  const items: [string, (run: number) => Observation[]][] = [
    ['whole', (run) => Array.from({ length: TRAITS }, (_, t) => see(t, of(run, t)))],
    ['mixed of two variants', (run) => Array.from({ length: TRAITS }, (_, t) => see(t, of(run + (t % 2), t)))],
    ['random', () => Array.from({ length: TRAITS }, (_, t) => see(t, `s${pick(states(t))}`))],
  ];
  console.log(`\nChains, ${VARIANTS} variants by ${TRAITS} traits; bar ${BAR_MS} ms`);
  for (const [name, item] of items) {
    let mends = 0;
    const times = await time((run) => {
      mends += fitVariants(variants, item(run)).mends.length;
    });
    line(`  ${name}`, times, `${(times.p95 / BAR_MS).toFixed(2)} of the bar, ${mends} smallest mending sets`);
  }
}
