import { above, all, any, anyOf, below, between, is, not } from '../../rules/fuzzy.js';
import type { Occasions } from './occasion.js';
import * as day from './situations.js';

const { branches, clear, cold, deep, dirty, dock, grass, mud, rock, shallow, stained, stems, warm, windy, wood } = day;

/** Wire lures and jigs that swim. */
export const WIRE_OCCASIONS = {
  spinnerbait: {
    suits: [
      {
        id: 'spinnerbait-wind-stain',
        when: all(windy, below('sightM', 1.2, 1.9), above('surfaceTempC', 9, 12)),
        effect: 1.7,
        text: 'Wind on stained water: flash and thump',
      },
      {
        id: 'spinnerbait-wind-clear',
        when: all(
          above('windMps', 4, 7),
          between('sightM', 0.9, 1.3, 2.6, 3.6),
          above('surfaceTempC', 11, 14),
          below('holdingDepthM', 2.2, 3.2),
        ),
        effect: 2.5,
        text: 'Wind on clear water: two long blades, brought back quickly',
      },
      {
        id: 'spinnerbait-shad-spawn',
        when: all(day.shadSpawn, below('sightM', 1.9, 2.8)),
        effect: 3.2,
        text: 'Shad are spawning: a bright baitfish in the top half metre',
      },
      {
        id: 'spinnerbait-wood',
        when: all(wood, stained, above('surfaceTempC', 10, 13)),
        effect: 1.2,
        text: 'Through stained wood it does not hang up',
      },
      {
        id: 'spinnerbait-mud',
        when: all(dirty, any(is('regime:mud-steady'), is('regime:mud-rising'), mud)),
        effect: 1.4,
        text: 'Mud: a slow thump that can be felt',
      },
      {
        id: 'spinnerbait-cold-stain',
        when: all(cold, below('sightM', 0.7, 1.1), above('surfaceTempC', 5.5, 8)),
        effect: 1.3,
        text: 'Cold stain: rolled so slowly that the blades just turn',
      },
      {
        id: 'spinnerbait-feeding-up',
        when: all(day.feedingUp, below('sightM', 1.3, 2)),
        effect: 1.5,
        text: 'They feed ahead of the front: cover water',
      },
      {
        id: 'spinnerbait-fall',
        when: all(day.fallRun, day.shad, any(windy, day.cloud), below('sightM', 1.2, 1.9)),
        effect: 1.4,
        text: 'Shad on the banks in fall, with wind or cloud',
      },
      {
        id: 'spinnerbait-mud-school',
        when: is('regime:mud-rising'),
        effect: 2,
        text: 'Mud: round blades along the bank',
        school: ['mud-lure', 'spinnerbait'],
      },
    ],
    spoils: [
      {
        id: 'spinnerbait-very-clear-calm',
        when: all(clear, below('windMps', 3, 5), not(day.shadSpawn)),
        effect: -1.5,
        text: 'Too much flash for clear calm water',
      },
      { id: 'spinnerbait-bright-calm', when: day.brightCalm, effect: -1.2, text: 'Too loud for a bright calm hour' },
      {
        id: 'spinnerbait-very-clear',
        when: all(day.veryClear, not(windy)),
        effect: -1.8,
        text: 'Seen through in very clear water',
      },
      { id: 'spinnerbait-front', when: day.postFront, effect: -1.2, text: 'They will not chase it today' },
      { id: 'spinnerbait-beds', when: is('phase:spawn'), effect: -0.8, text: 'It passes the bed too fast' },
      {
        id: 'spinnerbait-deep-summer',
        when: all(above('holdingDepthM', 2.4, 3.4), warm),
        effect: -1,
        text: 'It rides over fish that deep',
      },
      {
        id: 'spinnerbait-very-cold',
        when: below('surfaceTempC', 5.5, 8),
        effect: -0.9,
        text: 'Quick for water this cold',
      },
      {
        id: 'spinnerbait-calm',
        when: all(day.calm, not(any(dirty, day.shadSpawn))),
        effect: -0.5,
        text: 'Without wind it is looked at too long',
      },
    ],
  },
  'bladed-jig': {
    suits: [
      {
        id: 'bladed-jig-grass',
        when: all(grass, between('surfaceTempC', 7, 9, 23, 27)),
        effect: 1.9,
        text: 'Along and out of the grass: it hunts and breaks free',
      },
      {
        id: 'bladed-jig-spring-stain',
        when: all(day.springFeed, below('sightM', 1.1, 1.6), above('surfaceTempC', 8, 10)),
        effect: 1.6,
        text: 'Stained water on the way in: a thumping crayfish or sunfish',
      },
      {
        id: 'bladed-jig-feeding',
        when: all(any(day.feedingUp, windy), stained, above('surfaceTempC', 9, 11)),
        effect: 1.4,
        text: 'Wind and stain have them feeding',
      },
      {
        id: 'bladed-jig-fall',
        when: all(is('phase:fall'), any(grass, is('structure:flat')), below('sightM', 1.2, 1.7)),
        effect: 1.5,
        text: 'Fall flats and grass, steady',
      },
      {
        id: 'bladed-jig-shad-spawn',
        when: all(day.shadSpawn, below('sightM', 1.4, 2)),
        effect: 2,
        text: 'At a shad spawn, after the spinnerbait',
      },
      {
        id: 'bladed-jig-dirty',
        when: all(dirty, above('surfaceTempC', 8, 10)),
        effect: 1.3,
        text: 'Dirty water: felt before it is seen',
      },
      {
        id: 'bladed-jig-big',
        when: all(is('goal:big-fish'), is('phase:pre-spawn'), below('sightM', 2, 2.6)),
        effect: 1.5,
        text: 'A mouthful for the big ones of spring',
      },
      {
        id: 'bladed-jig-turnover',
        when: is('overlay:turnover'),
        effect: 1.3,
        text: 'In turned-over water much vibration',
      },
    ],
    spoils: [
      { id: 'bladed-jig-branches', when: branches, effect: -1.1, text: 'Branches hang it up' },
      {
        id: 'bladed-jig-bright-calm',
        when: all(day.brightCalm, clear),
        effect: -1.5,
        text: 'Too loud for a bright calm hour',
      },
      {
        id: 'bladed-jig-very-clear',
        when: all(day.veryClear, not(windy)),
        effect: -1.4,
        text: 'Too loud for very clear water',
      },
      { id: 'bladed-jig-front', when: day.postFront, effect: -1, text: 'They will not chase it today' },
      { id: 'bladed-jig-beds', when: all(is('phase:spawn'), clear), effect: -1, text: 'It passes the bed too fast' },
      {
        id: 'bladed-jig-deep',
        when: above('holdingDepthM', 2.2, 3.2),
        effect: -1,
        text: 'It rides over fish that deep',
      },
      { id: 'bladed-jig-hot', when: day.hot, effect: -0.6, text: 'Less of a lure in high summer' },
      {
        id: 'bladed-jig-very-cold',
        when: below('surfaceTempC', 5, 7.5),
        effect: -0.9,
        text: 'Quick for water this cold',
      },
    ],
  },
  'swim-jig': {
    suits: [
      {
        id: 'swim-jig-thick',
        when: all(any(stems, all(grass, is('cover:submerged-grass'))), above('surfaceTempC', 11, 14)),
        effect: 1.6,
        text: 'Through the thickest stems and grass, clear or not',
      },
      {
        id: 'swim-jig-shad-spawn',
        when: all(day.shadSpawn, below('sightM', 2, 3)),
        effect: 2.5,
        text: 'At a shad spawn, white, after the spinnerbait',
      },
      {
        id: 'swim-jig-mud-bank',
        when: all(is('regime:mud-rising'), any(wood, stems)),
        effect: 4.2,
        text: 'Rising mud: into the flooded cover where nothing else goes',
        school: ['mud-lure', 'swim-jig'],
      },
      {
        id: 'swim-jig-sunfish',
        when: all(is('forage:sunfish'), shallow, any(stems, grass, dock, wood)),
        effect: 1.4,
        text: 'A sunfish along the edge of the cover',
      },
      {
        id: 'swim-jig-post-spawn',
        when: all(is('phase:post-spawn'), shallow, any(stems, grass, dock)),
        effect: 2,
        text: 'Past what guards fry in the cover',
      },
      {
        id: 'swim-jig-deep-warm',
        when: all(
          above('surfaceTempC', 20, 23),
          between('holdingDepthM', 2, 2.6, 4.5, 5.5),
          any(grass, is('structure:grass-edge')),
        ),
        effect: 1.4,
        text: 'Slow rolled down the deep edge',
      },
    ],
    spoils: [
      { id: 'swim-jig-cold', when: below('surfaceTempC', 9, 12), effect: -1.2, text: 'Swum too quickly for cold fish' },
      {
        id: 'swim-jig-open',
        when: not(any(stems, grass, wood, dock, day.mat)),
        effect: -1.1,
        text: 'It is made for cover',
      },
      { id: 'swim-jig-offshore', when: all(day.offshore, not(grass)), effect: -1.3, text: 'Not a lure for out there' },
      { id: 'swim-jig-front', when: day.postFront, effect: -0.7, text: 'They will not chase it today' },
      {
        id: 'swim-jig-beds',
        when: all(is('phase:spawn'), day.brightCalm),
        effect: -0.7,
        text: 'It passes the bed too fast',
      },
    ],
  },
  underspin: {
    suits: [
      {
        id: 'underspin-hanging-shad',
        when: all(clear, day.hanging, any(is('forage:shad'), is('forage:herring')), below('surfaceTempC', 24, 28)),
        effect: 2,
        text: 'Fish that hang with shad in clear water: a small flash at their level',
      },
      {
        id: 'underspin-spotted',
        when: all(anyOf('species:spotted', 'species:smallmouth'), clear, above('holdingDepthM', 2, 3)),
        effect: 1.3,
        text: 'For spotted bass and smallmouth over deep water',
      },
      {
        id: 'underspin-down-from-chasing',
        when: all(day.chasing, clear),
        effect: 1.4,
        text: 'For when they go down again',
      },
      {
        id: 'underspin-cold-clear',
        when: all(cold, clear, day.hanging),
        effect: 1.5,
        text: 'Cold and clear: reeled slowly through what hangs',
      },
    ],
    spoils: [
      { id: 'underspin-dirty', when: below('sightM', 0.6, 1), effect: -2, text: 'Seen too late in dirty water' },
      { id: 'underspin-cover', when: any(grass, wood, stems), effect: -0.9, text: 'Its open hook catches' },
      { id: 'underspin-shallow', when: shallow, effect: -0.8, text: 'It sinks past shallow fish' },
      { id: 'underspin-beds', when: is('phase:spawn'), effect: -1, text: 'It passes the bed too fast' },
    ],
  },
  'umbrella-rig': {
    suits: [
      {
        id: 'umbrella-hanging-school',
        when: all(clear, day.hanging, below('surfaceTempC', 13.5, 17), any(is('forage:shad'), is('forage:herring'))),
        effect: 4,
        text: 'A school that hangs under shad in cold clear water: a school for a school',
      },
      {
        id: 'umbrella-pre-spawn',
        when: all(is('phase:pre-spawn'), clear, day.hanging),
        effect: 1.6,
        text: 'Pre-spawn fish in the open',
      },
    ],
    spoils: [
      {
        id: 'umbrella-warm',
        when: above('surfaceTempC', 14.5, 18),
        effect: -2,
        text: 'Warm fish are not in one school',
      },
      {
        id: 'umbrella-shallow',
        when: below('holdingDepthM', 1.5, 2.2),
        effect: -1.8,
        text: 'Too much for shallow water',
      },
    ],
    excludes: [
      { id: 'umbrella-cover', when: any(grass, wood, stems, day.mat), effect: 1, text: 'Five hooks in cover' },
      { id: 'umbrella-dirty', when: below('sightM', 0.7, 1), effect: 1, text: 'It must be seen from far' },
    ],
  },
} satisfies Occasions;

