import { bondsOf, statesOf } from '@/core/releases/bonds';
import type { Variant } from '@/core/releases/variantFit';

/** What each state leaves of the other traits: a line a state, and struck through what no variant shows with it. */
export function ForbidsTable({ variants, nameOf }: { variants: Variant[]; nameOf: (trait: string) => string }) {
  const bonds = bondsOf(variants);
  if (bonds.length === 0) return null;
  const states = [...statesOf(variants)];
  const bound = states.filter(([trait]) => bonds.some((bond) => bond.trait === trait));
  const bondOf = (trait: string, state: string, other: string) =>
    bonds.find((bond) => bond.trait === trait && bond.state === state && bond.other === other);
  return (
    <div className="overflow-x-auto">
      <table className="border-collapse border-t text-[15px]">
        <caption className="mb-1 text-left text-[13px] text-soft">
          Where an item shows what stands at the left, the rest can only be what is not struck through
        </caption>
        <thead>
          <tr className="border-b text-left text-[13px] text-soft">
            <th scope="col" className="py-1 pr-5 font-normal">
              Seen
            </th>
            {bound.map(([trait]) => (
              <th key={trait} scope="col" className="py-1 pr-5 font-normal">
                {nameOf(trait)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {bound.flatMap(([trait, own]) =>
            own.map((state, i) => (
              <tr key={`${trait} ${state}`} className="border-b">
                <th scope="row" className="py-1 pr-5 text-left font-semibold">
                  {i === 0 && <span className="font-normal text-soft">{nameOf(trait)} </span>}
                  {state}
                </th>
                {bound.map(([other, all]) => {
                  if (other === trait) return <td key={other} className="pr-5 text-soft" />;
                  const bond = bondOf(trait, state, other);
                  return (
                    <td key={other} className="py-1 pr-5">
                      {bond ? (
                        <>
                          {bond.allows.join(' or ')}{' '}
                          <s className="text-soft">
                            <span className="sr-only">never </span>
                            {bond.forbids.join(', ')}
                          </s>
                        </>
                      ) : (
                        <span className="text-soft">{all.length > 1 ? 'any' : all[0]}</span>
                      )}
                    </td>
                  );
                })}
              </tr>
            )),
          )}
        </tbody>
      </table>
    </div>
  );
}
