import type { KeptScale, Spot } from '@/core/casefile/events/photoScaled';
import { type CardSearch, findBenchCard } from '@/core/imaging/findBenchCard';
import type { Picture } from '@/core/imaging/grey';
import { instrumentOf } from '@/core/instruments';
import type { NoReading, Reading } from '@/core/instruments/instrument';
import { type Boxed, compareOutlines, type OutlineReading } from '@/core/instruments/outline';
import { perUnit, planeIn, pointsAt, spotsOf } from '@/core/instruments/scaleIn';
import type { Eyes } from '@/core/labels/eyes';
import { type Homography, inverseOf, mapped, rectangle } from '@/core/measure/homography';
import { mostLikely, planeOf } from '@/core/measure/plane';

/** A bench card in a picture: its outline there. */
export interface SeenCard {
  card: string;
  name: string;
  outline: Spot[];
}

/** A picture as it can be measured. */
export interface Measurable {
  width: number;
  height: number;
  /** The card that lies in it; null where none does, or none that can be used. */
  card: SeenCard | null;
  /** Why a card that is there cannot be used; empty where there is none. */
  problem: string;
}

/** What a scale comes to: px on a mm in the middle of the picture, and the map from its px to mm. */
export type ScaleSays = { perMm: number; toMm: Homography; remarks: string[] } | NoReading;

/** A box on a picture, by two corners. */
export interface BoxOn {
  sha256: string;
  spots: Spot[];
  scale: KeptScale | null;
}

/** A reading with its points as they are kept. */
export type SpotReading = (Omit<Reading, 'points'> & { spots: Spot[] }) | NoReading;

/** Pictures held at once: the two that are compared, and one that comes or goes. */
const MOST_HELD = 3;

interface Held {
  picture: Picture;
  search: CardSearch;
}

/**
 * Measures on pictures, which it holds while they are looked at.
 *
 * @param fetched the pixels of a photograph by its hash
 */
export function measureWork(fetched: (sha256: string) => Promise<Picture>, symbols: Eyes['symbols']) {
  const held = new Map<string, Promise<Held>>();
  const hold = (sha256: string): Promise<Held> => {
    const known = held.get(sha256);
    const own =
      known ??
      fetched(sha256).then(async (picture) => ({ picture, search: findBenchCard(picture, await symbols(picture)) }));
    // The one that was looked at last goes last.
    held.delete(sha256);
    held.set(sha256, own);
    own.catch(() => held.delete(sha256));
    for (const oldest of held.keys()) if (held.size > MOST_HELD) held.delete(oldest);
    return own;
  };
  return {
    open: async (sha256: string): Promise<Measurable> => {
      const { picture, search } = await hold(sha256);
      const { width, height } = picture;
      if (search.problem !== undefined)
        return { width, height, card: null, problem: search.none ? '' : search.problem };
      const { card, scale } = search.found;
      const map = mostLikely(planeOf(scale, picture));
      const back = map && inverseOf(map);
      const outline = back ? rectangle(0, 0, card.width, card.height).map((corner) => mapped(back, corner)) : [];
      return {
        width,
        height,
        card: { card: card.id, name: card.name, outline: spotsOf(outline, picture) },
        problem: '',
      };
    },
    scale: async (sha256: string, kept: KeptScale): Promise<ScaleSays> => {
      const { picture, search } = await hold(sha256);
      const found = planeIn(picture, kept, search);
      if ('problem' in found) return found;
      const perMm = perUnit(found.plane);
      const toMm = mostLikely(found.plane);
      return toMm && Number.isFinite(perMm)
        ? { perMm, toMm, remarks: found.remarks }
        : { problem: 'That scale does not fit the picture.' };
    },
    read: async (
      sha256: string,
      { instrument: id, spots, scale }: { instrument: string; spots: Spot[]; scale: KeptScale | null },
    ): Promise<SpotReading> => {
      const instrument = instrumentOf(id);
      if (!instrument) return { problem: `There is no instrument “${id}”.` };
      const { picture, search } = await hold(sha256);
      const found = planeIn(picture, scale, search);
      if ('problem' in found) return found;
      const reading = instrument.read(picture, found.plane, pointsAt(spots, picture), search.found ?? null);
      if ('problem' in reading) return reading;
      const { points, remarks, ...said } = reading;
      return { ...said, spots: spotsOf(points, picture), remarks: [...remarks, ...found.remarks] };
    },
    /** Hold the shape in a box of one picture against that in a box of another. */
    outline: async (own: BoxOn, other: BoxOn): Promise<PairReading> => {
      const shapes: Boxed[] = [];
      for (const { sha256, spots, scale } of [own, other]) {
        const { picture, search } = await hold(sha256);
        const found = planeIn(picture, scale, search);
        if ('problem' in found) return found;
        const [a, b] = pointsAt(spots, picture);
        if (!a || !b) return { problem: 'A box has two corners.' };
        shapes.push({ picture, plane: found.plane, box: [a, b] });
      }
      const [left, right] = shapes as [Boxed, Boxed];
      const reading = compareOutlines(left, right);
      if ('problem' in reading) return reading;
      const { own: mine, other: theirs, ...said } = reading;
      const kept = ({ outline, at }: typeof mine, { picture }: Boxed) => ({
        outline: spotsOf(outline, picture),
        at: spotsOf([at], picture)[0] as Spot,
      });
      return { ...said, traced: { left: kept(mine, left), right: kept(theirs, right) } };
    },
  };
}

/** Two outlines held against each other, each on its own picture, in shares of it. */
export type PairReading =
  | (Omit<OutlineReading, 'own' | 'other'> & { traced: Record<'left' | 'right', { outline: Spot[]; at: Spot }> })
  | NoReading;

export type MeasureWork = ReturnType<typeof measureWork>;
