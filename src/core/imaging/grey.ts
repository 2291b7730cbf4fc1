/** Pixels as a canvas holds them: red, green, blue and cover, row by row, 0 to 255. */
export interface Picture {
  width: number;
  height: number;
  data: Uint8ClampedArray;
}

/** Brightness alone, row by row, 0 to 255. */
export interface Grey {
  width: number;
  height: number;
  data: Uint8ClampedArray;
}

/** The brightness of a picture (ITU-R BT.601). */
export function greyOf({ width, height, data }: Picture): Grey {
  const out = new Uint8ClampedArray(width * height);
  for (let i = 0, p = 0; i < out.length; i++, p += 4)
    out[i] = 0.299 * (data[p] as number) + 0.587 * (data[p + 1] as number) + 0.114 * (data[p + 2] as number);
  return { width, height, data: out };
}

/** The brightness at a point between pixels; beyond the edge that of the edge. */
export function brightnessAt({ width, height, data }: Grey, x: number, y: number): number {
  const x0 = Math.max(0, Math.min(width - 2, Math.floor(x)));
  const y0 = Math.max(0, Math.min(height - 2, Math.floor(y)));
  const fx = Math.max(0, Math.min(1, x - x0));
  const fy = Math.max(0, Math.min(1, y - y0));
  const p = y0 * width + x0;
  const upper = (data[p] as number) * (1 - fx) + (data[p + 1] as number) * fx;
  const lower = (data[p + width] as number) * (1 - fx) + (data[p + width + 1] as number) * fx;
  return upper * (1 - fy) + lower * fy;
}

/** Add red, green and blue at a point between pixels to a sum; beyond the edge those of the edge. */
export function addColourAt({ width, height, data }: Picture, x: number, y: number, sum: Float64Array): void {
  const px = Math.max(0, Math.min(width - 1.001, x));
  const py = Math.max(0, Math.min(height - 1.001, y));
  const [x0, y0] = [Math.floor(px), Math.floor(py)];
  const [fx, fy] = [px - x0, py - y0];
  const p = 4 * (y0 * width + x0);
  const q = p + 4 * width;
  for (let channel = 0; channel < 3; channel++) {
    const upper = (data[p + channel] as number) * (1 - fx) + (data[p + 4 + channel] as number) * fx;
    const lower = (data[q + channel] as number) * (1 - fx) + (data[q + 4 + channel] as number) * fx;
    sum[channel] = (sum[channel] as number) + upper * (1 - fy) + lower * fy;
  }
}

/** A picture made smaller by a whole number, each pixel the mean of those that it stands for. */
export function shrunk(grey: Grey, by: number): Grey {
  if (by <= 1) return grey;
  const width = Math.floor(grey.width / by);
  const height = Math.floor(grey.height / by);
  const data = new Uint8ClampedArray(width * height);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      let sum = 0;
      for (let row = y * by; row < (y + 1) * by; row++)
        for (let column = x * by; column < (x + 1) * by; column++)
          sum += grey.data[row * grey.width + column] as number;
      data[y * width + x] = sum / (by * by);
    }
  }
  return { width, height, data };
}

/** How many pixels have each brightness. */
export function histogram({ data }: Grey): Uint32Array {
  const counts = new Uint32Array(256);
  for (const level of data) counts[level] = (counts[level] as number) + 1;
  return counts;
}

/** The brightness under which a share of the pixels lies. */
export function quantile(counts: Uint32Array, share: number): number {
  const all = counts.reduce((sum, each) => sum + each, 0);
  let seen = 0;
  for (const [level, count] of counts.entries()) {
    seen += count;
    if (seen >= share * all) return level;
  }
  return 255;
}
