/** Times of one piece of work, in milliseconds. */
export interface Times {
  median: number;
  p95: number;
  runs: number;
}

/** Run work many times after a warm-up and say how long it took. */
export async function time(work: (run: number) => unknown, runs = 200, warmUp = 20): Promise<Times> {
  for (let i = 0; i < warmUp; i++) await work(i);
  const taken: number[] = [];
  for (let i = 0; i < runs; i++) {
    const start = performance.now();
    await work(i);
    taken.push(performance.now() - start);
  }
  taken.sort((a, b) => a - b);
  return { median: taken[Math.floor(runs / 2)] as number, p95: taken[Math.floor(runs * 0.95)] as number, runs };
}

/** One line of a table: what, how long, and how that stands to a bar or to a base in the same run. */
export function line(name: string, { median, p95, runs }: Times, against: string): void {
  console.log(
    `${name.padEnd(44)} median ${median.toFixed(2).padStart(8)} ms   p95 ${p95.toFixed(2).padStart(8)} ms   ${String(runs).padStart(4)} runs   ${against}`,
  );
}
