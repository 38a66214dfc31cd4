import type { DateOrder } from '@inky-shoal/core/formats';

/** In which order day, month and year stand, in words. */
export const DATE_ORDER_NAMES: Readonly<Record<DateOrder, string>> = {
  ymd: 'year, month, day',
  mdy: 'month, day, year',
  dmy: 'day, month, year',
};
