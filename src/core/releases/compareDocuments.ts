import diff from 'microdiff';

/** One thing in which two versions of a document differ. */
export interface Change {
  /** Where: fields, and names of the entries of lists. */
  where: string[];
  /** Undefined where it was added. */
  before: unknown;
  /** Undefined where it was taken away. */
  after: unknown;
}

/** By what the entries of a list are told apart, the first that all of them have. */
const NAMES = ['id', 'key', 'code', 'market', 'check', 'name'];

/** Lists whose entries have names become entries under their names, so that moving one changes nothing else. */
function named(value: unknown): unknown {
  if (Array.isArray(value)) {
    const name = NAMES.find((each) =>
      value.every((entry) => typeof entry === 'object' && entry !== null && typeof entry[each] === 'string'),
    );
    const names = name ? value.map((entry) => entry[name] as string) : [];
    if (value.length > 0 && name && new Set(names).size === names.length)
      return Object.fromEntries(value.map((entry, i) => [names[i], named(entry)]));
    // Words in a row are one value; a list of other things is compared place by place.
    return value.every((entry) => typeof entry !== 'object') ? value.join('; ') : value.map(named);
  }
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(Object.entries(value).map(([field, each]) => [field, named(each)]));
}

/**
 * In what two versions of a document differ, in the order of their fields.
 *
 * @example compareDocuments({ id: 'a', name: 'x' }, { id: 'a', name: 'y' }) // [{ where: ['name'], before: 'x', after: 'y' }]
 */
export function compareDocuments(before: object, after: object): Change[] {
  const [a, b] = [before, after].map(named) as [Record<string, unknown>, Record<string, unknown>];
  return diff(a, b).map((each) => ({
    where: each.path.map(String),
    before: each.type === 'CREATE' ? undefined : each.oldValue,
    after: each.type === 'REMOVE' ? undefined : each.value,
  }));
}
