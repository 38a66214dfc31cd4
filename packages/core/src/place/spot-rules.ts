import { above, all, anyOf, below, is, not } from '../rules/fuzzy.js';
import type { Rule } from '../rules/rule.js';

const COLD_SEASON = ['phase:winter', 'phase:staging', 'phase:late-fall', 'phase:winter-refuge'] as const;
const SPRING = ['phase:staging', 'phase:pre-spawn'] as const;

/** What a chart adds to a place, as log-weights: what lies beside it, wind, shade, how far up an arm. Judgement. */
export const SPOT_RULES: readonly Rule<{ readonly spot: number }>[] = [
  {
    id: 'wind-blown-bank',
    when: all(is('spot:wind-blown'), above('windMps', 2, 5), not(is('phase:spawn'))),
    effect: { spot: 0.6 },
    text: 'The wind blows onto it and brings food',
  },
  {
    id: 'beds-out-of-the-wind',
    when: all(is('spot:wind-blown'), above('windMps', 2, 5), is('phase:spawn')),
    effect: { spot: -0.7 },
    text: 'Out of the wind, where beds keep clean',
    against: 'Too much wind on it for beds',
  },
  {
    id: 'beside-spawning-flat',
    when: all(is('spot:beside-flat'), anyOf('phase:staging', 'phase:pre-spawn', 'phase:spawn', 'phase:spring-rise')),
    effect: { spot: 0.5 },
    text: 'A flat to spawn and feed on lies beside it',
  },
  {
    id: 'road-beside-it',
    when: all(is('spot:beside-channel'), anyOf(...COLD_SEASON, 'phase:pre-spawn', 'phase:post-spawn', 'phase:summer')),
    effect: { spot: 0.5 },
    text: 'A channel runs by: the road they come and go by',
  },
  {
    id: 'deep-water-at-hand',
    when: all(
      is('spot:deep-at-hand'),
      anyOf(...COLD_SEASON, 'phase:summer', 'phase:summer-heat', 'front:post-frontal', 'level:falling'),
    ),
    effect: { spot: 0.4 },
    text: 'Deep water is a short way off',
  },
  {
    id: 'far-from-the-deep',
    when: all(not(is('spot:deep-at-hand')), anyOf('phase:winter', 'phase:staging', 'phase:late-fall')),
    effect: { spot: -0.5 },
    text: 'Deep water is near enough',
    against: 'Far from deep water for the cold season',
  },
  {
    id: 'shade-side',
    when: all(is('spot:shade'), is('bright-and-calm'), above('surfaceTempC', 14, 19)),
    effect: { spot: 0.5 },
    text: 'On the shady side under a high sun',
  },
  {
    id: 'cold-shade',
    when: all(is('spot:shade'), below('surfaceTempC', 11.5, 15.5), above('sunWarmth', 0.15, 0.6)),
    effect: { spot: -0.4 },
    text: 'In the sun, where cold water warms first',
    against: 'In the shade while the sun warms the other side',
  },
  {
    id: 'fall-backs-first',
    when: all(is('spot:arm-back'), is('phase:fall')),
    effect: { spot: 0.6 },
    text: 'Fall creeks: the very back comes first',
  },
  {
    id: 'fall-mouths-next',
    when: all(is('spot:arm-mouth'), anyOf('phase:fall', 'phase:late-fall', 'phase:early-fall')),
    effect: { spot: 0.4 },
    text: 'Fall creeks: after the back comes the mouth',
  },
  {
    id: 'fall-middle-last',
    when: all(is('spot:arm-middle'), is('phase:fall')),
    effect: { spot: -0.3 },
    text: 'Between back and mouth they only pass through',
    against: 'Between back and mouth they only pass through',
  },
  {
    id: 'spring-part-way-in',
    when: all(is('spot:arm-middle'), anyOf(...SPRING)),
    effect: { spot: 0.35 },
    text: 'Part way up an arm, on the way to the spawning flats',
  },
  {
    id: 'mud-backs',
    when: all(is('spot:arm-back'), is('regime:mud-rising')),
    effect: { spot: 0.4 },
    text: 'Rising mud sends them to the backs',
  },
];
