import type { RetrieveStyle } from '../contract/ids.js';
import type { Range } from '../contract/plan.js';
import type { Facts } from '../rules/facts.js';
import { degreeOf } from '../rules/fuzzy.js';
import type { Category } from './category.js';

/** A range that holds under a water temperature, degrees Celsius. */
export type Step = readonly [underC: number, range: Range];

/** Speed by water temperature, m/s. The field's working figures: 45, 55, 65 and 75 degrees Fahrenheit. */
export const SPEED_MPS: readonly Step[] = [
  [7.22, [0.2, 0.4]],
  [12.78, [0.3, 0.6]],
  [18.33, [0.5, 0.9]],
  [23.89, [0.7, 1.3]],
  [Infinity, [0.9, 1.8]],
];

/** The range that holds at a water temperature. */
export const rangeAt = (steps: readonly Step[], tempC: number): Range =>
  (steps.find(([under]) => tempC < under) as Step)[1];

const FREE_FALL_STYLES: ReadonlySet<RetrieveStyle> = new Set(['shake', 'bounce-slack', 'dead-stick', 'drag']);

/** The style the conditions call for: the first of the category's styles that holds by half. */
export function styleOf(category: Category, facts: Facts): RetrieveStyle {
  return (category.styles.find(({ when }) => degreeOf(when, facts) >= 0.5) ?? category.styles[0]).style;
}

/** Speed in m/s: the temperature's range within what the lure can do. Colder is never faster. */
export function speedMps(category: Category, style: RetrieveStyle, facts: Facts): [number, number] {
  const [from, to] = rangeAt(SPEED_MPS, facts.figure('surfaceTempC') ?? 15);
  const slow = FREE_FALL_STYLES.has(style) ? 0.4 : facts.degree('front:post-frontal') ? 0.8 : 1;
  const [least, most] = category.paceMps;
  const within = (speed: number) => Math.min(most, Math.max(least, speed * slow));
  return [within(from), within(to)];
}
