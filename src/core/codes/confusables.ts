/**
 * Characters that people, printers and scanners take for one another, each group led by the digit.
 * D, O and Q all pass for 0; I and L for 1.
 */
export const CONFUSABLE_GROUPS = ['0ODQ', '1IL', '2Z', '5S', '6G', '8B'] as const;

const LEADER = new Map<string, string>();
for (const group of CONFUSABLE_GROUPS) for (const character of group) LEADER.set(character, group.charAt(0));

/** True where two different characters are often taken for each other. */
export function confusable(a: string, b: string): boolean {
  return a !== b && LEADER.has(a) && LEADER.get(a) === LEADER.get(b);
}

/**
 * The key under which all spellings that differ only by confusable characters meet.
 *
 * @example confusableKey('VKO1S') // 'VK015'
 */
export function confusableKey(code: string): string {
  let key = '';
  for (const character of code) key += LEADER.get(character) ?? character;
  return key;
}

/** The characters of a class that could have been meant by one outside of it; the digit or letter first tried is the likeliest. */
export function confusablesIn(character: string, allowed: (candidate: string) => boolean): string[] {
  const group = CONFUSABLE_GROUPS.find((members) => members.includes(character));
  return group ? [...group].filter((candidate) => candidate !== character && allowed(candidate)) : [];
}
