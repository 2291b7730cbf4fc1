import { expect, test } from './bench';

/** A page as the server sends it, its elements' texts divided by bars. */
async function textOf(page: import('@playwright/test').Page, path: string): Promise<string> {
  const html = await (await page.request.get(path)).text();
  return html.replace(/<!--.*?-->/g, '').replace(/(<[^>]*>)+/g, '|');
}

test('two years of confirmed cases say of the checks which are useful, weak, stale and untested', async ({ page }) => {
  const tally = { useful: 0, weak: 0, stale: 0, untested: 0 };
  for (const kind of ['footwear', 'fragrance', 'figure', 'spirits', 'apparel']) {
    const text = await textOf(page, `/checks/${kind}`);
    for (const verdict of Object.keys(tally) as (keyof typeof tally)[])
      tally[verdict] += Number(new RegExp(`\\|(\\d+)\\| ${verdict}`).exec(text)?.[1] ?? Number.NaN);
    const weights = /Learned from (\d+) genuine and (\d+) counterfeit items/.exec(text);
    expect(Number(weights?.[1]), kind).toBeGreaterThan(12);
    expect(Number(weights?.[2]), kind).toBeGreaterThan(3);
  }
  expect(tally.useful).toBeGreaterThan(60);
  for (const count of [tally.weak, tally.stale, tally.untested]) expect(count).toBeGreaterThan(5);
  const queue = await textOf(page, '/');
  expect(Number(/Sealed\|? ?\|(\d+)\|/.exec(queue)?.[1])).toBeGreaterThanOrEqual(400);
  // All of them can be reached, twenty at a time.
  // The list of those that wait has pages too; those that are done come after it.
  const pages = [
    ...queue
      .replace(/\|/g, ' ')
      .replace(/\s+/g, ' ')
      .matchAll(/page 1 of (\d+)/g),
  ];
  const last = Number(pages.at(-1)?.[1]);
  expect(last).toBeGreaterThanOrEqual(20);
  expect(await textOf(page, `/?page=${last}`)).toMatch(/PP-0001/);
});

test('the three readings part in each of the possible ways', async ({ page }) => {
  const queue = await textOf(page, '/');
  const numbers = [...new Set(queue.match(/PP-04(0[7-9]|[12]\d)/g))];
  expect(numbers.length).toBeGreaterThanOrEqual(19);
  const ways = new Map<string, string>();
  for (const number of numbers) {
    const text = await textOf(page, `/case/${number}/inspect`);
    const said = /Weighing\|([a-z ]+)\|One fault\|([a-z0-9 ]+)\|Chain\|([a-z ]+)/.exec(text);
    const [weighing, fault, chain] = said?.slice(1) ?? [];
    ways.set(`${weighing}, ${fault === 'no fault' ? 'no fault' : 'fault'}, ${chain}`, number);
  }
  expect([...ways.keys()]).toEqual(
    expect.arrayContaining([
      'genuine, no fault, holds',
      'counterfeit, fault, broken',
      // One fault alone, either way.
      'genuine, fault, holds',
      'counterfeit, no fault, broken',
      // The chain alone.
      'genuine, no fault, broken',
      'counterfeit, fault, holds',
      // Weighing alone.
      'genuine, fault, broken',
      'counterfeit, no fault, holds',
    ]),
  );
});
