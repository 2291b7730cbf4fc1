import type { ChainReading } from '@/core/judgement/readings';
import { MarkSign } from '../marks/MarkSign';

/** The genuine variants of the release as chains: a line each, a link for each thing observed, whole or broken. */
export function Chains({ chain }: { chain: ChainReading }) {
  const { observations, fit } = chain;
  if (observations.length === 0) {
    return <p className="text-soft">No factory, country or other trait is read yet that tells the variants apart.</p>;
  }
  return (
    <>
      <div className="overflow-x-auto">
        <table className="border-collapse">
          <caption className="sr-only">Genuine variants and what was observed</caption>
          <thead>
            <tr className="align-bottom text-left text-[13px] text-soft">
              <th scope="col" className="pr-6 pb-1 font-normal">
                Variant
              </th>
              {observations.map(({ trait, label }) => (
                <th key={`${trait}/${label}`} scope="col" className="w-40 max-w-40 pr-4 pb-1 font-normal">
                  {label.charAt(0).toUpperCase() + label.slice(1)}
                </th>
              ))}
              <th scope="col" className="sr-only">
                Possible
              </th>
            </tr>
          </thead>
          <tbody>
            {fit.fits.map(({ variant, broken, doubted }) => (
              <tr key={variant.id} className="h-9">
                <th scope="row" className="pr-6 text-left font-normal whitespace-nowrap">
                  {variant.name}
                </th>
                {observations.map((seen) => {
                  const breaks = broken.includes(seen);
                  const doubts = doubted.includes(seen);
                  return (
                    <td key={`${seen.trait}/${seen.label}`} className="relative">
                      <span
                        aria-hidden
                        className={`absolute inset-x-0 top-1/2 border-t-2 ${breaks ? 'border-dashed border-differs' : doubts ? 'border-dashed border-doubt' : 'border-agrees'}`}
                      />
                      <span className="relative flex h-9 items-center">
                        <span className="bg-ground pr-1.5">
                          <MarkSign mark={breaks ? 'differs' : doubts ? 'cantTell' : 'agrees'} size={15} />
                        </span>
                      </span>
                    </td>
                  );
                })}
                <td className="pl-3 whitespace-nowrap">
                  {broken.length === 0 ? (
                    doubted.length > 0 ? (
                      'possible, with a doubt'
                    ) : (
                      'possible'
                    )
                  ) : (
                    <span className="text-differs">broken in {broken.length}</span>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {chain.says === 'open' && !fit.holds && (
        <p className="mt-2 max-w-[80ch]">
          No variant that the record knows accounts for everything, and it does not know all of them: that says nothing
          yet.
        </p>
      )}
      {chain.says === 'broken' && (
        <p className="mt-2 max-w-[80ch]">
          No single genuine variant accounts for everything. It would be mended by taking away{' '}
          {fit.mends.map((set) => set.map(({ label }) => label).join(' and ')).join('; or ')}.
        </p>
      )}
    </>
  );
}
