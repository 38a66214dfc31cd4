import type { OverlayId } from '../contract/ids.js';
import type { Plan } from '../contract/plan.js';
import type { Facts, Known } from '../rules/facts.js';
import { all, any, anyOf, below, between, is, not } from '../rules/fuzzy.js';
import { fire, reasonOf, strongest, type Rule } from '../rules/rule.js';
import type { UnitSystem } from '../units/units.js';

const springPhase = anyOf('phase:spawn', 'phase:post-spawn', 'phase:pre-spawn', 'phase:summer');

/** What can lie over a phase. Each has its own trigger; effects are strengths, of which the greatest counts. */
export const OVERLAY_RULES: readonly Rule<OverlayId>[] = [
  {
    id: 'shad-spawn-temperature',
    when: all(between('surfaceTempC', 17.5, 20, 22.5, 24.5), springPhase),
    effect: 'shad-spawn',
    text: 'Shad spawn from about {temp:20}, fully at {temp:21.5}',
  },
  {
    id: 'shad-spawn-signs',
    when: all(
      between('surfaceTempC', 15.5, 17, 24, 26),
      springPhase,
      anyOf('sign:birds-on-bank', 'sign:bait-following'),
    ),
    effect: 'shad-spawn',
    text: 'Birds on the bank or shad behind the lure are the best sign of a shad spawn',
  },
  {
    id: 'turnover-cooling',
    when: all(
      between('surfaceTempC', 11.5, 13.5, 17, 19),
      below('tempTrendCPerDay', -0.25, 0),
      anyOf('phase:fall', 'phase:late-fall'),
      // Where the deep water is followed, its density says it better.
      not(is('basin:followed')),
    ),
    effect: 'turnover',
    text: 'The surface cools towards the deep water: the basin may be mixing, and fish scatter',
  },
  {
    id: 'turnover-density',
    when: is('basin:mixing'),
    effect: 'turnover',
    text: 'The surface is as dense as the deep water: this basin is mixing from top to bottom',
    source: 'densities by the equation of state',
  },
  {
    id: 'front-behind',
    when: any(is('front:post-frontal'), is('front:passing')),
    effect: 'cold-front',
    text: 'A front has come through',
  },
  {
    id: 'run-off-rising',
    when: all(is('level:rising'), below('relativeClarity', 0.5, 0.9)),
    effect: 'run-off',
    text: 'Dirty water and a rising level: run-off is coming in',
  },
  {
    id: 'run-off-inflow',
    when: anyOf('inflow:warmer', 'inflow:colder'),
    effect: 'run-off',
    text: 'Fresh inflow is entering the water',
  },
];

/** Overlays that hold now, each with its strength, 0 to 1, strongest first. */
export function judgeOverlays(facts: Facts, units: UnitSystem): { overlays: Plan['overlays']; facts: Known } {
  const fired = fire(OVERLAY_RULES, facts, 0.1);
  const overlays = [...new Set(fired.map(({ rule }) => rule.effect))]
    .map((id) => {
      const own = fired.filter(({ rule }) => rule.effect === id);
      return {
        id,
        strength: Math.max(...own.map(({ degree }) => degree)),
        because: strongest(own.map(({ rule, degree }) => reasonOf(rule, degree, units))),
      };
    })
    .sort((a, b) => b.strength - a.strength);
  return { overlays, facts: Object.fromEntries(overlays.map(({ id, strength }) => [`overlay:${id}`, strength])) };
}
