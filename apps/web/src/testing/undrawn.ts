import type { DrawnChart as Drawn } from '../app/ui/drawn-chart';

/**
 * Stands in for a picture on a canvas, which the test environment does not have: what is drawn is looked at in the browser.
 *
 * @example
 * ```ts
 * jest.mock('../ui/drawn-chart', () => jest.requireActual<object>('../../testing/undrawn'));
 * ```
 */
export class DrawnChart implements Pick<Drawn, 'redraw' | 'valueAt'> {
  redraw = () => false;
  valueAt = () => undefined;
}

/** Marks along the axes that nobody sees. */
export const ticksAcross = () => ({});
export const ticksUp = () => ({});
