import type { ChosenRelease } from '@/core/casefile/events/releaseChosen';
import type { KindDefinition } from '@/core/checks/check';
import { checksFor } from '@/core/checks/findings';
import { readGtin } from '@/core/codes/gtin';
import type { CodeScheme } from '@/core/codes/schemes/codeScheme';
import { styleCodeKey } from '@/core/codes/styleCode';
import { searchWords } from '@/core/crossread/words';
import { pin } from '@/core/judgement/grounds';
import { blankRelease } from '@/core/releases/blankRelease';
import { copyAsColour } from '@/core/releases/copyAsColour';
import { type Candidate, type IndexedRelease, matchReleases } from '@/core/releases/match';
import type { Maker, Release, Revision } from '@/core/releases/release';
import type { SizeChart } from '@/core/sizes/sizeChart';
import { listDocuments, readDocument } from '@/store/documents';
import { browseReleases, countReleases, releaseIndex } from '@/store/releaseIndex';
import { listKindDefinitions, readKind } from './checks';
import type { Desk } from './desk';
import { placeOf } from './placeOf';
import { Refusal } from './refusal';

const RELEASES_PER_PAGE = 50;

/** The releases and sizes that a scan or some typing may mean. */
export function findReleases(desk: Desk, query: string): Promise<Candidate[]> {
  return matchReleases(query, releaseIndex(desk.store));
}

/** A page of the release records. */
export interface ReleasePage {
  releases: IndexedRelease[];
  page: number;
  pages: number;
  /** Of all pages. */
  count: number;
}

/**
 * The release records by maker and name, a page at a time.
 *
 * @param text beginnings of words of the names, the beginning of a style code, or a barcode number; all where empty
 */
export async function listReleases(desk: Desk, text = '', page = 1): Promise<ReleasePage> {
  const narrowing = {
    words: searchWords(text),
    styleKey: styleCodeKey(text),
    gtin14s: readGtin(text).readings.map(({ gtin14 }) => gtin14),
  };
  const count = await countReleases(desk.store, narrowing);
  const { at, pages, stretch } = placeOf(page, count, RELEASES_PER_PAGE);
  return { releases: await browseReleases(desk.store, narrowing, stretch), page: at, pages, count };
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
