const plain = (heading: string): string =>
  heading
    .normalize('NFD')
    .toLowerCase()
    .replace(/ß/g, 'ss')
    .replace(/[^a-z0-9]+/g, '');

/** A heading without what it says besides: `RRP (EUR)`, `Price EUR`. */
const withoutAddition = (heading: string): string =>
  plain(heading.replace(/\(.*?\)|\[.*?\]/g, ' ').replace(/\s[A-Z]{3}\s*$/, ''));

/**
 * What columns with these headings probably hold; a field is given to the first column that may be it.
 *
 * @param called what columns of each field are called, in small letters without spaces or signs
 */
export function columnsCalled<F extends string>(headings: string[], called: Record<F, string[]>): (F | null)[] {
  const given = new Set<F>();
  return headings.map((heading) => {
    const fieldOf = (name: string) =>
      (Object.entries(called) as [F, string[]][]).find(([field, names]) => !given.has(field) && names.includes(name));
    const found = fieldOf(plain(heading)) ?? fieldOf(withoutAddition(heading));
    if (!found) return null;
    given.add(found[0]);
    return found[0];
  });
}
