/** The order in which a maker or market prints the parts of a date. */
export type DateOrder = 'YMD' | 'DMY' | 'MDY';

/** The order in which a date was taken; `WY`, week and year, where month and year would do as well. */
export type TakenOrder = DateOrder | 'WY';

/** For people: `day/month/year`. */
export const ORDER_NAMES: Record<TakenOrder, string> = {
  WY: 'week/year',
  YMD: 'year/month/day',
  DMY: 'day/month/year',
  MDY: 'month/day/year',
};
