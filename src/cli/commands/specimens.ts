import { mkdir, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { anyItem } from '@/demo/specimens/anyItem';
import { seenBox } from '@/demo/specimens/camera';
import { SPECIMEN_KINDS } from '@/demo/specimens/kinds';
import { photograph } from '@/demo/specimens/photograph';
import { handheldShot, SHOT_FAULTS } from '@/demo/specimens/shot';
import { makeSpecimen, seeded } from '@/demo/specimens/specimenKind';
import { FINE, type Options, print, UsageError } from '../outcome';

const known = (ids: string[]): string => ids.join(', ');

/** Photograph one specimen of each kind, or of one, and write beside each picture what is true of it. */
export async function specimens(
  folder: string,
  { kind: wanted, seed = '1', fault, shot: how, large }: Options,
): Promise<number> {
  const number = Number(seed);
  if (!Number.isInteger(number) || number < 1) throw new UsageError('A seed is a whole number from 1 on.');
  const kinds = SPECIMEN_KINDS.filter(({ id }) => !wanted || id === wanted);
  if (kinds.length === 0)
    throw new UsageError(`There is no specimen “${wanted}”; there are ${known(SPECIMEN_KINDS.map(({ id }) => id))}.`);
  const shotFault = SHOT_FAULTS.find(({ id }) => id === how);
  if (how && !shotFault)
    throw new UsageError(`No picture is taken “${how}”; there are ${known(SHOT_FAULTS.map(({ id }) => id))}.`);
  if (fault && !kinds.some(({ faults }) => faults.some(({ id }) => id === fault)))
    throw new UsageError(`No such specimen has a fault “${fault}”.`);
  await mkdir(folder, { recursive: true });
  const written: string[] = [];
  for (const kind of kinds) {
    const random = seeded(number / 100_003);
    const { maker, printed } = anyItem(kind.place, random);
    const faults = fault && kind.faults.some(({ id }) => id === fault) ? [fault] : [];
    const specimen = makeSpecimen(kind, { maker, printed, seed: number, faults });
    const held = handheldShot(random);
    const sized = large ? { ...held, width: 4000, height: 3000 } : held;
    const shot = shotFault ? shotFault.alter(sized) : sized;
    const { bytes, camera } = await photograph(specimen, shot, number);
    const name = [kind.id, seed, ...faults, ...(how ? [how] : [])].join('-');
    const { truth } = specimen;
    const seen = <T extends { box: Parameters<typeof seenBox>[1] }>(each: T) => ({
      ...each,
      seen: seenBox(camera, each.box),
    });
    await writeFile(join(folder, `${name}.jpg`), bytes);
    await writeFile(
      join(folder, `${name}.json`),
      `${JSON.stringify({ ...truth, facts: truth.facts.map(seen), codes: truth.codes.map(seen), shot }, null, 2)}\n`,
    );
    written.push(`${name}.jpg`);
  }
  print({ folder, written });
  return FINE;
}
