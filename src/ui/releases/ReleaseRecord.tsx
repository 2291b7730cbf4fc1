import Link from 'next/link';
import type { KindDefinition } from '@/core/checks/check';
import { whenWords } from '@/core/checks/expectation';
import { type GtinReading, groupGtin, readGtin } from '@/core/codes/gtin';
import { formatDay } from '@/core/dates/day';
import { plausibleStart } from '@/core/dates/productionWindow';
import type { Maker, Release, Revision } from '@/core/releases/release';
import type { SizeChart } from '@/core/sizes/sizeChart';
import { KeyLink } from '../records/KeyLink';
import { RecordTabs } from '../records/RecordTabs';

const grouped = (gtin: string): string => {
  const [reading] = readGtin(gtin).readings;
  return reading ? groupGtin(reading as GtinReading) : gtin;
};

/** One release record: what an item of it must show. */
export function ReleaseRecord({
  release: { body: release, revision, hash },
  maker,
  chart,
  kind,
}: {
  release: Revision<Release>;
  maker: Revision<Maker> | null;
  chart: Revision<SizeChart> | null;
  kind: Pick<KindDefinition, 'checks'>;
}) {
  const window = plausibleStart(release.releaseDate, release.leadTime);
  const facts: [string, string][] = [
    ['Released', formatDay(release.releaseDate)],
    ['Production may start', `${formatDay(window.earliest)} to ${formatDay(window.latest)}`],
    ['Factories', release.factories.map(({ code, country }) => `${code}, ${country}`).join('; ')],
    [
      'Dates are printed',
      maker?.body.dateOrder
        .split('')
        .map((part) => ({ D: 'day', M: 'month', Y: 'year' })[part])
        .join(', ') ?? '',
    ],
    ['Source', release.source],
    ['Revision', `${revision}, content ${hash.slice(0, 12)}…`],
  ];
  const off = release.checks.off.map((id) => kind.checks.find((check) => check.id === id)?.name ?? id);
  const columns = chart?.body.columns ?? [];
  return (
    <main className="mx-auto max-w-[1360px] px-5 py-4">
      <RecordTabs />
      <div className="flex items-end justify-between gap-4">
        <h1 className="text-[22px]">
          <span className="text-soft">{maker?.body.name}</span>{' '}
          <strong className="font-semibold">{release.name}</strong>, {release.colourName}
        </h1>
        <KeyLink hotkey="w" href={`/releases/${release.id}/edit`}>
          Edit figures and checks
        </KeyLink>
      </div>
      <p className="mb-5 font-mono text-[24px]">{release.styleCode}</p>
      <div className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-10 max-lg:grid-cols-1">
        <div className="grid content-start gap-6">
          <dl className="border-t">
            {facts.map(([name, text]) => (
              <div key={name} className="grid grid-cols-[11rem_minmax(0,1fr)] gap-3 border-b py-1.5">
                <dt className="text-soft">{name}</dt>
                <dd>{text}</dd>
              </div>
            ))}
          </dl>
          <section>
            <h2 className="mb-1 text-[15px] font-semibold">Measures</h2>
            <table className="w-full border-collapse border-t">
              <tbody>
                {Object.entries(release.nominal).map(([id, measure]) => (
                  <tr key={id} className="border-b">
                    <th scope="row" className="py-1.5 pr-4 text-left font-normal whitespace-nowrap">
                      {id.replaceAll('-', ' ')}
                    </th>
                    <td className="pr-4 font-mono whitespace-nowrap">
                      {measure.value} ± {measure.tolerance} {measure.unit}
                    </td>
                    <td className="text-[13px] text-soft">
                      {measure.perSize ? `at size ${measure.atSize}; ${measure.perSize} ${measure.unit} a size; ` : ''}
                      {(measure.by ?? []).map((by) => `${whenWords(by)}: ${by.value} ${measure.unit}; `)}
                      {measure.source}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          </section>
          <section>
            <h2 className="mb-1 text-[15px] font-semibold">Variants</h2>
            <ul className="border-t">
              {release.variants.map((variant) => (
                <li key={variant.id} className="border-b py-1.5">
                  {variant.name}
                  <span className="block text-[13px] text-soft">
                    {Object.entries(variant.traits)
                      .map(([trait, states]) => `${trait.replaceAll('-', ' ')}: ${states.join(' or ')}`)
                      .join(' · ')}
                  </span>
                </li>
              ))}
            </ul>
          </section>
          <section>
            <h2 className="mb-1 text-[15px] font-semibold">Checks of its own</h2>
            <ul className="border-t">
              {release.checks.add.map((check) => (
                <li key={check.id} className="border-b py-1.5">
                  <Link
                    href={`/releases/${release.id}/checks/${encodeURIComponent(check.id)}`}
                    className="text-accent underline-offset-4 hover:underline"
                  >
                    {check.name}
                  </Link>{' '}
                  <span className="block text-[13px] text-soft">{check.expected}</span>
                </li>
              ))}
              {off.length > 0 && (
                <li className="border-b py-1.5">
                  Not asked of it: <span className="text-soft">{off.join(', ')}</span>
                </li>
              )}
              {release.checks.add.length + off.length === 0 && (
                <li className="border-b py-1.5 text-soft">None; it is asked what its kind is asked.</li>
              )}
            </ul>
          </section>
        </div>
        <section className="min-w-0">
          <h2 className="mb-1 text-[15px] font-semibold">{chart ? `Sizes, ${chart.body.name}` : 'Sizes'}</h2>
          <div className="overflow-x-auto">
            <table className="w-full border-collapse border-t">
              <thead>
                <tr className="border-b text-left text-[13px] text-soft">
                  {chart ? (
                    columns.map((column) => (
                      <th key={column.id} scope="col" className="py-1 pr-4 font-normal">
                        {column.name}
                      </th>
                    ))
                  ) : (
                    <th scope="col" className="py-1 pr-4 font-normal">
                      Size
                    </th>
                  )}
                  <th scope="col" className="font-normal">
                    Barcode number
                  </th>
                </tr>
              </thead>
              <tbody>
                {release.sizes.map(({ key, gtin }) => {
                  const row = chart?.body.rows.find((each) => each.key === key);
                  return (
                    <tr key={key} className="border-b">
                      {chart ? (
                        columns.map((column) => (
                          <td key={column.id} className="py-1 pr-4 font-mono">
                            {row?.values[column.id]}
                          </td>
                        ))
                      ) : (
                        <td className="py-1 pr-4 font-mono">{key}</td>
                      )}
                      <td className="font-mono whitespace-nowrap">{grouped(gtin)}</td>
                    </tr>
                  );
                })}
              </tbody>
            </table>
          </div>
        </section>
      </div>
    </main>
  );
}
