import { epcOfItem } from '@/core/codes/epcOfItem';
import type { BenchSeen, LaidChoice } from '@/core/devices/benchSeen';
import type { TagRead } from '@/core/devices/inventory';
import { checkProblem, isCheckOfShift, type ScaleCheck, type ScaleReading } from '@/core/devices/weight';
import type { Maker, Release } from '@/core/releases/release';
import { CALIPERS_CHOICES } from '@/devices/standIns/standInCalipers';
import { KNOWN_WEIGHT, SCALE_CHOICES } from '@/devices/standIns/standInScale';
import { TRAY_CHOICES } from '@/devices/standIns/standInTray';
import { readCaseFolder } from '../caseFolder';
import type { Desk } from '../desk';
import { allow, readRoster } from '../people/roster';
import { invalid, Refusal } from '../refusal';
import { listReleases, readRelease } from '../releases';
import { scaleStandIn, trayStandIn } from './bench';

/** The devices of this desk. */
export async function seeBench(desk: Desk): Promise<BenchSeen> {
  const { tray, scale, calipers, scaleCheck } = desk.bench;
  const { shiftHours } = (await readRoster(desk)).body.signIn;
  const laid = (standIn: { laid: string } | null, choices: LaidChoice[]) => standIn && { laid: standIn.laid, choices };
  return {
    tray: tray && { name: tray.name, standIn: laid(trayStandIn(tray), TRAY_CHOICES) },
    scale: scale && {
      name: scale.name,
      kind: scale.kind,
      check: scaleCheck && isCheckOfShift(scaleCheck, desk.now(), shiftHours) ? scaleCheck : null,
      known: KNOWN_WEIGHT,
      standIn: laid(scaleStandIn(scale), SCALE_CHOICES),
    },
    calipers: calipers && CALIPERS_CHOICES,
  };
}

const notThere = (what: string): Refusal =>
  new Refusal('notFound', `No ${what} is connected to this desk. CONTRIBUTING says how one is added.`);

/** Rounds of the tray, until the signal ends them. @throws Refusal where there is none */
export function trayRounds({ bench }: Desk, signal: AbortSignal): AsyncIterable<TagRead[]> {
  if (!bench.tray) throw notThere('RFID tray');
  return bench.tray.rounds(signal);
}

/** What the scale shows, until the signal ends it. @throws Refusal where there is none */
export function scaleReadings({ bench }: Desk, signal: AbortSignal): AsyncIterable<ScaleReading> {
  if (!bench.scale) throw notThere('scale');
  return bench.scale.readings(signal);
}

/**
 * Keep what the scale showed for a known weight: good for this shift.
 *
 * @throws Refusal where it is too far off; then no check is in force
 */
export async function checkScale(
  desk: Desk,
  by: string,
  { known, tolerance, shown }: Pick<ScaleCheck, 'known' | 'tolerance' | 'shown'>,
): Promise<BenchSeen> {
  await allow(desk, by, 'findingRecorded');
  const { scale } = desk.bench;
  if (!scale) throw notThere('scale');
  if (![known, tolerance, shown].every(Number.isFinite) || tolerance < 0)
    throw invalid('A check has the known weight, how far it may be off, and what was shown, all in g.');
  const check = { known, tolerance, shown, at: desk.now(), by };
  const problem = checkProblem(check, scale.kind);
  desk.bench.scaleCheck = problem ? null : check;
  if (problem) throw invalid(problem);
  return seeBench(desk);
}

/** The tag that a piece of a release carries, by its size. */
function epcOf(release: Release | null, maker: Maker | null, size: string | null, serial: number): string | null {
  const gtin = (release?.sizes.find(({ key }) => key === size) ?? release?.sizes[0])?.gtin;
  const prefix = maker?.gtinPrefixes.find((each) => gtin?.startsWith(each));
  return gtin && prefix ? epcOfItem(gtin, prefix, String(serial)) : null;
}

/** The tag of a piece of some other release in the records. */
async function epcOfOther(desk: Desk, id: string | undefined): Promise<string | null> {
  for (const { releaseId } of (await listReleases(desk)).releases.filter((each) => each.releaseId !== id)) {
    const { release, maker } = await readRelease(desk, releaseId);
    const epc = epcOf(release.body, maker?.body ?? null, null, 81_204);
    if (epc) return epc;
  }
  return null;
}

/** A piece of a product that no record knows. */
const UNKNOWN_EPC = '3034257BF400B71B00013D34';
const BASE_SERIAL = 70_000;

/**
 * Choose what lies on the stand-in for a tray, as if the item of a case lay there.
 *
 * @throws Refusal where there is no stand-in, or no such choice
 */
export async function layOnTray(desk: Desk, number: string, choice: string): Promise<BenchSeen> {
  const tray = trayStandIn(desk.bench.tray);
  if (!tray) throw notThere('stand-in for a tray');
  if (!TRAY_CHOICES.some(({ id }) => id === choice)) throw invalid('That cannot be laid on the tray.');
  const { grounds, events } = await readCaseFolder(desk, number);
  const chosen = events.findLast((event) => event.type === 'releaseChosen')?.body.sizeKey ?? null;
  const serial = BASE_SERIAL + Number(number.replace(/\D/g, '').slice(-6));
  const other = (await epcOfOther(desk, grounds.release?.id)) ?? UNKNOWN_EPC;
  tray.lay(choice, { epc: epcOf(grounds.release?.body ?? null, grounds.maker?.body ?? null, chosen, serial), other });
  return seeBench(desk);
}

/**
 * Choose what lies on the stand-in for a scale.
 *
 * @param grams what the item would weigh
 * @throws Refusal where there is no stand-in, or no such choice
 */
export function layOnScale(desk: Desk, choice: string, grams: number): Promise<BenchSeen> {
  const scale = scaleStandIn(desk.bench.scale);
  if (!scale) throw notThere('stand-in for a scale');
  if (!SCALE_CHOICES.some(({ id }) => id === choice)) throw invalid('That cannot be laid on the scale.');
  if (!(grams >= 0 && grams <= 1e6)) throw invalid('A weight is a figure in g.');
  scale.lay(choice, grams);
  return seeBench(desk);
}

/**
 * Press the key of the stand-in for calipers.
 *
 * @param mm what they would measure
 * @returns what they type
 * @throws Refusal where there is no stand-in, or no such choice
 */
export function pressCalipers({ bench }: Desk, on: string, mm: number): { typed: string } {
  if (!bench.calipers) throw notThere('stand-in for calipers');
  if (!CALIPERS_CHOICES.some(({ id }) => id === on)) throw invalid('The jaws cannot be on that.');
  if (!(mm >= 0 && mm <= 1e4)) throw invalid('A length is a figure in mm.');
  return { typed: bench.calipers.press(on, mm) };
}
