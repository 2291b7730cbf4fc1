import { QueryTypes, type Sequelize, type Transaction } from 'sequelize';
import { readGtin } from '@/core/codes/gtin';
import { styleCodeKey, styleSlips } from '@/core/codes/styleCode';
import { searchWords } from '@/core/crossread/words';
import type { Release } from '@/core/releases/release';
import { ask } from './connections';
import { insertRows } from './insertRows';

/** A release with the name of its maker, as it is put into the index. */
export interface ToIndex {
  release: Release;
  makerName: string;
}

type Cells = (string | number | null)[];

/** What `kept_releases` takes, in the order of its cells. */
const INDEX_COLUMNS = [
  'row',
  'releaseId',
  'import',
  'kind',
  'maker',
  'makerName',
  'name',
  'styleCode',
  'styleKey',
  'colourName',
  'sizeKeys',
  'chart',
  'retired',
];

async function nextRow(transaction: Transaction): Promise<number> {
  const [found] = await ask<{ last: number | null }>(transaction, 'SELECT MAX(row) AS last FROM kept_releases', []);
  return (found?.last ?? 0) + 1;
}

/** The GTIN-14 by which a barcode number is looked for. */
export const gtin14Of = (gtin: string): string => readGtin(gtin).readings[0]?.gtin14 ?? gtin.padStart(14, '0');

/**
 * Put releases into the index: their sizes by number, their words, and what is left of their style codes without one
 * character. Those that are out of use are found by their codes alone.
 *
 * @param imported the import that brings them; 0 for none
 */
export async function addToIndex(releases: ToIndex[], imported: number, transaction: Transaction): Promise<void> {
  if (releases.length === 0) return;
  const first = await nextRow(transaction);
  const index: Cells[] = [];
  const sizes: Cells[] = [];
  const words: Cells[] = [];
  const slips: Cells[] = [];
  for (const [i, { release, makerName }] of releases.entries()) {
    const row = first + i;
    const { id, kind, maker, name, styleCode, colourName, chart, retired } = release;
    const styleKey = styleCodeKey(styleCode);
    const sizeKeys = JSON.stringify(release.sizes.map((size) => size.key));
    index.push([
      row,
      id,
      imported,
      kind,
      maker,
      makerName,
      name,
      styleCode,
      styleKey,
      colourName,
      sizeKeys,
      chart,
      retired ? 1 : 0,
    ]);
    for (const { key, gtin } of release.sizes) if (gtin !== '') sizes.push([gtin14Of(gtin), row, key, gtin]);
    if (retired) continue;
    words.push([row, searchWords(`${makerName} ${name} ${colourName} ${styleCode}`).join(' ')]);
    // Those of an import follow when all of it is there: in their order they go in much faster.
    if (imported === 0) for (const slip of styleSlips(styleKey)) slips.push([slip, row]);
  }
  await insertRows(transaction, 'kept_releases', INDEX_COLUMNS, index);
  await insertRows(transaction, 'release_sizes', ['gtin14', 'row', 'sizeKey', 'gtin'], sizes);
  await insertRows(transaction, 'release_words', ['rowid', 'words'], words);
  await insertRows(transaction, 'style_slips', ['slip', 'row'], slips);
}

/** So many releases are gone through at once, and so many of their slips put in. */
const GONE_THROUGH = 5_000;
const RUN = 5_000;

/**
 * What is left of the style codes of an import without one character, in runs that are sorted as the table is: put in as
 * they come, each would touch a page of its own.
 */
