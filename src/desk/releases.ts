import type { ChosenRelease } from '@/core/casefile/events/releaseChosen';
import type { KindDefinition } from '@/core/checks/check';
import { checksFor } from '@/core/checks/findings';
import { readGtin } from '@/core/codes/gtin';
import type { CodeScheme } from '@/core/codes/schemes/codeScheme';
import { pin } from '@/core/judgement/grounds';
import { blankRelease } from '@/core/releases/blankRelease';
import { copyAsColour } from '@/core/releases/copyAsColour';
import { type Candidate, type IndexedRelease, matchReleases } from '@/core/releases/match';
import type { Maker, Release, Revision } from '@/core/releases/release';
import type { SizeChart } from '@/core/sizes/sizeChart';
import { listDocuments, readDocument } from '@/store/documents';
import { browseReleases, releaseIndex } from '@/store/releaseIndex';
import { listKindDefinitions, readKind } from './checks';
import type { Desk } from './desk';
import { Refusal } from './refusal';

const BROWSE_LIMIT = 500;

/** The releases and sizes that a scan or some typing may mean. */
export function findReleases(desk: Desk, query: string): Promise<Candidate[]> {
  return matchReleases(query, releaseIndex(desk.store));
}

/** Every release in the records, by maker and name. */
export function listReleases(desk: Desk): Promise<IndexedRelease[]> {
  return browseReleases(desk.store, BROWSE_LIMIT);
}

export interface ReleaseFolder {
  release: Revision<Release>;
  maker: Revision<Maker> | null;
  chart: Revision<SizeChart> | null;
}

/** A release record with its maker and chart. */
export async function readRelease(desk: Desk, id: string): Promise<ReleaseFolder> {
  const release = await readDocument<Release>(desk.store, 'release', id);
  if (!release) throw new Refusal('notFound', `There is no release record “${id.slice(0, 80)}”.`);
  const { maker, chart } = release.body;
  return {
    release,
    maker: await readDocument<Maker>(desk.store, 'maker', maker),
    chart: chart ? await readDocument<SizeChart>(desk.store, 'size-chart', chart) : null,
  };
}

/** What the checks of a release are called. */
export async function namesOfChecks(desk: Desk, release: Release): Promise<Record<string, string>> {
  const kind = (await readKind(desk, release.kind)).body;
  return Object.fromEntries(checksFor(kind, release).map((check) => [check.id, check.name]));
}

/** What a new release record begins with, and what it may choose from. */
export interface BegunRelease {
  release: Release;
  /** Those that it may be of; of another colour of a release, its own only. */
  kinds: KindDefinition[];
  makers: Maker[];
  charts: SizeChart[];
}

/**
 * A new release record to begin from: another colour of one that there is, or a blank one.
 *
 * @returns null while no maker is known
 * @throws Refusal where the release to begin from is not there
 */
export async function beginRelease(
  desk: Desk,
  asked: { from?: string; maker?: string; kind?: string },
): Promise<BegunRelease | null> {
  const [kinds, makers, charts] = await Promise.all([
    listKindDefinitions(desk),
    listMakers(desk),
    listSizeCharts(desk),
  ]);
  const maker = makers.find(({ id }) => id === asked.maker) ?? makers[0];
  const kind = kinds.find(({ id }) => id === asked.kind) ?? kinds[0];
  if (!maker || !kind) return null;
  if (!asked.from) return { release: blankRelease(kind, maker), kinds, makers, charts };
  const release = copyAsColour((await readRelease(desk, asked.from)).release.body);
  return { release, kinds: kinds.filter(({ id }) => id === release.kind), makers, charts };
}

/** The newest revision of a release record, as a case names it. */
export async function newestRelease(desk: Desk, id: string): Promise<ChosenRelease> {
  const { release } = await readRelease(desk, id);
  return pin(release);
}

/**
 * Who else has a barcode number in the records.
 *
 * @param not the release that asks
 * @returns for each number that another release has, which one and in what size
 */
export async function numbersOfOthers(
  desk: Desk,
  gtins: string[],
  not: string,
): Promise<{ gtin: string; sentence: string }[]> {
  const numbers = new Map(
    gtins.flatMap((gtin) => readGtin(gtin).readings.map(({ gtin14 }): [string, string] => [gtin14, gtin])),
  );
  const found = await releaseIndex(desk.store).byGtin14([...numbers.keys()]);
  return found
    .filter(({ releaseId }) => releaseId !== not)
    .map(({ gtin14, makerName, name, colourName, sizeKey }) => ({
      gtin: numbers.get(gtin14) as string,
      sentence: `its number is that of ${makerName} ${name}, ${colourName}, size ${sizeKey}`,
    }));
}

/** The makers that the records know, for reading a code without a case. */
export async function listMakers(desk: Desk): Promise<Maker[]> {
  return (await listDocuments<Maker>(desk.store, 'maker')).map(({ body }) => body);
}

/** Every code scheme in the records. */
export async function listCodeSchemes(desk: Desk): Promise<CodeScheme[]> {
  return (await listDocuments<CodeScheme>(desk.store, 'code-scheme')).map(({ body }) => body);
}

/** Every size chart in the records. */
export async function listSizeCharts(desk: Desk): Promise<SizeChart[]> {
  return (await listDocuments<SizeChart>(desk.store, 'size-chart')).map(({ body }) => body);
}
