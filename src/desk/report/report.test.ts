import { inflateSync } from 'node:zlib';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type TestDesk, testDesk } from '@/demo/testing/testDesk';
import { makeReport } from './makeReport';

let at: TestDesk;
beforeAll(async () => {
  at = await testDesk(true);
});
afterAll(() => at.close());

/** The objects of a PDF as text, their compressed streams laid open. */
function opened(pdf: Uint8Array): string {
  const raw = Buffer.from(pdf).toString('latin1');
  return raw.replace(/stream\r?\n([\s\S]*?)\r?\nendstream/g, (_, stream: string) => {
    try {
      return `stream\n${inflateSync(Buffer.from(stream, 'latin1')).toString('latin1')}\nendstream`;
    } catch {
      return 'stream\nendstream';
    }
  });
}

describe('the report', () => {
  it.each([
    ['A4', 595.28, 841.89],
    ['LETTER', 612, 792],
  ] as const)('on %s is whole, has its fonts with it, and draws its marks as vectors', async (paper, width, height) => {
    const pdf = await makeReport(at.desk, 'PP-0006', paper);
    const text = opened(pdf);
    expect(text.slice(0, 5)).toBe('%PDF-');
    expect(text.trimEnd().endsWith('%%EOF')).toBe(true);
    const boxes = [...text.matchAll(/\/MediaBox \[0 0 ([\d.]+) ([\d.]+)\]/g)];
    expect(boxes.length).toBeGreaterThan(1);
    for (const [, w, h] of boxes)
      expect([w, h].map((side) => Number(Number(side).toFixed(2)))).toEqual([width, height]);
    // Every font of the page is embedded; none of those that a reader would have to supply itself.
    const fonts = [...text.matchAll(/\/BaseFont \/([\w+-]+)/g)].map(([, name]) => name as string);
    expect(fonts.length).toBeGreaterThan(1);
    for (const name of fonts) expect(name).toMatch(/^[A-Z]{6}\+Atkinson/);
    expect(text.match(/\/FontFile[23]/g)?.length).toBeGreaterThan(1);
    // Without photographs nothing on it is a picture: scales, waterfall, matrix and QR code are paths.
    expect(text).not.toMatch(/\/Subtype \/Image/);
    expect(text.match(/ (re|l|c)\n/g)?.length).toBeGreaterThan(500);
  });
  it('of an open case says so, and one of nothing is refused', async () => {
    expect((await makeReport(at.desk, 'PP-0009', 'A4')).length).toBeGreaterThan(20_000);
    await expect(makeReport(at.desk, 'PP-9999', 'A4')).rejects.toThrow(/no case PP-9999/);
  });
});
