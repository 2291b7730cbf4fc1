import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { contentHash } from '@/core/casefile/hash';
import type { CheckDefinition, KindDefinition } from '@/core/checks/check';
import { type TestDesk, testDesk } from '@/demo/testing/testDesk';
import { readPinned } from '@/store/documents';
import { readKind, saveCheck } from './checks';
import { THE_MACHINE } from './people/roster';
import { SHIPPED } from './shipped';
import { kindsWithNews, takeShipped } from './shippedNews';

const shipped = SHIPPED.find(({ body }) => body.id === 'footwear')?.body as KindDefinition;
const [dropped, altered, ours] = shipped.checks as [CheckDefinition, CheckDefinition, CheckDefinition];
/** What an older program shipped. */
const older: KindDefinition = {
  ...shipped,
  views: undefined,
  checks: shipped.checks.slice(1).map((each) => (each === altered ? { ...each, name: 'As it was' } : each)),
};

let at: TestDesk;
const newsOf = async (kind: string) => (await kindsWithNews(at.desk)).find(({ id }) => id === kind)?.news;
beforeAll(async () => {
  at = await testDesk(false);
  await at.desk.store.sequelize.query(
    `UPDATE kept_documents SET body = :body, hash = :hash WHERE kind = 'kind' AND id = 'footwear'`,
    { replacements: { body: JSON.stringify(older), hash: contentHash(JSON.parse(JSON.stringify(older))) } },
  );
});
afterAll(() => at.close());

describe('a desk that began with an older program', () => {
  it('is told what this one ships, takes it over, and keeps what it changed itself', async () => {
    const { desk } = at;
    await saveCheck(desk, THE_MACHINE, 'footwear', { ...ours, name: 'Ours' }, 1);
    const news = await newsOf('footwear');
    expect(news).toMatchObject({ added: [dropped.name], changed: [altered.name], gone: [], frame: true });
    await expect(takeShipped(desk, THE_MACHINE, 'footwear', 1)).rejects.toThrow(/revision 2/);
    expect(await takeShipped(desk, THE_MACHINE, 'footwear', 2)).toEqual({ revision: 3 });
    const { body } = await readKind(desk, 'footwear');
    expect(body.checks.map(({ name }) => name)).toEqual(expect.arrayContaining(['Ours', dropped.name, altered.name]));
    expect(body.checks).toHaveLength(shipped.checks.length);
    expect(body.views).toEqual(shipped.views);
    expect((await readPinned<KindDefinition>(desk.store, 'kind', body.began ?? ''))?.body).toEqual(shipped);
    expect(await newsOf('footwear')).toBeNull();
    await expect(takeShipped(desk, THE_MACHINE, 'footwear', 3)).rejects.toThrow(/nothing that the desk does not have/);
  });

  it('hears nothing of kinds that are as they were shipped, and is asked for no kind that there is not', async () => {
    expect(await newsOf('spirits')).toBeNull();
    await expect(takeShipped(at.desk, THE_MACHINE, 'hats', 1)).rejects.toThrow(/no kind of goods/);
  });
});
