/** The number of a new entry of a list: behind those that it has, and with an id that none of them has. */
export function freshNumber(prefix: string, taken: readonly string[]): number {
  let n = taken.length + 1;
  while (taken.includes(`${prefix}${n}`)) n++;
  return n;
}

/** @example freshId('layer-', ['layer-1', 'layer-3']) // 'layer-4' */
export const freshId = (prefix: string, taken: readonly string[]): string => `${prefix}${freshNumber(prefix, taken)}`;
