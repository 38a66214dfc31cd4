import { above, all, any, anyOf, below, is, not } from '../../rules/fuzzy.js';
import type { Occasions } from './occasion.js';
import * as day from './situations.js';

const { clear, cold, grass, shad, stems, wood } = day;

/** Bait seen deep, or supposed in its winter schools: without it nothing is fished straight down for. */
const baitBelow = any(is('seen:schooled-deep'), all(is('forage-named'), shad));

/** Metal that is fished straight down, and baits that swim. */
export const METAL_AND_SWIMMER_OCCASIONS = {
  'blade-bait': {
    suits: [
      {
        id: 'blade-bait-cold-deep',
        when: all(below('surfaceTempC', 7, 10.5), above('holdingDepthM', 3, 4.5)),
        effect: 2,
        text: 'Cold and deep: lifted and dropped in front of them',
      },
      {
        id: 'blade-bait-smallmouth',
        when: all(
          anyOf('species:smallmouth', 'species:spotted'),
          below('surfaceTempC', 9, 12.5),
          above('holdingDepthM', 2.5, 3.5),
        ),
        effect: 2.2,
        text: 'Deep cold smallmouth on rock',
      },
      {
        id: 'blade-bait-schools',
        when: all(cold, is('seen:schooled-deep'), above('holdingDepthM', 3, 4.5)),
        effect: 2.2,
        text: 'Under the deep winter school',
      },
    ],
    spoils: [
      { id: 'blade-bait-mild', when: above('surfaceTempC', 9.5, 13), effect: -2.5, text: 'A lure for the cold' },
      {
        id: 'blade-bait-dirty',
        when: below('sightM', 0.65, 1),
        effect: -1.6,
        text: 'Straight down is for where they see it',
      },
      { id: 'blade-bait-cover', when: any(wood, grass, stems), effect: -1.8, text: 'It hangs up in cover' },
    ],
    excludes: [
      {
        id: 'blade-bait-shallow',
        when: below('holdingDepthM', 2.9, 3.9),
        effect: 1,
        text: 'Too shallow to fish straight down',
      },
    ],
  },
  'slab-spoon': {
    suits: [
      {
        id: 'slab-spoon-deep-bait',
        when: all(is('seen:schooled-deep'), above('holdingDepthM', 3.5, 5)),
        effect: 3.2,
        text: 'Bait is schooled deep: straight down to it',
      },
      {
        id: 'slab-spoon-winter',
        when: all(below('surfaceTempC', 9, 12.5), baitBelow, above('holdingDepthM', 4, 5.5)),
        effect: 1.8,
        text: 'Deep winter schools: dropped among them',
      },
      {
        id: 'slab-spoon-summer-school',
        when: all(day.chasing, above('holdingDepthM', 4, 5.5), above('surfaceTempC', 20, 24)),
        effect: 1.2,
        text: 'For when the school goes down',
      },
    ],
    spoils: [
      { id: 'slab-spoon-branches', when: any(grass, is('cover:laydown')), effect: -1.5, text: 'It hangs up in cover' },
    ],
    excludes: [
      {
        id: 'slab-spoon-shallow',
        when: below('holdingDepthM', 3.4, 4.4),
        effect: 1,
        text: 'Too shallow to fish straight down',
      },
      {
        id: 'slab-spoon-no-bait',
        when: not(any(is('seen:schooled-deep'), day.chasing, all(baitBelow, not(is('water:pond'))))),
        effect: 0.92,
        text: 'No bait was seen to drop it into',
      },
    ],
  },
  'big-swimbait': {
    suits: [
      {
        id: 'big-swimbait-one-big',
        when: all(is('goal:big-fish'), above('sightM', 0.8, 1.2), above('surfaceTempC', 8, 10.5)),
        effect: 2.6,
        text: 'Few and large: one big meal, slowly',
      },
      {
        id: 'big-swimbait-cruisers',
        when: all(anyOf('phase:pre-spawn', 'phase:post-spawn'), clear, is('school:size:large')),
        effect: 2.2,
        text: 'Big cruisers on the way in and out',
      },
      {
        id: 'big-swimbait-large-bait',
        when: all(above('forageLengthMm', 120, 150), clear),
        effect: 2.2,
        text: 'They are eating large bait: as large as that',
      },
    ],
    spoils: [
      {
        id: 'big-swimbait-numbers',
        when: not(any(is('goal:big-fish'), is('school:size:large'), above('forageLengthMm', 120, 150))),
        effect: -2,
        text: 'Big, when bites are what you want',
      },
      { id: 'big-swimbait-dirty', when: below('sightM', 0.6, 0.95), effect: -2, text: 'It must be seen' },
      { id: 'big-swimbait-front', when: day.postFront, effect: -1, text: 'Too much of it for the day after a front' },
    ],
  },
  'paddle-tail-swimbait': {
    suits: [
      {
        id: 'paddle-tail-hanging',
        when: all(clear, day.hanging, any(shad, is('forage:menhaden'))),
        effect: 1.7,
        text: 'A plain baitfish swum at their level in clear water',
      },
      {
        id: 'paddle-tail-leaves',
        when: day.leafy,
        effect: 3.2,
        text: 'Leaves on the water: a weedless swimmer comes through, burnt along the top too',
      },
      {
        id: 'paddle-tail-leaves-likely',
        when: all(day.leavesLikely, above('sightM', 0.7, 1)),
        effect: 1,
        text: 'Leaves are likely in the backs: weedless',
      },
      {
        id: 'paddle-tail-grass',
        when: all(grass, above('sightM', 0.7, 1.1), above('surfaceTempC', 10, 13)),
        effect: 1.5,
        text: 'Weedless over and along the grass',
      },
      {
        id: 'paddle-tail-fall',
        when: all(day.fallRun, shad, clear),
        effect: 1.5,
        text: 'Roaming fish on shad in clear water',
      },
      {
        id: 'paddle-tail-chasing',
        when: all(day.chasing, clear),
        effect: 1.5,
        text: 'Chased bait: swum steadily just under them',
      },
      {
        id: 'paddle-tail-herring',
        when: all(is('forage:herring'), clear),
        effect: 1.5,
        text: 'Herring eaters in clear water',
      },
      {
        id: 'paddle-tail-staging',
        when: all(anyOf('phase:staging', 'phase:pre-spawn'), clear),
        effect: 1.2,
        text: 'Slowly past what has come to the points',
      },
    ],
    spoils: [
      { id: 'paddle-tail-dirty', when: below('sightM', 0.5, 0.85), effect: -1.4, text: 'Too quiet for dirty water' },
      { id: 'paddle-tail-beds', when: is('phase:spawn'), effect: -0.8, text: 'It passes the bed too fast' },
      { id: 'paddle-tail-front', when: day.postFront, effect: -0.7, text: 'They will not chase it today' },
    ],
  },
  'soft-jerkbait': {
    suits: [
      {
        id: 'soft-jerkbait-spawn',
        when: all(day.aroundSpawn, clear, day.shallow),
        effect: 1.5,
        text: 'Clear and shallow around the beds: darting, then still',
      },
      {
        id: 'soft-jerkbait-chasing',
        when: all(day.chasing, clear),
        effect: 1.8,
        text: 'To schooling fish in clear water',
      },
      {
        id: 'soft-jerkbait-grass',
        when: all(any(grass, stems), above('sightM', 0.7, 1.1), day.shallow, above('surfaceTempC', 13, 16)),
        effect: 1.4,
        text: 'Weedless through clear shallow grass',
      },
      {
        id: 'soft-jerkbait-herring',
        when: all(is('forage:herring'), clear),
        effect: 1.6,
        text: 'Herring eaters take it darting near the top',
      },
      {
        id: 'soft-jerkbait-very-clear',
        when: all(day.veryClear, above('surfaceTempC', 14, 17), any(day.lowLight, day.windy)),
        effect: 1.5,
        text: 'Very clear: it calls them up without a sound',
      },
    ],
    spoils: [
      { id: 'soft-jerkbait-dirty', when: below('sightM', 0.6, 0.95), effect: -1.8, text: 'Too quiet for dirty water' },
      { id: 'soft-jerkbait-deep', when: above('holdingDepthM', 1.8, 2.6), effect: -1.6, text: 'It stays near the top' },
      {
        id: 'soft-jerkbait-cold',
        when: below('surfaceTempC', 12.5, 15),
        effect: -1.3,
        text: 'Too quick for cold fish',
      },
    ],
  },
} satisfies Occasions;
