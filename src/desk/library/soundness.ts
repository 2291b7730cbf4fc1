import type { Transaction } from 'sequelize';
import type { KindDefinition } from '@/core/checks/check';
import { checkKind, releaseProblems } from '@/core/checks/checkKind';
import { checksFor } from '@/core/checks/findings';
import { checkScheme } from '@/core/codes/schemes/checkScheme';
import type { CodeScheme } from '@/core/codes/schemes/codeScheme';
import { readableName } from '@/core/crossread/facts';
import { formatProblem } from '@/core/formats/validate';
import type { HouseRules } from '@/core/judgement/houseRules';
import { houseRulesProblems } from '@/core/judgement/houseRulesProblems';
import { makerGaps } from '@/core/releases/makerGaps';
import type { Maker, Release } from '@/core/releases/release';
import { releaseGaps } from '@/core/releases/releaseGaps';
import { releaseSizeProblems } from '@/core/releases/releaseSizeProblems';
import { asStated, statementProblems } from '@/core/releases/statement';
import { checkChart } from '@/core/sizes/checkChart';
import type { SizeChart } from '@/core/sizes/sizeChart';
import { columnInUse, factsInUse } from '@/store/caseFacts';
import { type DocumentKind, readDocument } from '@/store/documents';
import { releasesOfChart } from '@/store/library';
import type { Store } from '@/store/store';

/** A reference document with its kind. */
export interface Entry {
  kind: DocumentKind;
  body: { id: string };
}

/** Finds a document among those that are taken in, or among those that are kept. */
export type Finder = <T>(kind: DocumentKind, id: string) => Promise<T | undefined>;

/** A statement's own value has to suit the part that it is about. */
function statedProblems(release: Release): string[] {
  const said = (release.statements ?? []).filter(({ says }) => says !== undefined);
  const wrong = said.find((statement) => formatProblem('release', asStated(release, statement)) !== null);
  return [
    ...statementProblems(release),
    ...(wrong ? [`What “${wrong.source}” says of “${wrong.about}” could not stand there.`] : []),
  ];
}

/** What is wrong with a document that follows its format, by itself. */
const UNSOUND: Partial<Record<DocumentKind, (body: unknown) => string[]>> = {
  'code-scheme': (body) => checkScheme(body as CodeScheme),
  'size-chart': (body) => checkChart(body as SizeChart),
  kind: (body) => checkKind(body as KindDefinition),
  maker: (body) => makerGaps(body as Maker),
  'house-rules': (body) => houseRulesProblems(body as HouseRules),
  release: (body) => {
    const release = body as Release;
    return [
      ...releaseGaps(release),
      ...releaseProblems(release),
      ...releaseSizeProblems(release),
      ...statedProblems(release),
    ];
  },
};

/** What is wrong with a document by itself: its format, and what it says. Null where nothing is. */
export function ownProblem({ kind, body }: Entry): string | null {
  return formatProblem(kind, body) ?? (UNSOUND[kind]?.(body).join(' ') || null);
}

/** What a release names that nobody knows, or how it leaves its kind's checks unsound. */
async function releaseProblem(find: Finder, release: Release): Promise<string | null> {
  if (!(await find('maker', release.maker))) return `It names the maker “${release.maker}”, who is not in the records.`;
  if (release.chart && !(await find('size-chart', release.chart)))
    return `It names the size chart “${release.chart}”, which is not in the records.`;
  const kind = await find<KindDefinition>('kind', release.kind);
  if (!kind) return `It names the kind of goods “${release.kind}”, which this desk does not know.`;
  const { add, off } = release.checks;
  // Most releases are asked what their kind is asked, which is sound.
  if (add.length + off.length === 0) return null;
  return checkKind({ ...kind, checks: checksFor(kind, release) }).join(' ') || null;
}

const MOST_NAMED = 3;
const named = (list: string[]): string =>
  `${list.slice(0, MOST_NAMED).join(', ')}${list.length > MOST_NAMED ? ` and ${list.length - MOST_NAMED} more` : ''}`;

/** Rows that a chart loses while releases have those sizes, and columns while open cases have read them. */
async function chartProblem(
  store: Store,
  find: Finder,
  chart: SizeChart,
  transaction?: Transaction,
): Promise<string | null> {
  const before = (await readDocument<SizeChart>(store, 'size-chart', chart.id, transaction))?.body;
  if (!before) return null;
  const lost = before.rows.map(({ key }) => key).filter((key) => !chart.rows.some((row) => row.key === key));
  if (lost.length > 0) {
    const users = (await releasesOfChart(store, chart.id, transaction)).filter(({ sizeKeys }) =>
      (JSON.parse(sizeKeys) as string[]).some((key) => lost.includes(key)),
    );
    // Those that come with it may have given the size up too.
    const still: string[] = [];
    for (const { releaseId, name, colourName } of users) {
      const next = await find<Release>('release', releaseId);
      if (!next || next.sizes.some(({ key }) => lost.includes(key))) still.push(`${name} in ${colourName}`);
    }
    if (still.length > 0)
      return `It would lose the size ${lost.join(', ')}, which is in use: ${named(still)}. Keep the row, or take the size out of those releases first.`;
  }
  for (const { id, name } of before.columns.filter((each) => !chart.columns.some(({ id }) => id === each.id))) {
    const cases = await columnInUse(store, { chart: chart.id, column: id }, transaction);
    if (cases.length > 0)
      return `It would lose the column ${name}, in which open cases have read sizes: ${named(cases)}. Keep the column, or seal or close them first.`;
  }
  return null;
}

/** Facts that a place loses while open cases have read them there. */
async function kindProblem(store: Store, kind: KindDefinition, transaction?: Transaction): Promise<string | null> {
  const before = (await readDocument<KindDefinition>(store, 'kind', kind.id, transaction))?.body;
  if (!before) return null;
  const lost = before.places.flatMap(({ id, name, facts }) => {
    const left = kind.places.find((place) => place.id === id)?.facts ?? [];
    return facts.filter((fact) => !left.includes(fact)).map((fact) => ({ place: id, name, fact }));
  });
  for (const { place, name, fact } of lost) {
    const cases = await factsInUse(store, { kind: kind.id, place, fact }, transaction);
    if (cases.length > 0)
      return `“${name}” would no longer have the fact “${readableName(fact)}”, which open cases have read there: ${named(cases)}. Seal or close them first.`;
  }
  return null;
}

/** What is wrong with a document beside the others. Null where nothing is. */
export async function outerProblem(
  store: Store,
  find: Finder,
  { kind, body }: Entry,
  transaction?: Transaction,
): Promise<string | null> {
  if (kind === 'release') return releaseProblem(find, body as Release);
  if (kind === 'size-chart') return chartProblem(store, find, body as SizeChart, transaction);
  if (kind === 'kind') return kindProblem(store, body as KindDefinition, transaction);
  return null;
}
