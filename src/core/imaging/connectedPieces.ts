/**
 * The pieces in which pixels hang together.
 *
 * @param belongs whether the pixel at a place of the rows counts
 * @param corners true where pixels that touch at a corner hang together too
 * @returns the places of each piece's pixels
 */
export function connectedPieces(
  { width, height }: { width: number; height: number },
  belongs: (at: number) => boolean,
  corners = false,
): number[][] {
  const seen = new Uint8Array(width * height);
  const pieces: number[][] = [];
  for (let start = 0; start < seen.length; start++) {
    if (seen[start] === 1 || !belongs(start)) continue;
    const piece = [start];
    seen[start] = 1;
    for (let i = 0; i < piece.length; i++) {
      const at = piece[i] as number;
      const [x, y] = [at % width, Math.floor(at / width)];
      for (let row = Math.max(0, y - 1); row <= Math.min(height - 1, y + 1); row++)
        for (let column = Math.max(0, x - 1); column <= Math.min(width - 1, x + 1); column++) {
          if (!corners && row !== y && column !== x) continue;
          const next = row * width + column;
          if (seen[next] === 1 || !belongs(next)) continue;
          seen[next] = 1;
          piece.push(next);
        }
    }
    pieces.push(piece);
  }
  return pieces;
}
