import Link from 'next/link';
import type { KindDefinition } from '@/core/checks/check';
import { checksFor } from '@/core/checks/findings';
import { toleranceStrip } from '@/core/checks/toleranceStrip';
import { formatDay } from '@/core/dates/day';
import { wantedItems, whatTheyTell } from '@/core/library/exemplarAdvice';
import { measuredCopies } from '@/core/releases/knownCopy';
import type { Release } from '@/core/releases/release';
import { exemplarsOf, PROVENANCE, type ShelfItem } from '@/core/releases/shelfItem';
import { Thumbnail } from '../pictures/Thumbnail';
import { MakeSigns } from './MakeSigns';
import { MeasureStrip } from './MeasureStrip';

/** What was photographed of a known item, each named by the check that it was taken for. */
const Pictures = ({
  of: { pictures, pictured = {} },
  names,
}: {
  of: Pick<ShelfItem, 'pictures' | 'pictured'>;
  names: Map<string, string>;
}) =>
  pictures.length > 0 && (
    <div className="mt-1 flex flex-wrap gap-2">
      {pictures.map((sha256, i) => (
        <Thumbnail key={sha256} sha256={sha256} name={names.get(pictured[sha256] ?? '') ?? `picture ${i + 1}`} />
      ))}
    </div>
  );

/** The known genuine items of a release and the known makes of copies, with what was measured on them. */
export function ShelfSection({ release, kind }: { release: Release; kind: KindDefinition }) {
  const { shelf = [], copies = [] } = release;
  const measured = Object.keys(release.nominal).filter((id) => exemplarsOf(release, id).length > 0);
  const names = new Map(checksFor(kind, release).map(({ id, name }) => [id, name]));
  const { can, cannot } = whatTheyTell(shelf.length);
  return (
    <>
      {(shelf.length > 0 || measured.length > 0) && (
        <section>
          <h2 className="mb-1 text-[15px] font-semibold">Known genuine items</h2>
          <ul className="border-t">
            {shelf.map((item) => (
              <li key={item.id} className="border-b py-1.5">
                {item.case ? (
                  <Link href={`/case/${item.case}`} className="text-accent underline-offset-4 hover:underline">
                    {item.from}
                  </Link>
                ) : (
                  item.from
                )}
                {item.sizeKey && `, size ${item.sizeKey}`}
                {item.place && <strong className="font-semibold">, {item.place}</strong>}
                <span className="block text-[13px] text-soft">
                  {PROVENANCE[item.provenance]}, {formatDay(item.on)}, {item.condition}
                  {item.madeFrom && `, made from ${formatDay(item.madeFrom)}`}
                  {item.traits &&
                    ` · ${Object.entries(item.traits)
                      .map(([trait, state]) => `${trait.replaceAll('-', ' ')} ${state}`)
                      .join(', ')}`}
                  {item.note && ` · ${item.note}`}
                </span>
                <Pictures of={item} names={names} />
              </li>
            ))}
          </ul>
          {shelf.length > 0 && (
            <p className="mt-1.5 max-w-[72ch] text-[13px] text-soft">
              {can} {cannot}{' '}
              {wantedItems(release, kind).map(({ what, why }) => `Worth most next: ${what}, for ${why}.`)[0]}
            </p>
          )}
          <div className="mt-3 grid gap-4 sm:grid-cols-2">
            {measured.map((id) => (
              <figure key={id}>
                <figcaption className="text-[13px] text-soft">
                  {id.replaceAll('-', ' ')},{' '}
                  <span className="text-agrees">○ {exemplarsOf(release, id).length} genuine</span>
                  {measuredCopies(copies, id).length > 0 && (
                    <>
                      , <span className="text-differs">▲ copies</span>
                    </>
                  )}
                </figcaption>
                <MeasureStrip strip={toleranceStrip(release, id)} />
              </figure>
            ))}
          </div>
        </section>
      )}
      {copies.length > 0 && (
        <section>
          <h2 className="mb-1 text-[15px] font-semibold">Known copies</h2>
          <ul className="border-t">
            {copies.map((copy) => (
              <li key={copy.id} className="border-b py-1.5">
                {copy.name}
                {copy.generation && `, ${copy.generation}`}
                <span className="text-soft">
                  , met {formatDay(copy.firstMet)}
                  {copy.lastMet !== copy.firstMet && ` to ${formatDay(copy.lastMet)}`}
                  {copy.cases.length > 0 && ` in ${copy.cases.length} ${copy.cases.length === 1 ? 'case' : 'cases'}`}
                </span>
                <div className="text-[13px] text-soft">
                  <MakeSigns copy={copy} names={names} />
                  {copy.note && <p>{copy.note}</p>}
                </div>
                <Pictures of={copy} names={names} />
              </li>
            ))}
          </ul>
        </section>
      )}
    </>
  );
}
