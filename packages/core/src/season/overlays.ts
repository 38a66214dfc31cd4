import type { Discipline, OverlayId } from '../contract/ids.js';
import type { Plan } from '../contract/plan.js';
import type { Facts, Known } from '../rules/facts.js';
import { above, all, any, anyOf, below, between, is, not } from '../rules/fuzzy.js';
import { fire, reasonOf, strongest, type Rule } from '../rules/rule.js';
import type { UnitSystem } from '../units/units.js';

const springPhase = anyOf('phase:spawn', 'phase:post-spawn', 'phase:pre-spawn', 'phase:summer');

/** What can lie over a phase of a bass water. Each has its own trigger; effects are strengths, of which the greatest counts. */
const BASS_OVERLAY_RULES: readonly Rule<OverlayId>[] = [
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

const marsh = anyOf('cover:emergent-grass', 'structure:marsh-point', 'structure:grass-edge');

/** The same of tidal water. */
const INSHORE_OVERLAY_RULES: readonly Rule<OverlayId>[] = [
  {
    id: 'bait-leaves-cooling-marsh',
    when: all(is('phase:fall-run'), below('tempTrendCPerDay', -0.2, 0), between('surfaceTempC', 13, 16, 25, 28)),
    effect: 'bait-leaving',
    text: 'The marsh cools, and bait leaves it on every ebb',
  },
  {
    id: 'spring-tide-on-the-grass',
    when: all(above('springShare', 0.7, 1), above('surfaceTempC', 16, 19), marsh),
    effect: 'flood-on-grass',
    text: 'A spring tide goes over the marsh grass, and fish with it',
  },
  {
    id: 'held-water-on-the-grass',
    when: all(above('overTableM', 0.1, 0.3), above('surfaceTempC', 16, 19), marsh),
    effect: 'flood-on-grass',
    text: 'The water stands over its table and goes over the marsh grass',
  },
  {
    id: 'water-that-stuns',
    when: below('surfaceTempC', 6, 9),
    effect: 'cold-kill',
    text: 'Under {temp:8} the cold stuns fish on the flats',
  },
  {
    id: 'sharp-cold-stuns',
    when: all(below('surfaceTempC', 9, 12.5), below('tempTrendCPerDay', -1.5, -0.8)),
    effect: 'cold-kill',
    text: 'So sharp a fall stuns fish on the flats',
  },
];

/** What can lie over a phase, of all waters. */
export const OVERLAY_RULES: readonly Rule<OverlayId>[] = [...BASS_OVERLAY_RULES, ...INSHORE_OVERLAY_RULES];

/** The rules of overlays for a kind of water. */
export const overlayRulesFor = (discipline: Discipline): readonly Rule<OverlayId>[] =>
  discipline === 'bass' ? BASS_OVERLAY_RULES : INSHORE_OVERLAY_RULES;

/** Overlays that hold now, each with its strength, 0 to 1, strongest first. */
export function judgeOverlays(
  facts: Facts,
  discipline: Discipline,
  units: UnitSystem,
): { overlays: Plan['overlays']; facts: Known } {
  const fired = fire(overlayRulesFor(discipline), facts, 0.1);
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
