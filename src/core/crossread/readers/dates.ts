import { cleanText } from '../../codes/clean';
import { type DateOrder, ORDER_NAMES } from '../../dates/dateOrder';
import { formatDay } from '../../dates/day';
import { type DayInterval, formatInterval } from '../../dates/interval';
import { type DateReading, readPrintedDate } from '../../dates/printedDate';
import { compareWithRelease, type ProductionWindow, readProductionWindow } from '../../dates/productionWindow';
import { MARKET_TRAIT, marketNamed } from '../../releases/market';
import type { ReadingContext } from '../context';
import { type FactReading, type FactResult, fails } from '../reading';
import { wordsKey } from '../words';

/**
 * The day/month orders that a label at a place may use: those of the markets that the release is made for,
 * narrowed by the factory code beside it.
 */
export function ordersAt(place: string | null, { maker, release, facts }: ReadingContext): DateOrder[] {
  const usual = maker?.dateOrder ?? 'DMY';
  const special = maker?.dateOrders;
  if (!special) return [usual];
  const factory = place ? facts[place]?.factoryCode?.raw : undefined;
  const variants = (release?.variants ?? []).filter(
    ({ traits }) => !factory || !traits.factory || traits.factory.some((code) => wordsKey(code) === wordsKey(factory)),
  );
  const orders = variants.flatMap(({ traits }) =>
    (traits[MARKET_TRAIT.id] ?? []).map((market) => special[marketNamed(special, market) ?? ''] ?? usual),
  );
  return orders.length > 0 ? [...new Set(orders)] : [usual];
}

/** True where the maker is known to print dates in the order in which a window was read. */
const usual = ({ order }: ProductionWindow, orders: DateOrder[] | null): boolean =>
  order === null || orders === null || orders.some((each) => each === order);

/**
 * What to show of the windows that are still possible. Those in the maker's own orders are used while there are
 * any; else the reading is moot.
 *
 * @param windows at least one
 * @param orders that the maker prints; null where that is not known
 */
export function windowReading(windows: ProductionWindow[], orders: DateOrder[] | null): FactReading {
  const own = windows.filter((window) => usual(window, orders));
  const used = own.length > 0 ? own : windows;
  const others = own.length > 0 ? windows.filter((window) => !own.includes(window)) : [];
  const spoken = used.map(({ start, end, order }) => {
    const [from, to] = [formatInterval(start), formatInterval(end)];
    return `${from === to ? from : `${from} – ${to}`}${order && windows.length > 1 ? ` (${ORDER_NAMES[order]})` : ''}`;
  });
  const [first] = used as [ProductionWindow, ...ProductionWindow[]];
  const known = (orders ?? []).map((each) => ORDER_NAMES[each]).join(' or ');
  return {
    normal: `${first.start.from}/${first.end.to}`,
    display: spoken[0] as string,
    windows: used,
    made: used.map(({ start }) => start),
    ...(used.length > 1 ? { says: `may also be ${spoken.slice(1).join(', or ')}` } : {}),
    ...(others.length > 0 ? { otherWindows: others } : {}),
    ...(own.length === 0 && first.order
      ? { moot: `read as ${ORDER_NAMES[first.order]}; this maker is known to print ${known}` }
      : {}),
  };
}

/** The windows that suit the release, in whatever order; all of them where none does. */
function suiting(windows: ProductionWindow[], { release }: ReadingContext): ProductionWindow[] {
  if (!release?.releaseDate) return windows;
  const { releaseDate, leadTime } = release;
  const fits = windows.filter((window) => compareWithRelease(window, releaseDate, leadTime).daysOff === 0);
  return fits.length > 0 ? fits : windows;
}

/** The orders that are known of the label at a place; null where the maker is not known. */
export const knownOrders = (place: string | null, context: ReadingContext): DateOrder[] | null =>
  context.maker ? ordersAt(place, context) : null;

export function readWindowFact(raw: string, place: string | null, context: ReadingContext): FactResult {
  const preferred = ordersAt(place, context)[0] as DateOrder;
  const { windows, expires, failure } = readProductionWindow(raw, { preferred, latest: context.today });
  if (failure) return { failure };
  if (windows.length > 0) {
    const reading = windowReading(suiting(windows, context), knownOrders(place, context));
    return { reading: expires.length > 0 ? { ...reading, expires } : reading };
  }
  const [expiry] = expires as [DateReading, ...DateReading[]];
  const display = `expires ${formatInterval(expiry)}`;
  return { reading: { normal: display, display, expires, says: 'an expiry date; it does not say when it was made' } };
}

/** The reading of a claim of which several days are possible, the first being the one that is used. */
export function boughtReading(readings: DayInterval[]): FactReading {
  const [first] = readings as [DayInterval, ...DayInterval[]];
  const says = readings.length > 1 ? `or ${readings.slice(1).map(formatInterval).join(', or ')}` : undefined;
  return { normal: `${first.from}/${first.to}`, display: formatInterval(first), made: readings, says };
}

/** When the seller says to have bought it; written by a person, so in any order that the maker's country reads. */
export function readBoughtFact(raw: string, { maker, today }: ReadingContext): FactResult {
  const { readings, failure } = readPrintedDate(raw, { preferred: maker?.dateOrder ?? 'DMY', latest: today });
  return failure ? { failure } : { reading: boughtReading(readings) };
}

/** The era of the packaging artwork, by the name that the record gives it. */
export function readEraFact(raw: string, { release, today }: ReadingContext): FactResult {
  const eras = release?.eras ?? [];
  const era = eras.find(({ id, name }) => [id, name].some((each) => wordsKey(each) === wordsKey(raw)));
  if (!era && eras.length > 0)
    return fails(`The record knows the eras ${eras.map(({ name }) => `“${name}”`).join(' and ')}.`);
  if (!era) return { reading: { normal: wordsKey(raw), display: cleanText(raw) } };
  const until = era.until ?? today;
  const says = `${formatDay(era.from)} – ${era.until ? formatDay(era.until) : 'today'}`;
  return {
    reading: {
      normal: wordsKey(era.name),
      display: era.name,
      says,
      made: [{ from: era.from, to: until, precision: 'day' }],
    },
  };
}
