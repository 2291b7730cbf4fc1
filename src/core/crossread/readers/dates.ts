import { cleanText } from '../../codes/clean';
import { formatDay } from '../../dates/day';
import { formatInterval } from '../../dates/interval';
import { type DateOrder, readPrintedDate } from '../../dates/printedDate';
import { compareWithRelease, type ProductionWindow, readProductionWindow } from '../../dates/productionWindow';
import type { ReadingContext } from '../context';
import { type FactResult, fails } from '../reading';
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
  const orders = variants.flatMap(({ traits }) => (traits.market ?? []).map((market) => special[market] ?? usual));
  return orders.length > 0 ? [...new Set(orders)] : [usual];
}

/** All windows that are left when the orders of the market and the release date have had their say. */
function possible(windows: ProductionWindow[], orders: DateOrder[], { release }: ReadingContext): ProductionWindow[] {
  const byMarket = windows.filter((window) => orders.includes(window.order));
  const left = byMarket.length > 0 ? byMarket : windows.slice(0, 1);
  if (!release || left.length === 1) return left;
  const plausible = left.filter(
    (window) => compareWithRelease(window, release.releaseDate, release.leadTime).daysOff === 0,
  );
  return plausible.length > 0 ? plausible : left;
}

export function readWindowFact(raw: string, place: string | null, context: ReadingContext): FactResult {
  const orders = ordersAt(place, context);
  const { window, alternatives, failure } = readProductionWindow(raw, orders[0] as DateOrder);
  if (failure) return { failure };
  const windows = possible([window, ...alternatives], orders, context);
  const spoken = windows.map(({ start, end }) => {
    const [from, to] = [formatInterval(start), formatInterval(end)];
    return from === to ? from : `${from} – ${to}`;
  });
  const [first] = windows as [ProductionWindow, ...ProductionWindow[]];
  const says =
    windows.length > 1 ? `day and month may be the other way round: ${spoken.slice(1).join(', or ')}` : undefined;
  return {
    reading: {
      normal: `${first.start.from}/${first.end.to}`,
      display: spoken[0] as string,
      windows,
      says,
      made: windows.map(({ start }) => start),
    },
  };
}

/** When the seller says to have bought it; written by a person, so in any order that the maker's country reads. */
export function readBoughtFact(raw: string, { maker }: ReadingContext): FactResult {
  const { readings, failure } = readPrintedDate(raw, maker?.dateOrder ?? 'DMY');
  if (failure) return { failure };
  const [first] = readings;
  if (!first) return fails('This is no date.');
  const says = readings.length > 1 ? `or ${readings.slice(1).map(formatInterval).join(', or ')}` : undefined;
  return { reading: { normal: `${first.from}/${first.to}`, display: formatInterval(first), made: readings, says } };
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
