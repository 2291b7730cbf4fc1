import { create } from 'qrcode';

/** A QR code as the path of an SVG, one unit a module, with its size; the quiet zone is the caller's. */
export function qrPath(text: string): { d: string; size: number } {
  const { modules } = create(text, { errorCorrectionLevel: 'M' });
  const cells: string[] = [];
  for (let row = 0; row < modules.size; row++)
    for (let column = 0; column < modules.size; column++)
      if (modules.get(row, column)) cells.push(`M${column} ${row}h1v1h-1z`);
  return { d: cells.join(''), size: modules.size };
}
