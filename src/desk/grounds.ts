import type { Transaction } from 'sequelize';
import type { CaseFile } from '@/core/casefile/caseFile';
import type { ChosenRelease } from '@/core/casefile/events/releaseChosen';
import type { KindDefinition } from '@/core/checks/check';
import type { CodeScheme } from '@/core/codes/schemes/codeScheme';
import { editionOf, type GroundsRevisions } from '@/core/judgement/grounds';
import type { HouseRules } from '@/core/judgement/houseRules';
import type { TellStatistics } from '@/core/judgement/statistics';
import type { Maker, Release, Revision } from '@/core/releases/release';
import type { SizeChart } from '@/core/sizes/sizeChart';
import { type DocumentKind, listSchemes, readDocument, readForeign, readPinned } from '@/store/documents';
import type { Store } from '@/store/store';
import { PROGRAM_VERSION } from './programVersion';
import { Refusal } from './refusal';

export const HOUSE_RULES_ID = 'house';

/** What stands for all documents of a case at once, and for the program that holds it against them. */
export function groundsKey({ schemes, edition, program, ...others }: GroundsRevisions): string {
  const hashes = [...Object.values(others), ...schemes].map((each) => each?.hash.slice(0, 16) ?? '-');
  return [program, edition, ...hashes].join(' ');
}

/**
 * The documents of a case: those that its verdict pins where it is sealed; else the chosen revision of the
 * release and the newest of everything around it.
 *
 * @throws Refusal where a document that the case names is not kept here
 */
export async function loadGrounds(
  store: Store,
  file: Pick<CaseFile, 'kind' | 'release' | 'seal'>,
  transaction?: Transaction,
): Promise<GroundsRevisions> {
  const pins = file.seal?.pins;
  const pinned = async <T>(at: ChosenRelease, kind: DocumentKind): Promise<Revision<T>> => {
    const found = await readPinned<T>(store, kind, at.hash, transaction);
    if (!found)
      throw new Refusal('notFound', `The ${kind} “${at.id}”, revision ${at.revision}, is not kept at this desk.`);
    return { ...found, revision: at.revision };
  };
  const load = async <T>(
    kind: DocumentKind,
    id: string,
    at: ChosenRelease | null | undefined,
  ): Promise<Revision<T>> => {
    if (at) return pinned<T>(at, kind);
    const found =
      (await readDocument<T>(store, kind, id, transaction)) ?? (await readForeign<T>(store, kind, id, transaction));
    if (!found) throw new Refusal('notFound', `There is no ${kind} “${id}” at this desk.`);
    return found;
  };
  const release = file.release ? await pinned<Release>(file.release, 'release') : null;
  const makerId = release?.body.maker;
  const chartId = release?.body.chart;
  // A verdict from before there were schemes rests on none.
  const schemes = pins
    ? await Promise.all((pins.schemes ?? []).map((at) => pinned<CodeScheme>(at, 'code-scheme')))
    : makerId
      ? await listSchemes<CodeScheme>(store, makerId, transaction)
      : [];
  const statistics = pins
    ? pins.statistics
      ? await pinned<TellStatistics>(pins.statistics, 'statistics')
      : null
    : await readDocument<TellStatistics>(store, 'statistics', file.kind, transaction);
  return {
    edition: editionOf(file),
    program: PROGRAM_VERSION,
    schemes,
    statistics,
    kind: await load<KindDefinition>('kind', file.kind, pins?.kind),
    houseRules: await load<HouseRules>('house-rules', HOUSE_RULES_ID, pins?.houseRules),
    release,
    maker: makerId ? await load<Maker>('maker', makerId, pins?.maker) : null,
    chart: chartId ? await load<SizeChart>('size-chart', chartId, pins?.chart) : null,
  };
}
