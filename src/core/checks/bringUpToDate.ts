import canonicalize from 'canonicalize';
import type { KindDefinition } from './check';

/** What a newer program brings to a kind of goods, by the names of its checks. */
export interface KindNews {
  added: string[];
  changed: string[];
  /** Asked by an older program, and by this one no longer. */
  gone: string[];
  /** Changed by the program and by this desk: they stay as the desk has them. */
  kept: string[];
  /** True where places, layers, strands, views or cautions are otherwise too. */
  frame: boolean;
}

type Named = { id: string };

const same = (a: unknown, b: unknown): boolean => canonicalize(a ?? null) === canonicalize(b ?? null);
const byId = <T extends Named>(list: T[] = []): Map<string, T> => new Map(list.map((each) => [each.id, each]));

/** What the program changed is taken where this desk left it as it was; what it drops only goes where nothing rests on it. */
function merged<T extends Named>(began: T[] = [], own: T[] = [], shipped: T[] = [], mayGo = false): T[] {
  const [was, now] = [byId(began), byId(shipped)];
  const list = own.flatMap((each) => {
    const next = now.get(each.id);
    if (!same(was.get(each.id), each)) return [each];
    return next ? [next] : mayGo ? [] : [each];
  });
  for (const [i, each] of shipped.entries()) {
    // What this desk has already, or threw out, is not brought again.
    if (was.has(each.id) || list.some(({ id }) => id === each.id)) continue;
    const before = list.findIndex(({ id }) => id === shipped[i - 1]?.id);
    list.splice(before < 0 ? list.length : before + 1, 0, each);
  }
  return list;
}

const mergedValue = <T>(began: T, own: T, shipped: T): T => (same(began, own) ? shipped : own);

/**
 * A kind of goods of a desk with what a newer program brings, element by element: what somebody changed, added or threw
 * out here stays so. Checks and views that the program no longer has go; places, layers and strands stay, since cases
 * may rest on them.
 *
 * @param began what the program shipped when this desk took it last; null where that is not known, then only what the
 *   desk lacks is added
 */
export function bringUpToDate(
  began: KindDefinition | null,
  own: KindDefinition,
  shipped: KindDefinition,
): { kind: KindDefinition; news: KindNews | null } {
  const views = merged(began?.views, own.views, shipped.views, true);
  const handling = began ? mergedValue(began.handling, own.handling, shipped.handling) : own.handling;
  const { views: _, handling: __, ...rest } = own;
  const kind: KindDefinition = {
    ...rest,
    name: began ? mergedValue(began.name, own.name, shipped.name) : own.name,
    layers: merged(began?.layers, own.layers, shipped.layers),
    places: merged(began?.places, own.places, shipped.places),
    ...(views.length > 0 ? { views } : {}),
    strands: {
      ...Object.fromEntries(
        Object.entries(shipped.strands).filter(([id]) => began?.strands[id] === undefined || id in own.strands),
      ),
      ...Object.fromEntries(
        Object.entries(own.strands).map(([id, name]) => [
          id,
          began?.strands[id] === name ? (shipped.strands[id] ?? name) : name,
        ]),
      ),
    },
    ...(handling ? { handling } : {}),
    checks: merged(began?.checks, own.checks, shipped.checks, true),
  };
  const [before, after, now, was] = [own, kind, shipped, began].map((each) => byId(each?.checks));
  const names = (checks: Iterable<{ id: string; name: string }>, which: (id: string) => boolean) =>
    [...checks].flatMap(({ id, name }) => (which(id) ? [name] : []));
  const frameOf = ({ checks, ...frame }: KindDefinition) => frame;
  const news: KindNews = {
    added: names(kind.checks, (id) => !before?.has(id)),
    changed: names(kind.checks, (id) => before?.has(id) === true && !same(before.get(id), after?.get(id))),
    gone: names(own.checks, (id) => !after?.has(id)),
    kept: names(
      own.checks,
      (id) =>
        was?.has(id) === true &&
        !same(was.get(id), now?.get(id)) &&
        !same(before?.get(id), now?.get(id)) &&
        same(before?.get(id), after?.get(id)),
    ),
    frame: !same(frameOf(own), frameOf(kind)),
  };
  return { kind, news: same(own, kind) ? null : news };
}