/** Jigs that are dropped, dragged or hopped. */
export const JIG_OCCASIONS = {
  'flipping-jig': {
    suits: [
      {
        id: 'flipping-jig-wood',
        when: all(any(branches, wood), above('surfaceTempC', 7, 9.5)),
        effect: 1.1,
        text: 'Heavy cover: dropped into it, object by object',
      },
      {
        id: 'flipping-jig-cold-mud',
        when: all(dirty, any(day.postFront, below('surfaceTempC', 13, 17)), any(wood, rock, stems, dock)),
        effect: 2,
        text: 'Not feeding in dirty water: something bulky right in the cover',
      },
      {
        id: 'flipping-jig-after-front',
        when: all(day.postFront, any(wood, dock, stems, grass)),
        effect: 1.7,
        text: 'After the front, down into the thickest of it',
      },
      {
        id: 'flipping-jig-spring',
        when: all(day.springFeed, any(wood, stems, dock)),
        effect: 1.4,
        text: 'Crayfish time in the cover',
      },
      {
        id: 'flipping-jig-big',
        when: all(is('goal:big-fish'), any(wood, grass, stems, dock)),
        effect: 1.3,
        text: 'A big mouthful in the cover',
      },
      {
        id: 'flipping-jig-flooded',
        when: all(is('level:rising'), any(stems, branches)),
        effect: 1.5,
        text: 'Flooded cover: right into it',
      },
      {
        id: 'flipping-jig-brush',
        when: all(is('cover:brush-pile'), above('holdingDepthM', 2, 3)),
        effect: 1.2,
        text: 'Let down into the brush',
      },
    ],
    spoils: [
      {
        id: 'flipping-jig-open',
        when: not(any(wood, stems, dock, grass, day.mat, rock)),
        effect: -1.2,
        text: 'There is no cover to drop it into',
      },
      {
        id: 'flipping-jig-very-clear-calm',
        when: all(day.veryClear, day.calm),
        effect: -0.9,
        text: 'Big and close for very clear water',
      },
    ],
  },
  'football-jig': {
    suits: [
      {
        id: 'football-jig-offshore-rock',
        when: all(
          any(rock, anyOf('cover:gravel', 'cover:clay', 'cover:shell')),
          above('holdingDepthM', 1.8, 3),
          above('surfaceTempC', 6, 8.5),
          day.onBottom,
        ),
        effect: 1.5,
        text: 'Hard bottom off the bank: dragged over it',
      },
      {
        id: 'football-jig-ledge',
        when: all(day.offshore, deep, day.onBottom, warm),
        effect: 1.5,
        text: 'Ledges, humps and points, on the bottom',
      },
      {
        id: 'football-jig-winter-rock',
        when: all(anyOf('phase:winter', 'phase:late-fall', 'phase:staging'), rock, above('holdingDepthM', 1.8, 3)),
        effect: 1.2,
        text: 'Cold rock, crept down it',
      },
    ],
    spoils: [
      {
        id: 'football-jig-grass',
        when: any(grass, stems, branches, day.mat),
        effect: -1.8,
        text: 'Its head wedges and fouls in cover',
      },
      {
        id: 'football-jig-shallow',
        when: below('holdingDepthM', 1.1, 1.8),
        effect: -1,
        text: 'Heavy for so little water',
      },
      { id: 'football-jig-mud', when: mud, effect: -0.8, text: 'Hard to find in mud' },
    ],
  },
  'finesse-jig': {
    suits: [
      {
        id: 'finesse-jig-cold',
        when: all(below('surfaceTempC', 11, 14.5), any(rock, wood, dock, anyOf('cover:gravel', 'cover:clay'))),
        effect: 1.5,
        text: 'Cold rock and wood: small, and left lying',
      },
      {
        id: 'finesse-jig-after-front',
        when: all(day.postFront, any(rock, wood, dock)),
        effect: 1.8,
        text: 'The day after a front: small and slow in the cover',
      },
      {
        id: 'finesse-jig-clear',
        when: all(clear, any(dock, rock, wood), below('surfaceTempC', 22, 26)),
        effect: 1,
        text: 'Clear water: a small jig looks real',
      },
      {
        id: 'finesse-jig-pressured',
        when: all(any(day.pressured, all(is('goal:numbers'), clear)), not(dirty), any(rock, wood, dock)),
        effect: 1.2,
        text: 'Fish that have seen much: small',
      },
    ],
    spoils: [
      { id: 'finesse-jig-mud', when: below('sightM', 0.3, 0.5), effect: -1.3, text: 'Too small to be found' },
      { id: 'finesse-jig-grass', when: any(grass, day.mat), effect: -1, text: 'Grass swallows it' },
      { id: 'finesse-jig-big', when: is('goal:big-fish'), effect: -0.7, text: 'Small for the fish you want' },
      { id: 'finesse-jig-hot', when: day.hot, effect: -0.6, text: 'Summer fish take more' },
    ],
  },
  'hair-jig': {
    suits: [
      {
        id: 'hair-jig-cold-clear',
        when: all(below('surfaceTempC', 8, 11.5), clear),
        effect: 1.9,
        text: 'Cold and clear: hair breathes when nothing else moves',
      },
      {
        id: 'hair-jig-smallmouth',
        when: all(is('species:smallmouth'), below('surfaceTempC', 12.5, 16)),
        effect: 1.9,
        text: 'Cold smallmouth over rock',
      },
      { id: 'hair-jig-hanging', when: all(cold, clear, day.hanging), effect: 1.8, text: 'Swum slowly past what hangs' },
    ],
    spoils: [
      { id: 'hair-jig-dirty', when: below('sightM', 0.6, 1), effect: -2.2, text: 'It must be seen' },
      { id: 'hair-jig-warm', when: above('surfaceTempC', 13, 17), effect: -1.5, text: 'A cold-water lure' },
      { id: 'hair-jig-cover', when: any(grass, wood, stems), effect: -0.9, text: 'Its open hook catches' },
    ],
  },
} satisfies Occasions;
