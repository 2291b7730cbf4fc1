import type { ChosenRelease } from '@/core/casefile/events/releaseChosen';
import type { CodeScheme } from '@/core/codes/schemes/codeScheme';
import { pin } from '@/core/judgement/grounds';
import { type Candidate, type IndexedRelease, matchReleases } from '@/core/releases/match';
import type { Maker, Release, Revision } from '@/core/releases/release';
import type { SizeChart } from '@/core/sizes/sizeChart';
import { listDocuments, readDocument } from '@/store/documents';
import { browseReleases, releaseIndex } from '@/store/releaseIndex';
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

/** The newest revision of a release record, as a case names it. */
export async function newestRelease(desk: Desk, id: string): Promise<ChosenRelease> {
  const { release } = await readRelease(desk, id);
  return pin(release);
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
