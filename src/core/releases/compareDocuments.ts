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

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** An entry without its name; a single field beside the name is its value. */
function entryOf(entry: Record<string, unknown>, name: string): unknown {
  const fields = Object.entries(entry).filter(([field]) => field !== name);
  return fields.length === 1 ? fields[0]?.[1] : Object.fromEntries(fields);
}

/** Lists whose entries have names become entries under their names, so that moving one changes nothing else. */
function named(value: unknown): unknown {
  if (Array.isArray(value)) {
    const name = NAMES.find((each) => value.every((entry) => isRecord(entry) && typeof entry[each] === 'string'));
    const names = name ? value.map((entry) => entry[name] as string) : [];
    if (value.length > 0 && name && new Set(names).size === names.length)
      return Object.fromEntries(value.map((entry, i) => [names[i], named(entryOf(entry, name))]));
    // Words in a row are one value; a list of other things is compared place by place.
    return value.every((entry) => typeof entry !== 'object') ? value.join('; ') : value.map(named);
  }
  if (!isRecord(value)) return value;
  return Object.fromEntries(Object.entries(value).map(([field, each]) => [field, named(each)]));
}

/** A list without entries, and the text of none: nothing that could be shown. */
const NOTHING = '';

/** What came as a whole, field by field. */
function parts(where: string[], after: unknown): Pick<Change, 'where' | 'after'>[] {
  if (after === NOTHING) return [];
  const fields = typeof after === 'object' && after !== null ? Object.entries(after) : [];
  if (fields.length === 0) return [{ where, after }];
  return fields.flatMap(([field, each]) => parts([...where, field], each));
}

/**
 * In what two versions of a document differ, in the order of their fields.
 *
 * @example compareDocuments({ id: 'a', name: 'x' }, { id: 'a', name: 'y' }) // [{ where: ['name'], before: 'x', after: 'y' }]
 */
export function compareDocuments(before: object, after: object): Change[] {
  const [a, b] = [before, after].map(named) as [Record<string, unknown>, Record<string, unknown>];
  return diff(a, b).flatMap((each): Change[] => {
    const where = each.path.map(String);
    const before = each.type === 'CREATE' ? NOTHING : each.oldValue;
    const after = each.type === 'REMOVE' ? NOTHING : each.value;
    if (before === NOTHING) return parts(where, after).map((part) => ({ ...part, before: undefined }));
    if (after === NOTHING)
      return parts(where, before).map(({ where, after }) => ({ where, before: after, after: undefined }));
    return [{ where, before, after }];
  });
}