export async function* slipsOfImport(sequelize: Sequelize, imported: number): AsyncGenerator<[string, number][]> {
  for (let after = 0; ; ) {
    const rows = await sequelize.query<{ row: number; styleKey: string }>(
      `SELECT row, styleKey FROM kept_releases WHERE row > $2 AND import = $1 AND retired = 0 ORDER BY row LIMIT ${GONE_THROUGH}`,
      { bind: [imported, after], type: QueryTypes.SELECT },
    );
    const last = rows.at(-1);
    if (!last) return;
    const slips = rows.flatMap(({ row, styleKey }) =>
      styleSlips(styleKey).map((slip): [string, number] => [slip, row]),
    );
    slips.sort(([a], [b]) => (a < b ? -1 : a > b ? 1 : 0));
    for (let at = 0; at < slips.length; at += RUN) yield slips.slice(at, at + RUN);
    after = last.row;
  }
}

/** Put a run of slips into the index; those that are there already stay. */
export async function addSlips(slips: [slip: string, row: number][], transaction: Transaction): Promise<void> {
  await ask(
    transaction,
    'INSERT OR IGNORE INTO style_slips (slip, row) SELECT value ->> 0, value ->> 1 FROM json_each(?)',
    [JSON.stringify(slips)],
  );
}

/** Take rows out of the index. */
export async function dropFromIndex(sequelize: Sequelize, rows: number[], transaction: Transaction): Promise<void> {
  if (rows.length === 0) return;
  const bind = [JSON.stringify(rows)];
  for (const [table, column] of [
    ['release_words', 'rowid'],
    ['style_slips', 'row'],
    ['release_sizes', 'row'],
    ['kept_releases', 'row'],
  ])
    await sequelize.query(`DELETE FROM ${table} WHERE ${column} IN (SELECT value FROM json_each($1))`, {
      bind,
      transaction,
    });
}

/** Put a release into the index in place of whatever was kept of it. */
export async function indexRelease(sequelize: Sequelize, entry: ToIndex, transaction: Transaction): Promise<void> {
  const there = await sequelize.query<{ row: number }>('SELECT row FROM release_index WHERE releaseId = $1', {
    bind: [entry.release.id],
    type: QueryTypes.SELECT,
    transaction,
  });
  await dropFromIndex(
    sequelize,
    there.map(({ row }) => row),
    transaction,
  );
  await addToIndex([entry], 0, transaction);
}

const AT_ONCE = 500;

/** The newest revisions of releases that a condition finds, some at a time, with the names of their makers. */
async function eachNewest(
  sequelize: Sequelize,
  condition: string,
  bind: string[],
  transaction: Transaction,
  take: (entries: ToIndex[]) => Promise<void>,
): Promise<void> {
  const newest = "SELECT MAX(revision) FROM documents WHERE kind = 'release' AND id = d.id";
  for (let after = ''; ; ) {
    const found = await sequelize.query<{ id: string; body: string; makerName: string }>(
      `SELECT d.id, d.body, COALESCE((SELECT json_extract(m.body, '$.name') FROM documents m
          WHERE m.kind = 'maker' AND m.id = json_extract(d.body, '$.maker') ORDER BY m.revision DESC LIMIT 1),
          json_extract(d.body, '$.maker')) AS makerName
        FROM documents d WHERE d.kind = 'release' AND d.id > $1 AND d.revision = (${newest}) ${condition}
        ORDER BY d.id LIMIT ${AT_ONCE}`,
      { bind: [after, ...bind], type: QueryTypes.SELECT, transaction },
    );
    const last = found.at(-1);
    if (!last) return;
    await take(found.map(({ body, makerName }) => ({ release: JSON.parse(body) as Release, makerName })));
    after = last.id;
  }
}

/** Make the index anew from the newest revision of every release. */
export async function indexNewestReleases(sequelize: Sequelize, transaction: Transaction): Promise<void> {
  await eachNewest(sequelize, '', [], transaction, (entries) => addToIndex(entries, 0, transaction));
}

/** Put the releases of a maker into the index anew: it has another name. */
export async function indexMaker(sequelize: Sequelize, maker: string, transaction: Transaction): Promise<void> {
  await eachNewest(sequelize, "AND json_extract(d.body, '$.maker') = $2", [maker], transaction, async (entries) => {
    for (const entry of entries) await indexRelease(sequelize, entry, transaction);
  });
}
