/** A list of names for each thing, turned round: each name to the thing that it stands for. */
export const otherNames = (lists: Record<string, string>): Map<string, string> =>
  new Map(Object.entries(lists).flatMap(([key, names]) => names.split(' ').map((name) => [name, key] as const)));
