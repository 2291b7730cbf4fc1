import { ORDER_NAMES } from '@/core/dates/dateOrder';
import type { Maker } from '@/core/releases/release';
import { RecordList } from '../records/RecordList';

/** The makers that the desk knows. */
export function MakerList({ makers }: { makers: Maker[] }) {
  return (
    <RecordList
      title="Makers"
      headings={['Prefix', 'Maker', 'Style codes', 'Dates', 'Countries']}
      lines={makers.map(({ id, name, gtinPrefixes, styleShape, dateOrder, countries = [] }) => ({
        href: `/makers/${id}`,
        cells: [
          gtinPrefixes.join(', '),
          name,
          styleShape,
          ORDER_NAMES[dateOrder],
          countries.map((country) => country.name).join(', '),
        ],
      }))}
      addHref="/makers/new"
      addName="Add a maker"
      empty="No maker is kept yet. Add one: its name and how its style codes look are enough to begin."
    />
  );
}
