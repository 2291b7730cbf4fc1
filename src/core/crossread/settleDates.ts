import type { DayInterval } from '../dates/interval';
import type { ProductionWindow } from '../dates/productionWindow';
import { type Cell, moot } from './cell';
import type { ReadingContext } from './context';
import type { DatesReading } from './datesReading';
import { boughtReading, knownOrders, windowReading } from './readers/dates';
import type { FactReading } from './reading';
import type { Row } from './row';

const has = (intervals: DayInterval[] | undefined, { from, to }: DayInterval): boolean =>
  !intervals || intervals.some((each) => each.from === from && each.to === to);

/** What is left of a reading once the other dates have had their say; null where they leave it as it is. */
function narrowed({ reading, place, fact }: Cell, { kept }: DatesReading, context: ReadingContext): FactReading | null {
  if (!reading?.made || reading.uncertain) return null;
  const id = `${place}.${fact}`;
  if (reading.windows) {
    const possible = ({ start, end }: ProductionWindow) => has(kept[id], start) && has(kept[`${id}.end`], end);
    const left = reading.windows.filter(possible);
    const others = reading.otherWindows?.filter(possible) ?? [];
    if (left.length === reading.windows.length || left.length + others.length === 0) return null;
    const settled = windowReading(left.length > 0 ? left : others, knownOrders(place, context));
    return reading.expires ? { ...settled, expires: reading.expires } : settled;
  }
  const left = reading.made.filter((each) => has(kept[id], each));
  return fact === 'boughtOn' && left.length > 0 && left.length < reading.made.length ? boughtReading(left) : null;
}

/**
 * Let the dates that stand beside it decide how an ambiguous date is read. Changes the rows.
 */
export function settleDates(rows: Row[], dates: DatesReading, context: ReadingContext): void {
  for (const row of rows) {
    for (const cell of Object.values(row.cells)) {
      const reading = narrowed(cell, dates, context);
      if (!reading) continue;
      const by = 'the other dates leave only this reading';
      const note = reading.moot ? moot(reading) : cell.mark === 'agrees' ? `${by}; plausible by the record` : cell.note;
      const mark = reading.moot && cell.mark === 'agrees' ? 'cantTell' : cell.mark;
      const segments = cell.problems.length > 0 ? cell.segments : [{ text: reading.display, differs: false }];
      row.cells[cell.place] = { ...cell, reading, display: reading.display, segments, mark, note };
    }
  }
}
