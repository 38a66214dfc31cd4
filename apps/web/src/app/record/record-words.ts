import { nameOf, type Plan } from '@inky-shoal/core';
import type { Moved } from '@inky-shoal/core/record';

/** Where a plan with the record fishes something else first, in words; null where it does not. */
export function changedWords(plan: Plan, shipped: Plan, windowId: string): string | null {
  const firstOf = ({ windows }: Plan) => windows.find(({ id }) => id === windowId);
  const [own, other] = [firstOf(plan), firstOf(shipped)];
  const [lure, before] = [own?.presentations[0], other?.presentations[0]];
  const [place, placeBefore] = [own?.holding[0], other?.holding[0]];
  const said: string[] = [];
  if (lure && before && lure.category !== before.category) {
    said.push(`the ${nameOf(lure.category)} before the ${nameOf(before.category)}`);
  }
  if (place && placeBefore && place.structure !== placeBefore.structure) {
    said.push(`the ${nameOf(place.structure)} before the ${nameOf(placeBefore.structure)}`);
  }
  return said.length ? said.join(', and ') : null;
}

export const countWords = (value: number, one: string): string => `${value} ${value === 1 ? one : `${one}s`}`;

/** How much the record rests on, in words. */
export const restsOn = (trips: number, hours: number): string =>
  `${countWords(trips, 'trip')}, ${countWords(Math.round(hours), 'hour')}`;

const figure = (value: number): string => value.toFixed(2).replace(/0$/, '');

/** What the record moved, in words: what it was, what it is, and the hours behind it. */
export function movedWords({ what, kind, prior, posterior, hours }: Moved): string {
  const from = countWords(Math.max(1, Math.round(hours)), 'hour');
  if (kind === 'factor') return `${what}: ${figure(posterior)} times the bites the rules expect (${from})`;
  return `${what}: weighs ${figure(posterior)}, shipped ${figure(prior)} (${from})`;
}

/** What one's own trips made of the weights of rules, by rule. */
export const learntByRule = (moved: readonly Moved[]): Map<string, string> =>
  new Map(
    moved.flatMap(({ rule, prior, posterior, hours }) =>
      rule === null
        ? []
        : [
            [
              rule,
              `Shipped weight ${figure(prior)}; by your trips ${figure(posterior)} (${countWords(Math.max(1, Math.round(hours)), 'hour')}).`,
            ],
          ],
    ),
  );
