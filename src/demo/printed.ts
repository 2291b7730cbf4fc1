import { epcOfItem } from '@/core/codes/epcOfItem';
import type { CodeScheme } from '@/core/codes/schemes/codeScheme';
import { encode } from '@/core/codes/schemes/encode';
import { expandFacts, sizeColumnOf } from '@/core/crossread/facts';
import type { DateOrder } from '@/core/dates/dateOrder';
import { addDays } from '@/core/dates/day';
import type { Maker, Release } from '@/core/releases/release';
import { findRow, mirrored, type SizeChart } from '@/core/sizes/sizeChart';

/** A genuine item that nobody made. */
export interface MadeUpItem {
  release: Release | null;
  maker: Maker | null;
  chart: SizeChart | null;
  schemes: CodeScheme[];
  size: string | null;
  /** Place of its factory in the release's list. */
  factory: number;
  /** Days from the start of production to the release. */
  lead: number;
  /** Tells it from every other item. */
  number: number;
}

const twoDigits = (day: string): [year: string, month: string, date: string] => [
  day.slice(2, 4),
  day.slice(5, 7),
  day.slice(8, 10),
];

/** A day as that maker prints it. */
function printDay(day: string, order: DateOrder): string {
  const [year, month, date] = twoDigits(day);
  if (order === 'YMD') return day;
  return order === 'DMY' ? `${date}/${month}/${year}` : `${month}/${date}/${year}`;
}

const WINDOW_DAYS = 61;

/** Looked for and not printed. */
export const ABSENT = '-';

/** Days after the start of production on which a place was printed; box and goods are made separately. */
const PRINTED_AFTER: Record<string, number> = { boxBase: 9, label: 4 };

/** A code as its maker writes it for this item. */
function genuineCode(fact: string, place: string, item: MadeUpItem, day: string): string | null {
  const { schemes, number, factory } = item;
  const scheme = schemes.find((each) => each.fact === fact && (each.from ?? day) <= day && day <= (each.until ?? day));
  if (!scheme) return null;
  const plants = scheme.segments.flatMap((each) =>
    each.name === 'plant' && each.type === 'table' ? Object.keys(each.values) : [],
  );
  const texts: Record<string, string> = {
    plant: plants[factory % Math.max(1, plants.length)] ?? '',
    // Three digits, however many items there are.
    pair: String(100 + ((7 * number) % 900)),
    side: place === 'innerLabelRight' ? 'R' : 'L',
    number: String(400 + 13 * number).padStart(5, '0'),
    batch: '17',
    shift: 'ABC'.charAt(number % 3),
    line: String(1 + (number % 4)),
    bench: 'K2',
    hour: String(6 + (number % 12)).padStart(2, '0'),
    series: 'MA',
  };
  if (scheme.segments.some((each) => each.name === 'bench' && each.type === 'letters')) texts.bench = 'K';
  return encode(scheme, { day, texts });
}

/** The tag of this very item. */
function genuineEpc({ release, maker, size, number }: MadeUpItem): string | null {
  const gtin = release?.sizes.find(({ key }) => key === size)?.gtin;
  const companyPrefix = maker?.gtinPrefixes[0];
  if (!gtin || !companyPrefix) return null;
  return epcOfItem(gtin, companyPrefix, String(70_000 + number));
}

/**
 * What a genuine item prints for a fact at a place.
 *
 * @returns null where such an item prints nothing there; `ABSENT` where it was looked for and is not printed
 */
export function genuineText(fact: string, place: string, item: MadeUpItem): string | null {
  const { release, chart, maker, size } = item;
  if (!release?.releaseDate || !maker) return null;
  const start = addDays(release.releaseDate, -item.lead);
  const column = sizeColumnOf(fact);
  if (column) return (chart && size && findRow(chart, size)?.values[column]) || null;
  const factory = release.factories[item.factory];
  switch (fact) {
    case 'gtin':
      return release.sizes.find(({ key }) => key === size)?.gtin ?? null;
    case 'styleCode':
      return release.styleCode;
    case 'model':
      return release.name.toUpperCase();
    case 'colourName':
      return release.colourName.toUpperCase();
    case 'size':
      return size;
    case 'factoryCode':
      return factory?.code ?? null;
    case 'country':
      return factory?.country.toUpperCase() ?? null;
    case 'batchCode':
      // One batch fills box and bottle.
      return genuineCode(fact, place, item, start);
    case 'dateCode':
    case 'serial':
    case 'securityCode':
    case 'unitNumber':
      return genuineCode(fact, place, item, addDays(start, PRINTED_AFTER[place] ?? 0));
    case 'epc':
      return genuineEpc(item);
    case 'secondEpc':
      return ABSENT;
    case 'materials':
      return release.materials ?? null;
    case 'dimensions': {
      const { type, length, width, height } = release.dimensions ?? {};
      return length ? `${type} ${length}x${width}x${height}` : null;
    }
    case 'mirroredSize':
      return (chart?.mirrored && size && mirrored(size)) || null;
    case 'notches': {
      const tens = Math.floor(Number(size) / 10);
      return chart?.notches ? `${tens} long, ${Math.floor(Number(size) % 10)} short` : null;
    }
    case 'productionWindow': {
      return `${printDay(start, maker.dateOrder)} - ${printDay(addDays(start, WINDOW_DAYS), maker.dateOrder)}`;
    }
    default:
      return null;
  }
}

/**
 * All that a genuine item prints at a place, by fact id.
 *
 * @param facts of the place, as its kind of goods lists them
 */
export function printedAt(place: string, facts: string[], item: MadeUpItem): Record<string, string> {
  const texts = expandFacts(facts, item.chart).map(({ id }): [string, string | null] => [
    id,
    genuineText(id, place, item),
  ]);
  return Object.fromEntries(texts.filter((each): each is [string, string] => each[1] !== null && each[1] !== ABSENT));
}
