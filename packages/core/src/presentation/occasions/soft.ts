import { above, all, any, anyOf, below, between, is, not } from '../../rules/fuzzy.js';
import type { Occasions } from './occasion.js';
import * as day from './situations.js';

const { branches, clear, dirty, dock, grass, rock, shallow, stems, wood } = day;

const stickWormTemperature = between('surfaceTempC', 12.3, 14, 23.5, 27);
const targets = any(wood, dock, stems, grass, rock, anyOf('structure:pocket', 'structure:hard-spot', 'structure:flat'));

/** Worms, creatures and craws. */
export const SOFT_OCCASIONS = {
  'weightless-stick-worm': {
    suits: [
      {
        id: 'stick-worm-around-spawn',
        when: all(
          stickWormTemperature,
          anyOf('phase:spawn', 'phase:post-spawn', 'phase:pre-spawn'),
          above('sightM', 0.7, 1.1),
          shallow,
          targets,
        ),
        effect: 2.4,
        text: 'Around the spawn in clear shallows: it falls past what one can see, and that is enough',
      },
      {
        id: 'stick-worm-grass',
        when: all(any(grass, stems), above('sightM', 0.6, 1), above('surfaceTempC', 12.5, 14.5), shallow),
        effect: 1.7,
        text: 'Straight-rigged into holes in the grass',
      },
      {
        id: 'stick-worm-after-front',
        when: all(day.postFront, above('surfaceTempC', 12.5, 14.5), shallow, above('sightM', 0.6, 0.9)),
        effect: 2,
        text: 'The day after a front: weightless, and left to fall',
      },
      {
        id: 'stick-worm-trees',
        when: all(
          anyOf('cover:trees', 'cover:laydown'),
          above('surfaceTempC', 16, 19),
          shallow,
          above('sightM', 0.5, 0.8),
        ),
        effect: 1.8,
        text: 'Along trees and logs, in the shade',
      },
    ],
    spoils: [
      {
        id: 'stick-worm-deep',
        when: above('holdingDepthM', 2, 2.8),
        effect: -2,
        text: 'It would take all day to sink so far',
      },
      { id: 'stick-worm-mud', when: below('sightM', 0.35, 0.6), effect: -2.5, text: 'Too quiet to be found' },
      { id: 'stick-worm-wind', when: above('windMps', 4, 8), effect: -0.9, text: 'Wind takes the line and the feel' },
      { id: 'stick-worm-cold', when: below('surfaceTempC', 11.5, 13.5), effect: -1.5, text: 'Too early for it' },
      {
        id: 'stick-worm-search',
        when: anyOf('phase:fall', 'phase:early-fall'),
        effect: -0.8,
        text: 'Not for finding roaming fish',
      },
    ],
  },
  'wacky-stick-worm': {
    suits: [
      {
        id: 'wacky-around-spawn',
        when: all(
          stickWormTemperature,
          anyOf('phase:spawn', 'phase:post-spawn', 'phase:pre-spawn'),
          above('sightM', 0.8, 1.15),
          shallow,
          not(any(grass, day.mat)),
        ),
        effect: 2.5,
        text: 'Clear shallows around the spawn: both ends quiver as it falls',
      },
      {
        id: 'wacky-dock',
        when: all(dock, above('surfaceTempC', 14, 17), above('sightM', 0.6, 0.95)),
        effect: 2,
        text: 'Skipped under the dock and left to sink in the shade',
      },
      {
        id: 'wacky-bright-calm',
        when: all(day.brightCalm, clear, above('surfaceTempC', 13, 15), shallow),
        effect: 1.5,
        text: 'Bright and calm: quiet, tight to the shade',
      },
      {
        id: 'wacky-after-front',
        when: all(day.postFront, above('surfaceTempC', 12.5, 14.5), shallow, above('sightM', 0.6, 0.9), not(grass)),
        effect: 2,
        text: 'The day after a front: weightless, and left to fall',
      },
    ],
    spoils: [
      { id: 'wacky-grass', when: any(grass, day.mat), effect: -1.8, text: 'Its hook grabs the grass' },
      {
        id: 'wacky-deep',
        when: above('holdingDepthM', 2.1, 3),
        effect: -1.8,
        text: 'It would take all day to sink so far',
      },
      { id: 'wacky-mud', when: below('sightM', 0.4, 0.65), effect: -2.5, text: 'Too quiet to be found' },
      { id: 'wacky-wind', when: above('windMps', 4, 8), effect: -1, text: 'Wind takes the line and the feel' },
      { id: 'wacky-cold', when: below('surfaceTempC', 11.5, 13.5), effect: -1.5, text: 'Too early for it' },
      { id: 'wacky-branches', when: branches, effect: -0.7, text: 'Its open hook catches branches' },
      {
        id: 'wacky-search',
        when: anyOf('phase:fall', 'phase:early-fall'),
        effect: -0.8,
        text: 'Not for finding roaming fish',
      },
    ],
  },
  'texas-creature': {
    suits: [
      {
        id: 'creature-warm-cover',
        when: all(any(wood, stems), above('surfaceTempC', 13, 16), below('sightM', 1.4, 2.3)),
        effect: 1.5,
        text: 'Warm heavy cover: pitched to every object',
      },
      {
        id: 'creature-mud',
        when: all(dirty, any(wood, stems, rock), above('surfaceTempC', 9, 12)),
        effect: 1.5,
        text: 'Dirty water: bulky, into the cover',
      },
      {
        id: 'creature-grass-edge',
        when: all(grass, above('surfaceTempC', 14, 17)),
        effect: 1.2,
        text: 'Down the edge and into the holes of the grass',
      },
      {
        id: 'creature-flooded',
        when: all(is('level:rising'), any(stems, branches)),
        effect: 1.6,
        text: 'Flooded cover: right into it',
      },
      {
        id: 'creature-summer-brush',
        when: all(
          anyOf('cover:brush-pile', 'cover:stump', 'cover:standing-timber'),
          above('surfaceTempC', 20, 23),
          above('holdingDepthM', 2, 3),
        ),
        effect: 1.4,
        text: 'Let down into the deep brush',
      },
      {
        id: 'creature-after-front',
        when: all(day.postFront, any(wood, dock, stems, grass), above('surfaceTempC', 11, 14)),
        effect: 1.4,
        text: 'After the front, down into the cover',
      },
      {
        id: 'creature-beds',
        when: all(is('phase:spawn'), any(wood, stems, rock, is('cover:gravel'))),
        effect: 1.1,
        text: 'Put on the bed, it is in the way',
      },
    ],
    spoils: [
      {
        id: 'creature-cold',
        when: below('surfaceTempC', 8.5, 11.5),
        effect: -1.1,
        text: 'Flapping claws for cold fish',
      },
      {
        id: 'creature-open',
        when: not(any(wood, stems, grass, day.mat, dock, rock)),
        effect: -1,
        text: 'There is no cover to pitch it to',
      },
      {
        id: 'creature-deep-claws',
        when: above('holdingDepthM', 2.6, 3.6),
        effect: -1.2,
        text: 'Flapping claws lose their point so deep',
        school: ['deep-claws', 'none-deep'],
      },
    ],
  },
  'punch-rig': {
    suits: [
      {
        id: 'punch-mats',
        when: all(
          above('surfaceTempC', 17, 20),
          any(
            day.mat,
            is('cover:emergent-grass'),
            all(is('cover:submerged-grass'), below('waterOverCoverM', 0.25, 0.5)),
          ),
          any(all(any(is('light:high'), day.hot), not(day.cloud)), is('bright-and-calm'), day.postFront),
        ),
        effect: 2.6,
        text: 'They are under the mat: a heavy weight through it',
      },
      {
        id: 'punch-cold-mats',
        when: all(
          any(day.mat, all(is('cover:submerged-grass'), below('waterOverCoverM', 0.25, 0.5))),
          is('phase:winter'),
          above('surfaceTempC', 10, 12),
        ),
        effect: 1.6,
        text: 'A mat is a warm roof in a mild winter',
      },
    ],
    spoils: [
      {
        id: 'punch-dim',
        when: any(day.lowLight, day.cloud),
        effect: -0.7,
        text: 'In dim light and under cloud they are out on the edge',
      },
    ],
    excludes: [
      {
        id: 'punch-no-mat',
        when: all(
          not(any(day.mat, is('cover:emergent-grass'))),
          not(all(is('cover:submerged-grass'), below('waterOverCoverM', 0.3, 0.65))),
        ),
        effect: 1,
        text: 'Made for mats, and there is none here',
      },
    ],
  },
  'ribbon-tail-worm': {
    suits: [
      {
        id: 'ribbon-tail-ledge',
        when: all(
          above('surfaceTempC', 18, 21),
          above('holdingDepthM', 2.2, 3.2),
          any(day.offshore, is('structure:grass-edge')),
          day.onBottom,
          not(branches),
        ),
        effect: 2,
        text: 'Deep and warm: a big tail that works at a crawl',
      },
      {
        id: 'ribbon-tail-grass',
        when: all(above('surfaceTempC', 18, 21), grass, above('holdingDepthM', 1.6, 2.4)),
        effect: 1.5,
        text: 'Down the deep edge of the grass',
      },
      {
        id: 'ribbon-tail-clustered',
        when: all(is('feedback:clustered-fish'), above('surfaceTempC', 17, 20)),
        effect: 2,
        text: 'A slow bottom lure for where several are',
      },
    ],
    spoils: [
      { id: 'ribbon-tail-branches', when: branches, effect: -0.8, text: 'Its tail wraps in branches' },
      { id: 'ribbon-tail-cool', when: below('surfaceTempC', 16, 19), effect: -1.6, text: 'A warm-water worm' },
      {
        id: 'ribbon-tail-shallow',
        when: below('holdingDepthM', 1.4, 2.1),
        effect: -0.9,
        text: 'There are better lures so shallow',
      },
    ],
  },
  'carolina-rig': {
    suits: [
      {
        id: 'carolina-offshore',
        when: all(
          above('surfaceTempC', 12, 15),
          above('holdingDepthM', 1.9, 2.9),
          any(day.offshore, is('structure:flat')),
          day.onBottom,
          not(any(wood, grass)),
        ),
        effect: 1.6,
        text: 'Scattered or deep on a clean bottom: dragged until it meets them',
      },
      {
        id: 'carolina-follow-up',
        when: all(is('feedback:clustered-fish'), above('holdingDepthM', 1.8, 2.8)),
        effect: 2.2,
        text: 'To follow up a deep school slowly',
      },
      {
        id: 'carolina-post-spawn',
        when: all(
          is('phase:post-spawn'),
          day.middling,
          any(day.offshore, is('structure:secondary-point')),
          not(branches),
        ),
        effect: 1.6,
        text: 'Tired fish on the first drop',
      },
      {
        id: 'carolina-shell',
        when: all(
          anyOf('cover:shell', 'cover:gravel', 'cover:clay', 'cover:bare'),
          above('holdingDepthM', 2, 3),
          above('surfaceTempC', 16, 20),
        ),
        effect: 1.6,
        text: 'Over shell and gravel the weight tells where it is hard',
      },
    ],
    spoils: [
      { id: 'carolina-cover', when: any(branches, grass, stems, day.mat), effect: -2, text: 'It fouls in cover' },
      { id: 'carolina-shallow', when: below('holdingDepthM', 1.3, 2), effect: -1.3, text: 'Heavy for so little water' },
      { id: 'carolina-cold', when: below('surfaceTempC', 9, 12), effect: -0.9, text: 'Not yet' },
    ],
  },
  'drop-shot': {
    suits: [
      {
        id: 'drop-shot-clear-deep',
        when: all(clear, above('holdingDepthM', 3, 4.2), above('surfaceTempC', 7, 10)),
        effect: 1.7,
        text: 'Clear and deep: held in front of them',
      },
      {
        id: 'drop-shot-spotted',
        when: all(anyOf('species:spotted', 'species:smallmouth'), clear, above('holdingDepthM', 3, 4.2)),
        effect: 2,
        text: 'Deep spotted bass and smallmouth',
      },
      {
        id: 'drop-shot-pressured',
        when: all(any(day.pressured, day.postFront, day.brightCalm), clear, above('holdingDepthM', 2, 3)),
        effect: 2,
        text: 'They will not move for it: it is held there',
      },
      {
        id: 'drop-shot-very-clear',
        when: all(day.veryClear, above('holdingDepthM', 3, 4.5), above('surfaceTempC', 7, 10)),
        effect: 2.2,
        text: 'Very clear: small, natural, on thin line',
      },
    ],
    spoils: [
      { id: 'drop-shot-shallow', when: below('holdingDepthM', 1.8, 2.8), effect: -1.5, text: 'Too shallow for it' },
      { id: 'drop-shot-dirty', when: below('sightM', 0.7, 1.05), effect: -2.4, text: 'It must be seen' },
      {
        id: 'drop-shot-very-cold',
        when: below('surfaceTempC', 5.5, 8),
        effect: -0.5,
        text: 'Hair and metal do better in the coldest',
      },
      { id: 'drop-shot-big', when: is('goal:big-fish'), effect: -0.8, text: 'Small for the fish you want' },
      { id: 'drop-shot-heavy', when: any(stems, day.mat), effect: -1.5, text: 'Too light for such cover' },
    ],
  },
  'shaky-head': {
    suits: [
      {
        id: 'shaky-head-clear-rock',
        when: all(clear, any(rock, anyOf('cover:gravel', 'cover:clay'), dock), above('surfaceTempC', 9, 12)),
        effect: 1.2,
        text: 'Clear water over hard bottom: stood on its head and shaken',
      },
      {
        id: 'shaky-head-after-front',
        when: all(day.postFront, above('sightM', 0.6, 1), above('surfaceTempC', 9, 12)),
        effect: 1.7,
        text: 'The day after a front: small and slow',
      },
      {
        id: 'shaky-head-pressured',
        when: all(day.pressured, above('sightM', 0.6, 1)),
        effect: 1.7,
        text: 'Fished hard: small and plain',
      },
      {
        id: 'shaky-head-post-spawn',
        when: all(is('phase:post-spawn'), clear, day.middling),
        effect: 1.2,
        text: 'Tired fish on the first drop',
      },
    ],
    spoils: [
      { id: 'shaky-head-dirty', when: below('sightM', 0.45, 0.75), effect: -1.8, text: 'Too quiet for dirty water' },
      { id: 'shaky-head-grass', when: any(grass, stems, day.mat), effect: -1.1, text: 'Its head fouls in grass' },
      {
        id: 'shaky-head-cold',
        when: below('surfaceTempC', 6.5, 9.5),
        effect: -0.8,
        text: 'There are better in the cold',
      },
      { id: 'shaky-head-big', when: is('goal:big-fish'), effect: -0.8, text: 'Small for the fish you want' },
    ],
  },
  'mushroom-head-worm': {
    suits: [
      {
        id: 'mushroom-head-clear',
        when: all(
          above('sightM', 1.1, 1.6),
          any(day.pressured, day.postFront, day.brightCalm, is('familiarity:known')),
          not(any(wood, stems)),
        ),
        effect: 1,
        text: 'Clear: a small worm that glides and stands',
      },
      {
        id: 'mushroom-head-northern',
        when: all(anyOf('species:smallmouth', 'species:spotted'), clear),
        effect: 1.6,
        text: 'Smallmouth and spotted bass in clear water',
      },
      {
        id: 'mushroom-head-slow-day',
        when: all(any(day.pressured, day.postFront), clear),
        effect: 2,
        text: 'A slow day: next to nothing, and next to still',
      },
      {
        id: 'mushroom-head-cold',
        when: all(below('surfaceTempC', 11, 14), clear, not(wood)),
        effect: 1.2,
        text: 'Cold and clear: small and slow',
      },
    ],
    spoils: [
      { id: 'mushroom-head-dirty', when: below('sightM', 0.65, 1), effect: -2, text: 'Too quiet for dirty water' },
      { id: 'mushroom-head-cover', when: any(wood, stems, day.mat), effect: -1.1, text: 'Its open hook catches' },
      { id: 'mushroom-head-wind', when: above('windMps', 5, 9), effect: -0.9, text: 'Too light to feel in the wind' },
      { id: 'mushroom-head-big', when: is('goal:big-fish'), effect: -0.9, text: 'Small for the fish you want' },
    ],
  },
  'dense-craw': {
    suits: [
      {
        id: 'dense-craw-beds',
        when: all(is('phase:spawn'), clear, any(rock, wood, dock, is('cover:gravel'))),
        effect: 1.9,
        text: 'Put on the bed, it lies there like a crayfish',
      },
      {
        id: 'dense-craw-small-jig',
        when: all(
          is('forage:crayfish'),
          clear,
          any(rock, dock, is('cover:gravel')),
          above('surfaceTempC', 11, 14),
          shallow,
        ),
        effect: 1.9,
        text: 'In place of a small jig on clear rock',
      },
      {
        id: 'dense-craw-after-front',
        when: all(day.postFront, clear, shallow),
        effect: 1.2,
        text: 'The day after a front: left to fall, and left to lie',
      },
    ],
    spoils: [
      {
        id: 'dense-craw-stick-worm-water',
        when: all(between('surfaceTempC', 12.2, 13, 17.5, 19), clear),
        effect: -0.9,
        text: 'The stick worm comes first in this water',
      },
      { id: 'dense-craw-mud', when: below('sightM', 0.4, 0.7), effect: -1.8, text: 'Too quiet to be found' },
      { id: 'dense-craw-deep', when: above('holdingDepthM', 2.2, 3), effect: -1.3, text: 'Slow to get so far down' },
      { id: 'dense-craw-cold', when: below('surfaceTempC', 9, 11.5), effect: -1, text: 'Crayfish are still burrowed' },
    ],
  },
} satisfies Occasions;
