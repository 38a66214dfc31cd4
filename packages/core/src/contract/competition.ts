import * as z from 'zod';
import { clockTime, maybe, oneOf, quantity, record } from './fields.js';

/** What the fish of a competition are ranked by. */
export const COUNTED_BY = ['weight', 'length'] as const;

/** Days before a competition on which one may have practised. */
export const MAX_PRACTICE_DAYS = 30;

/** The rules of a day that counts. */
export const Competition = record('a competition with limit and by', {
  /** Fish that count. */
  limit: quantity('a number of fish that count', 1, 20).int({ error: 'expected a whole number of fish that count' }),
  by: oneOf('what counts', COUNTED_BY),
  /** Whether a fish in the box may be let go for a better one. */
  culling: z.boolean({ error: 'expected true or false for letting one go for a better one' }),
  /** What a fish must measure to count. */
  minimumMm: maybe(quantity('a length in millimetres', 50, 1500)),
  /** When one must be back; the end of the day's window where it is not said. */
  backBy: maybe(clockTime),
  /** Days before it whose trips on this water were practice. */
  practiceDays: maybe(
    quantity('days of practice', 0, MAX_PRACTICE_DAYS).int({ error: 'expected whole days of practice' }),
  ),
});
export type Competition = z.infer<typeof Competition>;
