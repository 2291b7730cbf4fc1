import { readCode as readEveryWay } from '@/core/codes/readCode';
import type { Maker } from '@/core/releases/release';
import { SCHEMES } from '@/demo/codeSchemes';
import { MAKERS } from '@/demo/makers';
import { listCodeSchemes, listMakers } from '@/desk/releases';
import { FINE, type Options, PROBLEMS, print, UsageError } from '../outcome';
import { withDesk } from '../withDesk';

/** The makers that this desk knows; the demo world's where it knows none. */
function chosen(known: Maker[], name: string | undefined): Maker[] {
  const makers = known.length > 0 ? known : MAKERS;
  if (!name) return makers;
  const wanted = makers.filter((maker) => maker.name.toLowerCase() === name.toLowerCase() || maker.id === name);
  if (wanted.length === 0)
    throw new UsageError(`No maker is called “${name}”; known are ${makers.map((maker) => maker.name).join(', ')}.`);
  return wanted;
}

export async function readCode(text: string, { maker }: Options): Promise<number> {
  const kept = await withDesk(async (desk) => ({
    makers: await listMakers(desk),
    schemes: await listCodeSchemes(desk),
  }));
  const makers = chosen(kept.makers, maker);
  const schemes = (kept.schemes.length > 0 ? kept.schemes : SCHEMES).filter((scheme) =>
    makers.some(({ id }) => id === scheme.maker),
  );
  const readings = readEveryWay(text, makers, schemes, new Date().toISOString().slice(0, 10));
  print({ text, readings });
  return readings.some(({ problems }) => problems.length === 0) ? FINE : PROBLEMS;
}
