import { above, all, any, anyOf, below, between, is, not } from '../../rules/fuzzy.js';
import type { Occasions } from './occasion.js';
import * as day from './situations.js';

const { clear, cold, cool, dirty, grass, hot, rock, shad, shallow, warm, windy, wood } = day;

/** Lures with a lip, and the one without, that are cranked: the days they are made for. */
export const CRANK_OCCASIONS = {
  'suspending-jerkbait': {
    suits: [
      {
        id: 'jerkbait-cold-clear',
        when: all(
          between('surfaceTempC', 1, 2.5, 12.5, 16),
          any(above('sightM', 0.8, 1.2), is('school:jerkbait-clarity:any')),
        ),
        effect: 1.9,
        text: 'Cold and clear: it stops in front of them and stays there',
      },
      {
        id: 'jerkbait-staged-steep',
        when: all(anyOf('phase:winter', 'phase:staging', 'phase:late-fall'), clear, day.hanging),
        effect: 2.5,
        text: 'Fish that hang beside steep rock take what stops at their level',
      },
      {
        id: 'jerkbait-pre-spawn',
        when: all(is('phase:pre-spawn'), clear),
        effect: 1.4,
        text: 'On the way in, in clear water, it calls and stops',
      },
      {
        id: 'jerkbait-over-cool-grass',
        when: all(grass, cool, clear),
        effect: 1.7,
        text: 'Over cool green grass: wide darts along its top',
      },
      {
        id: 'jerkbait-schooling',
        when: all(day.chasing, clear),
        effect: 1.3,
        text: 'Schooling fish in clear water take a darting baitfish',
      },
    ],
    spoils: [
      {
        id: 'jerkbait-hot',
        when: all(above('surfaceTempC', 19, 23), not(day.chasing)),
        effect: -1.5,
        text: 'Warm water has no need of a lure that waits',
      },
      {
        id: 'jerkbait-dirty',
        when: all(below('sightM', 0.5, 0.9), is('school:jerkbait-clarity:clear-only')),
        effect: -2.2,
        text: 'It is hunted by sight, and this is too dirty',
        school: ['jerkbait-clarity', 'clear-only'],
      },
      {
        id: 'jerkbait-thick',
        when: any(day.stems, day.branches),
        effect: -1,
        text: 'Its trebles do not come through that',
      },
    ],
  },
  'flat-sided-crankbait': {
    suits: [
      {
        id: 'flat-side-cool-rock',
        when: all(cool, any(rock, anyOf('cover:clay', 'cover:gravel', 'structure:transition'))),
        effect: 1.9,
        text: 'Cool water over rock, gravel or clay: a tight wiggle along the bottom',
      },
      {
        id: 'flat-side-staging',
        when: all(day.springFeed, below('surfaceTempC', 12.5, 14.5), not(grass)),
        effect: 1.6,
        text: 'On the way in and still cold: tight and slow',
      },
      {
        id: 'flat-side-cool-stain',
        when: all(cool, day.stained),
        effect: 1.2,
        text: 'Cool stain: found without shouting',
      },
    ],
    spoils: [
      {
        id: 'flat-side-warm',
        when: above('surfaceTempC', 15.5, 19),
        effect: -2,
        text: 'Warm water wants more of a wobble',
      },
      { id: 'flat-side-grass', when: any(grass, day.stems), effect: -2.2, text: 'It fouls in grass' },
      { id: 'flat-side-branches', when: day.branches, effect: -0.8, text: 'Branches hang it up' },
    ],
  },
  'wide-wobble-crankbait': {
    suits: [
      {
        id: 'wide-wobble-cold-rock',
        when: all(below('surfaceTempC', 10, 13.5), any(rock, is('structure:riprap'))),
        effect: 1.9,
        text: 'Cold rock: a wide slow wobble that blunders over it like a crayfish',
      },
      {
        id: 'wide-wobble-turnover',
        when: all(is('overlay:turnover'), not(grass)),
        effect: 1.2,
        text: 'In turned-over water much vibration, slowly',
      },
      { id: 'wide-wobble-cold-stain', when: all(cold, day.stained), effect: 1.3, text: 'Cold stain: slow, but felt' },
    ],
    spoils: [
      { id: 'wide-wobble-wood', when: wood, effect: -2.5, text: 'Never in wood' },
      { id: 'wide-wobble-grass', when: any(grass, day.stems), effect: -3, text: 'It fouls in grass' },
      {
        id: 'wide-wobble-warm',
        when: above('surfaceTempC', 13, 16),
        effect: -2,
        text: 'Too slow and wide for warm water',
      },
    ],
  },
  'square-bill': {
    suits: [
      {
        id: 'square-bill-shallow-cover',
        when: all(above('surfaceTempC', 11, 14), shallow, any(wood, is('ground:rock'), is('structure:riprap'))),
        effect: 1.5,
        text: 'Shallow wood and rock: it deflects and backs out',
      },
      {
        id: 'square-bill-mud',
        when: all(dirty, shallow, above('surfaceTempC', 8, 11.5)),
        effect: 1.8,
        text: 'Mud and shallow: a thump that bangs into things',
      },
      {
        id: 'square-bill-fall-shad',
        when: all(day.fallRun, shad, shallow),
        effect: 1.3,
        text: 'Shad along the banks in fall: through them and off the cover',
      },
      {
        id: 'square-bill-shad-spawn-riprap',
        when: all(day.shadSpawn, any(is('cover:riprap'), is('cover:clay'), is('structure:riprap'))),
        effect: 1,
        text: 'At a shad spawn on rock and clay',
      },
    ],
    spoils: [
      {
        id: 'square-bill-bright-calm',
        when: all(day.brightCalm, clear),
        effect: -1.3,
        text: 'Too loud for a bright calm hour',
      },
      { id: 'square-bill-cold', when: below('surfaceTempC', 8.5, 11.5), effect: -1.3, text: 'Too quick for cold fish' },
      { id: 'square-bill-grass', when: any(grass, day.mat), effect: -1.4, text: 'It fouls in grass' },
      { id: 'square-bill-beds', when: all(is('phase:spawn'), clear), effect: -0.8, text: 'It passes the bed too fast' },
      { id: 'square-bill-front', when: day.postFront, effect: -0.9, text: 'They will not chase it today' },
    ],
  },
  'medium-diver': {
    suits: [
      {
        id: 'medium-diver-drop',
        when: all(
          above('surfaceTempC', 11.5, 15),
          between('holdingDepthM', 1.9, 2.3, 3.6, 4.2),
          not(any(grass, day.stems)),
        ),
        effect: 1.5,
        text: 'At this depth it hits the bottom or the cover all along the cast',
      },
      {
        id: 'medium-diver-post-spawn',
        when: all(
          is('phase:post-spawn'),
          day.middling,
          any(is('cover:brush-pile'), day.offshore, is('structure:secondary-point')),
        ),
        effect: 2,
        text: 'After the spawn, on the first drop and its brush',
      },
      {
        id: 'medium-diver-spring-rock',
        when: all(is('phase:pre-spawn'), rock, day.middling),
        effect: 1.5,
        text: 'Rock transitions on the way in',
      },
      {
        id: 'medium-diver-over-deep-edge',
        when: all(day.hanging, anyOf('phase:summer', 'phase:early-fall'), day.middling),
        effect: 1.3,
        text: 'They hang at its depth over deeper water beside the point',
      },
    ],
    spoils: [
      { id: 'medium-diver-grass', when: any(grass, day.stems), effect: -2.5, text: 'It digs into grass' },
      { id: 'medium-diver-cold', when: below('surfaceTempC', 8.5, 11), effect: -1.2, text: 'Too quick for cold fish' },
      { id: 'medium-diver-front', when: day.postFront, effect: -0.8, text: 'They will not chase it today' },
      { id: 'medium-diver-docks', when: any(day.dock, day.stems), effect: -1.5, text: 'It does not go under there' },
      {
        id: 'medium-diver-trees',
        when: anyOf('cover:trees', 'cover:flooded-bush', 'cover:laydown'),
        effect: -0.9,
        text: 'It hangs up in branches',
      },
      { id: 'medium-diver-beds', when: is('phase:spawn'), effect: -0.9, text: 'It passes over the beds' },
    ],
  },
  'deep-diver': {
    suits: [
      {
        id: 'deep-diver-offshore',
        when: all(
          above('surfaceTempC', 15, 19),
          between('holdingDepthM', 3.1, 3.8, 5.6, 6.4),
          not(any(grass, day.stems)),
        ),
        effect: 1.8,
        text: 'Ledges, points and brush at its depth: it reaches them and hits what is there',
      },
      {
        id: 'deep-diver-current',
        when: all(anyOf('current:light', 'current:strong'), above('holdingDepthM', 2.8, 3.6), warm),
        effect: 0.7,
        text: 'Current has the ledge feeding: a diver triggers them',
      },
      {
        id: 'deep-diver-drain',
        when: all(is('structure:drain-mouth'), day.deep),
        effect: 1.5,
        text: 'Where the drain empties it is deep: dredge it',
      },
      {
        id: 'deep-diver-large-shad',
        when: all(above('forageLengthMm', 105, 130), day.offshore, warm),
        effect: 1,
        text: 'Large shad over a ledge: a large diver, held up on thick nylon where it is shallow',
      },
    ],
    spoils: [
      { id: 'deep-diver-cold', when: below('surfaceTempC', 10, 13.5), effect: -1.6, text: 'Too quick for cold fish' },
      { id: 'deep-diver-grass', when: any(grass, day.stems), effect: -3, text: 'It digs into grass' },
      {
        id: 'deep-diver-docks',
        when: any(day.dock, anyOf('cover:trees', 'cover:laydown')),
        effect: -2,
        text: 'It does not go under there',
      },
      {
        id: 'deep-diver-bright',
        when: all(day.brightCalm, day.veryClear),
        effect: -0.8,
        text: 'Loud for a calm clear noon',
      },
      { id: 'deep-diver-front', when: day.postFront, effect: -0.8, text: 'They will not chase it today' },
    ],
  },
  'very-deep-diver': {
    suits: [
      {
        id: 'very-deep-diver-ledges',
        when: all(above('surfaceTempC', 16, 20), above('holdingDepthM', 5, 6), day.offshore),
        effect: 1.8,
        text: 'Deep ledges, humps and points: nothing else cranks so deep',
      },
      {
        id: 'very-deep-diver-wind',
        when: all(any(windy, day.cloud, anyOf('current:light', 'current:strong')), above('holdingDepthM', 5, 6)),
        effect: 1,
        text: 'Wind, cloud or current makes the deep ones bite',
      },
      {
        id: 'very-deep-diver-fall',
        when: all(anyOf('phase:fall', 'phase:early-fall'), above('holdingDepthM', 5, 6), day.offshore),
        effect: 1.3,
        text: 'Fall fish that stayed deep on long points',
      },
    ],
    spoils: [
      {
        id: 'very-deep-diver-cold',
        when: below('surfaceTempC', 11.5, 15),
        effect: -2,
        text: 'Too quick for cold fish',
      },
      {
        id: 'very-deep-diver-timber',
        when: anyOf('cover:standing-timber', 'cover:laydown', 'cover:trees'),
        effect: -1.3,
        text: 'It hangs up in timber',
      },
      {
        id: 'very-deep-diver-front',
        when: any(day.postFront, day.brightCalm),
        effect: -0.7,
        text: 'Loud and quick for such a day',
      },
    ],
  },
  'lipless-crankbait': {
    suits: [
      {
        id: 'lipless-cool-grass',
        when: all(between('surfaceTempC', 6.5, 8.5, 17, 20), any(grass, is('cover:submerged-grass'))),
        effect: 2.5,
        text: 'Cool green grass: ripped free, that is when they take it',
      },
      {
        id: 'lipless-flats',
        when: all(
          between('surfaceTempC', 6.5, 8.5, 17, 20),
          anyOf('structure:flat', 'structure:grass-edge', 'structure:ditch'),
          not(wood),
        ),
        effect: 1.4,
        text: 'Flats in spring and fall: it covers them',
      },
      {
        id: 'lipless-fall-shad',
        when: all(day.fallRun, shad, not(wood)),
        effect: 1.3,
        text: 'Shad over the flats in fall',
      },
      {
        id: 'lipless-mud',
        when: all(is('regime:mud-steady'), not(is('ground:wood'))),
        effect: 2,
        text: 'Steady mud over flats: rattles that cover water',
      },
      {
        id: 'lipless-schooling',
        when: all(day.chasing, above('surfaceTempC', 14, 18)),
        effect: 1.4,
        text: 'Far casts to schooling fish, and down when they go down',
      },
      {
        id: 'lipless-feeding',
        when: all(day.feedingUp, day.stained),
        effect: 0.9,
        text: 'They feed ahead of the front: cover water',
      },
    ],
    spoils: [
      { id: 'lipless-wood', when: any(wood, day.stems), effect: -1.4, text: 'It hangs up in wood and stems' },
      { id: 'lipless-hot', when: all(hot, not(day.chasing)), effect: -0.7, text: 'Not a lure of high summer' },
      {
        id: 'lipless-bright-calm',
        when: all(day.brightCalm, clear),
        effect: -1,
        text: 'Too loud for a bright calm hour',
      },
      { id: 'lipless-front', when: day.postFront, effect: -1.2, text: 'They will not chase it today' },
      { id: 'lipless-beds', when: is('phase:spawn'), effect: -1, text: 'It passes the bed too fast' },
      { id: 'lipless-very-cold', when: day.veryCold, effect: -0.8, text: 'Quick for water this cold' },
    ],
  },
} satisfies Occasions;
