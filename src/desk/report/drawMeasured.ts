import sharp from 'sharp';
import type { CaseFile } from '@/core/casefile/caseFile';
import type { PictureMeasure } from '@/core/casefile/events/findingRecorded';
import { marksOf } from '@/core/instruments';

/** What was measured on each photograph of a case, by the photograph's hash. */
export function measuredOn({ findings }: CaseFile): Map<string, PictureMeasure[]> {
  const found = new Map<string, PictureMeasure[]>();
  const note = (measure: PictureMeasure) => found.set(measure.sha256, [...(found.get(measure.sha256) ?? []), measure]);
  for (const entry of Object.values(findings)) {
    if (entry.state !== 'recorded') continue;
    for (const measure of entry.supplied?.pictures ?? []) note(measure);
  }
  return found;
}

/** A photograph with the lines along which it was measured. */
export async function drawMeasured(jpeg: Buffer, measures: PictureMeasure[]): Promise<Buffer> {
  const { width = 0, height = 0 } = await sharp(jpeg).metadata();
  const thin = Math.max(1, width / 400);
  const drawn = measures.map(({ instrument, points }) => {
    const at = points.map(({ x, y }) => ({ x: x * width, y: y * height }));
    const { lines: between = [], areas = [] } = marksOf(instrument) ?? {};
    const lines = between
      .map(([from, to]) => `M${at[from]?.x ?? 0} ${at[from]?.y ?? 0}L${at[to]?.x ?? 0} ${at[to]?.y ?? 0}`)
      .join('');
    // Of a box between two pictures only the corners on this one were kept.
    const boxes = (instrument === 'outline' ? [[0, 1] as const] : areas)
      .map(([from, to]) => [at[from], at[to]])
      .map(([a, b]) => (a && b ? `M${a.x} ${a.y}H${b.x}V${b.y}H${a.x}z` : ''))
      .join('');
    const marks = at.map(({ x, y }) => `M${x - 6 * thin} ${y}h${12 * thin}M${x} ${y - 6 * thin}v${12 * thin}`).join('');
    const stroke = (colour: string, wide: number) =>
      `<path d="${lines}${boxes}${marks}" stroke="${colour}" stroke-width="${wide}"/>`;
    return stroke('#fff', 3 * thin) + stroke('#6a1b4d', 1.3 * thin);
  });
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" fill="none">${drawn.join('')}</svg>`;
  return sharp(jpeg)
    .composite([{ input: Buffer.from(svg) }])
    .jpeg({ quality: 85 })
    .toBuffer();
}
