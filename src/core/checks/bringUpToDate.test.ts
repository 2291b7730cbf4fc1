import { describe, expect, it } from 'vitest';
import footwear from '@/desk/shipped/footwear.json';
import { bringUpToDate } from './bringUpToDate';
import type { CheckDefinition, KindDefinition } from './check';
import { checkKind } from './checkKind';

const began = footwear as unknown as KindDefinition;
const [first, second, third] = began.checks as [CheckDefinition, CheckDefinition, CheckDefinition];
const renamed = (check: CheckDefinition, name: string): CheckDefinition => ({ ...check, name });
const withChecks = (checks: CheckDefinition[]): KindDefinition => ({ ...began, checks });
const rest = began.checks.slice(3);

describe('a kind of goods is brought up to date', () => {
  it('is as it was where the program brings nothing', () => {
    expect(bringUpToDate(began, began, began)).toEqual({ kind: began, news: null });
    const own = withChecks([renamed(first, 'Ours'), second, ...rest]);
    expect(bringUpToDate(began, own, began)).toEqual({ kind: own, news: null });
  });

  it('is what the program ships where nobody changed anything', () => {
    const fresh = { ...third, id: 'label.fresh', name: 'Fresh' };
    const shipped: KindDefinition = {
      ...withChecks([renamed(first, 'Otherwise'), fresh, third, ...rest]),
      handling: { always: 'With gloves.' },
      strands: { ...began.strands, fresh: 'Fresh strand' },
    };
    const { kind, news } = bringUpToDate(began, began, shipped);
    expect(kind).toEqual(shipped);
    expect(checkKind(kind)).toEqual([]);
    expect(news).toEqual({ added: ['Fresh'], changed: ['Otherwise'], gone: [second.name], kept: [], frame: true });
    expect(bringUpToDate(shipped, kind, shipped).news).toBeNull();
  });

  it('leaves what the desk changed, added or threw out as the desk has it', () => {
    const ours = { ...first, id: 'ours.own', name: 'Our own' };
    const own = withChecks([renamed(first, 'Ours'), third, ...rest, ours]);
    const shipped = withChecks([
      renamed(first, 'Theirs'),
      renamed(second, 'Second, theirs'),
      renamed(third, 'Third, theirs'),
      ...rest,
    ]);
    const { kind, news } = bringUpToDate(began, own, shipped);
    expect(kind.checks.map(({ name }) => name)).toEqual([
      'Ours',
      'Third, theirs',
      ...rest.map(({ name }) => name),
      'Our own',
    ]);
    expect(news).toEqual({ added: [], changed: ['Third, theirs'], gone: [], kept: ['Ours'], frame: false });
  });

  it('keeps places, layers and strands that the program dropped, since cases may rest on them', () => {
    const [place, ...places] = began.places;
    const [strand, ...strands] = Object.entries(began.strands);
    const { kind } = bringUpToDate(began, began, {
      ...began,
      places,
      strands: Object.fromEntries(strands),
      layers: began.layers.slice(1),
    });
    expect(kind.places).toContainEqual(place);
    expect(kind.strands).toMatchObject(Object.fromEntries([strand as [string, string]]));
    expect(kind.layers).toEqual(began.layers);
  });

  it('only adds what is lacking where it is not known what the desk began with', () => {
    const own = withChecks([renamed(first, 'Ours'), third]);
    const { kind, news } = bringUpToDate(null, own, withChecks([first, second, renamed(third, 'Theirs')]));
    expect(kind.checks.map(({ name }) => name)).toEqual(['Ours', second.name, third.name]);
    expect(news).toEqual({ added: [second.name], changed: [], gone: [], kept: [], frame: false });
  });
});
