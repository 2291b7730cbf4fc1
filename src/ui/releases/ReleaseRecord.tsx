import Link from 'next/link';
import type { KindDefinition } from '@/core/checks/check';
import { whenWords } from '@/core/checks/expectation';
import { type GtinReading, groupGtin, readGtin } from '@/core/codes/gtin';
import { ORDER_NAMES } from '@/core/dates/dateOrder';
import { formatDay } from '@/core/dates/day';
import { plausibleStart } from '@/core/dates/productionWindow';
import { formatMoney } from '@/core/listing/money';
import type { Maker, Release, Revision } from '@/core/releases/release';
import { partName, partOf, valueWords } from '@/core/releases/statement';
import type { SizeChart } from '@/core/sizes/sizeChart';
import { KeyLink } from '../records/KeyLink';
import { RecordTabs } from '../records/RecordTabs';
import { ShelfSection } from './ShelfSection';

const grouped = (gtin: string): string => {
  const [reading] = readGtin(gtin).readings;
  return reading ? groupGtin(reading as GtinReading) : gtin;
};

/** One release record: what an item of it must show. */
export function ReleaseRecord({
  release: { body: release, revision },
  maker,
  chart,
  kind,
}: {
  release: Revision<Release>;
  maker: Revision<Maker> | null;
  chart: Revision<SizeChart> | null;
  kind: KindDefinition;
}) {
  const names = new Map(kind.checks.map(({ id, name }) => [id, name]));
  const window = release.releaseDate ? plausibleStart(release.releaseDate, release.leadTime) : null;
  const rows: [string, string | null][] = [
    ['Released', release.releaseDate ? formatDay(release.releaseDate) : 'not known'],
    ...Object.entries(release.marketDates ?? {}).map(([market, day]): [string, string] => [
      `Released, ${market}`,
      formatDay(day),
    ]),
    ['Production may start', window && `${formatDay(window.earliest)} to ${formatDay(window.latest)}`],
    ['Factories', release.factories.map(({ code, country }) => `${code}, ${country}`).join('; ') || null],
    ['Dates are printed', maker && ORDER_NAMES[maker.body.dateOrder]],
    [
      'Packaging eras',
      (release.eras ?? [])
        .map(({ name, from, until }) => `${name}, ${formatDay(from)} to ${until ? formatDay(until) : 'now'}`)
        .join('; ') || null,
    ],
    ['Box code', release.dimensions ? valueWords(release.dimensions) : null],
    ['Materials', release.materials ?? null],
    ['Price', (release.prices ?? []).map((price) => `${formatMoney(price)} (${price.market})`).join('; ') || null],
    ['Source', release.source],
    [
      'Not all is known',
      release.incomplete ? 'factories, variants, boxes and materials that are not here may be genuine too' : null,
    ],
  ];
  const facts = rows.filter((row): row is [string, string] => row[1] !== null);
  const statements = release.statements ?? [];
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
        <div className="flex flex-wrap justify-end gap-x-5">
          <KeyLink hotkey="w" href={`/releases/${release.id}/edit`}>
            Edit
          </KeyLink>
          <KeyLink hotkey="c" href={`/releases/new?from=${release.id}`}>
            Another colour
          </KeyLink>
          <KeyLink hotkey="v" href={`/releases/${release.id}/revisions`}>
            {`Revision ${revision}`}
          </KeyLink>
        </div>
      </div>
      {release.retired && (
        <p className="mb-2">
          Out of use since {formatDay(release.retired.on)}: {release.retired.why}. Its name no longer proposes it; its
          codes still find it.
        </p>
      )}
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
            {Object.keys(release.nominal).length === 0 && (
              <p className="border-b py-1.5 text-soft">None is known, so what is measured is held against nothing.</p>
            )}
          </section>
          {release.wording && (
            <section>
              <h2 className="mb-1 text-[15px] font-semibold">Words</h2>
              <dl className="border-t">
                {Object.entries(release.wording).map(([check, words]) => (
                  <div key={check} className="border-b py-1.5">
                    <dt className="text-[13px] text-soft">{names.get(check) ?? check}</dt>
                    <dd>“{words.join('” or “')}”</dd>
                  </div>
                ))}
              </dl>
            </section>
          )}
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
              {release.variants.length === 0 && (
                <li className="border-b py-1.5 text-soft">None is known, so nothing is held together by them.</li>
              )}
            </ul>
          </section>
          {statements.length > 0 && (
            <section>
              <h2 className="mb-1 text-[15px] font-semibold">Who says so</h2>
              <ul className="border-t">
                {statements.map((statement) => (
                  <li key={JSON.stringify(statement)} className="border-b py-1.5">
                    {partName(release, statement.about)}: {statement.source}
                    <span className="text-soft">
                      , {formatDay(statement.on)}, {statement.support}
                    </span>
                    {statement.says !== undefined && (
                      <span className="block text-[13px]">
                        says {valueWords(statement.says)}, the record {valueWords(partOf(release, statement.about))};{' '}
                        {statement.setAside ?? 'nobody has decided'}
                      </span>
                    )}
                  </li>
                ))}
              </ul>
            </section>
          )}
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
        <div className="grid min-w-0 content-start gap-6">
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
                        {gtin === '' ? (
                          <td className="text-soft">not known</td>
                        ) : (
                          <td className="font-mono whitespace-nowrap">{grouped(gtin)}</td>
                        )}
                      </tr>
                    );
                  })}
                </tbody>
              </table>
            </div>
          </section>
          <ShelfSection release={release} kind={kind} />
        </div>
      </div>
    </main>
  );
}
