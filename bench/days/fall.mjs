import { against, fishDepth, lure, middle, noLure, noPlace, of, phase, place, plan, shades, top } from './checks.mjs';
import { HAY_LAKE, MILL_FLOWAGE, PINE_LAKE, SOUTH_HILLS } from './places.mjs';

const TOP = 'walking-topwater popper tail-prop-topwater buzzbait hollow-frog';

export const FALL_DAYS = [
  {
    id: 'fall-creek-shad',
    name: 'Sixty-four, shad flicking in the back of a creek',
    conditions: {
      ...MILL_FLOWAGE,
      date: '2027-10-22',
      window: { from: '07:00', to: '17:30' },
      surfaceTempC: 17.8,
      tempTrendCPerDay: -0.25,
      visibilityM: 0.8,
      sky: 'partly-cloudy',
      windMps: 4,
      structures: ['creek-back', 'flat', 'secondary-point', 'ledge'],
      covers: ['stump', 'laydown'],
      forage: [{ kind: 'shad', lengthMm: 65, seen: ['flicking'] }],
    },
    checks: [
      phase('fall', 'fall'),
      top('with the shad in the back or on the flat', { structure: 'creek-back flat secondary-point' }, 'every'),
      lure(
        'cover water with a baitfish',
        1,
        'spinnerbait square-bill lipless-crankbait bladed-jig buzzbait tail-prop-topwater walking-topwater paddle-tail-swimbait',
        'every',
      ),
      of('shad colours', 'spinnerbait square-bill lipless-crankbait', (found) =>
        shades(found, 'white', 'silver', 'pearl', 'chartreuse'),
      ),
      noLure(
        'too slow for roaming fish',
        2,
        'wacky-stick-worm weightless-stick-worm shaky-head drop-shot mushroom-head-worm carolina-rig dense-craw',
      ),
      plan('patience is short in fall', ({ ifThen }) => ifThen.some(({ then }) => /quarter of an hour/i.test(then))),
    ],
  },
  {
    id: 'fall-stayers',
    name: 'Those that stayed: long points at twenty-five feet with wind',
    conditions: {
      ...SOUTH_HILLS,
      date: '2027-10-26',
      window: { from: '07:30', to: '17:00' },
      surfaceTempC: 17.5,
      tempTrendCPerDay: -0.2,
      visibilityM: 2,
      sky: 'overcast',
      windMps: 6,
      structures: ['main-lake-point', 'creek-back'],
      covers: ['brush-pile', 'chunk-rock'],
    },
    checks: [
      place(
        'some lie at twenty to thirty feet on the end of the point',
        { structure: 'main-lake-point', depth: [5.5, 9], position: 'bottom' },
        0.1,
      ),
      place('while others are up', { depth: [0.4, 2.5] }, 0.25),
      plan('both are told by day', ({ windows }) =>
        windows
          .filter(({ light }) => light !== 'low')
          .every(
            ({ holding }) =>
              Math.max(...holding.map(({ depthM }) => depthM[1])) >
              2 * Math.min(...holding.map(({ depthM }) => depthM[1])),
          ),
      ),
    ],
  },
  {
    id: 'fall-leaves',
    name: 'A pocket full of leaves in November',
    conditions: {
      ...MILL_FLOWAGE,
      date: '2027-11-06',
      window: { from: '07:00', to: '16:30' },
      surfaceTempC: 15.2,
      tempTrendCPerDay: -0.2,
      visibilityM: 1.1,
      normalVisibilityM: 1.1,
      sky: 'partly-cloudy',
      windMps: 4,
      leaves: true,
      structures: ['pocket', 'creek-back', 'riprap'],
      covers: ['laydown', 'riprap'],
      forage: [{ kind: 'shad', lengthMm: 70 }],
    },
    checks: [
      lure('a weedless swimmer', 2, 'paddle-tail-swimbait swim-jig spinnerbait soft-jerkbait', 'every'),
      lure('the paddle tail comes up', 3, 'paddle-tail-swimbait'),
      noLure('no trebles on top', 3, 'walking-topwater popper tail-prop-topwater'),
      against(
        'less of the crank than without leaves',
        { leaves: false },
        ({ windows }) =>
          windows
            .flatMap(({ presentations }) => presentations.slice(0, 2))
            .filter(({ category }) => /crank|square|lipless|diver|topwater|popper/.test(category)).length,
        (own, other) => own <= other,
      ),
    ],
  },
  {
    id: 'fall-ledge-crayfish',
    name: 'A fall ledge, clear, a crayfish spat into the livewell',
    conditions: {
      ...SOUTH_HILLS,
      date: '2027-10-18',
      window: { from: '08:00', to: '16:30' },
      surfaceTempC: 18.6,
      tempTrendCPerDay: -0.2,
      visibilityM: 2,
      sky: 'clear',
      windMps: 3,
      structures: ['ledge', 'main-lake-point', 'hump'],
      covers: ['chunk-rock', 'gravel'],
      signs: ['crayfish-in-mouth'],
    },
    checks: [
      lure(
        'a diver or a jig on it',
        2,
        'deep-diver very-deep-diver medium-diver football-jig finesse-jig wide-wobble-crankbait flat-sided-crankbait',
        'every',
      ),
      of('crayfish or chartreuse, not silver', 'deep-diver very-deep-diver medium-diver football-jig', (found) =>
        shades(found, 'red', 'orange', 'brown', 'chartreuse'),
      ),
    ],
  },
  {
    id: 'early-fall-chasing',
    name: 'September: shad ripped open over the humps at dawn',
    conditions: {
      ...SOUTH_HILLS,
      date: '2027-09-20',
      window: { from: '06:30', to: '14:00' },
      surfaceTempC: 25.4,
      tempTrendCPerDay: -0.25,
      visibilityM: 1.7,
      sky: 'partly-cloudy',
      windMps: 2,
      structures: ['hump', 'open-water', 'main-lake-point', 'creek-back'],
      covers: ['bare', 'stump'],
      forage: [{ kind: 'shad', lengthMm: 50, seen: ['chased'] }],
      signs: ['surface-chasing'],
    },
    checks: [
      phase('early fall', 'early-fall fall'),
      place(
        'breaking the surface out there',
        { structure: 'hump open-water main-lake-point', position: 'surface' },
        0.2,
        '06:45',
      ),
      lure('a walker or popper', 1, 'walking-topwater popper tail-prop-topwater', '06:45'),
      plan('at most two on top', ({ windows }) =>
        windows.every(
          ({ presentations }) => presentations.filter(({ category }) => TOP.includes(category)).length <= 2,
        ),
      ),
      lure(
        'and one for below',
        4,
        'lipless-crankbait underspin paddle-tail-swimbait soft-jerkbait slab-spoon suspending-jerkbait spinnerbait',
        '06:45',
      ),
      of('small, as the bait is', 'walking-topwater popper', ({ size }) => middle(size.lengthMm) <= 105, '06:45'),
    ],
  },
  {
    id: 'fall-turnover',
    name: 'Slate-grey and foaming: the basin has turned',
    conditions: {
      ...SOUTH_HILLS,
      date: '2027-10-30',
      window: { from: '08:00', to: '17:00' },
      surfaceTempC: 15.2,
      tempTrendCPerDay: -0.4,
      visibilityM: 0.8,
      normalVisibilityM: 2.4,
      sky: 'overcast',
      windMps: 4,
      structures: ['secondary-point', 'creek-back', 'main-lake-point'],
      covers: ['chunk-rock', 'laydown'],
    },
    checks: [
      plan('the turnover is seen', ({ overlays }) =>
        overlays.some(({ id, strength }) => id === 'turnover' && strength >= 0.3),
      ),
      lure(
        'much vibration',
        1,
        'spinnerbait bladed-jig wide-wobble-crankbait square-bill lipless-crankbait flipping-jig',
        'every',
      ),
      of('chartreuse or black', 'spinnerbait bladed-jig wide-wobble-crankbait square-bill lipless-crankbait', (found) =>
        ['bold', 'dark'].includes(found.colour.tone),
      ),
      against(
        'slower than without it',
        { visibilityM: 2.4, tempTrendCPerDay: 0 },
        ({ windows }) => windows[1].presentations[0].retrieve.speedMps[0],
        (own, other) => own <= other + 0.001,
      ),
    ],
  },
  {
    id: 'fall-cold-front-creek',
    name: 'A front through a fall creek',
    conditions: {
      ...SOUTH_HILLS,
      date: '2027-10-28',
      window: { from: '07:30', to: '17:00' },
      surfaceTempC: 16,
      tempTrendCPerDay: -0.6,
      visibilityM: 1.6,
      sky: 'clear',
      windMps: 1.5,
      front: 'post-frontal',
      structures: ['creek-back', 'ditch', 'secondary-point', 'channel-swing'],
      covers: ['brush-pile', 'laydown', 'clay'],
    },
    checks: [
      place('some drop to a creek bed or brush', { depth: [2.5, 7] }, 0.2),
      lure(
        'slow',
        1,
        'finesse-jig flipping-jig shaky-head drop-shot texas-creature suspending-jerkbait mushroom-head-worm football-jig wacky-stick-worm weightless-stick-worm',
        'every',
      ),
      noLure('no surface', 3, TOP),
    ],
  },
  {
    id: 'fall-grass-frog',
    name: 'Late October over southern grass and pads',
    conditions: {
      ...HAY_LAKE,
      date: '2027-10-25',
      window: { from: '07:00', to: '17:30' },
      surfaceTempC: 22.5,
      tempTrendCPerDay: -0.2,
      visibilityM: 1.2,
      sky: 'overcast',
      windMps: 3,
      structures: ['grass-edge', 'flat', 'pocket'],
      covers: ['submerged-grass', 'pads'],
      coverTopDepthM: 0.3,
    },
    checks: [
      lure('frog or another on top under cloud', 2, TOP, 'every'),
      noLure('no diggers', 4, 'medium-diver deep-diver carolina-rig football-jig wide-wobble-crankbait'),
    ],
  },
  {
    id: 'fall-northern-swings',
    name: 'Fifty-four in the north, smallmouth, wind',
    conditions: {
      ...PINE_LAKE,
      species: 'smallmouth',
      date: '2027-10-08',
      window: { from: '07:30', to: '17:30' },
      surfaceTempC: 12.4,
      tempTrendCPerDay: -0.3,
      yearLowC: 1,
      visibilityM: 3,
      sky: 'partly-cloudy',
      windMps: 6,
      structures: ['hump', 'main-lake-point', 'flat'],
      covers: ['mixed-rock', 'gravel'],
    },
    checks: [
      lure(
        'jerkbait, swimbait, blade or jig',
        2,
        'suspending-jerkbait paddle-tail-swimbait hair-jig blade-bait finesse-jig underspin spinnerbait lipless-crankbait football-jig medium-diver flat-sided-crankbait',
        'every',
      ),
      noLure('no summer lures', 3, 'wacky-stick-worm hollow-frog punch-rig ribbon-tail-worm'),
    ],
  },
  {
    id: 'fall-falling-level',
    name: 'Drawdown: the lake falls a hand a day',
    conditions: {
      ...MILL_FLOWAGE,
      date: '2027-10-05',
      window: { from: '07:00', to: '17:00' },
      surfaceTempC: 20,
      tempTrendCPerDay: -0.2,
      visibilityM: 0.8,
      level: 'falling',
      sky: 'clear',
      windMps: 3,
      structures: ['pocket', 'ditch', 'secondary-point', 'ledge'],
      covers: ['stump', 'laydown'],
    },
    checks: [
      against(
        'off the bank',
        { level: 'stable' },
        (made) => fishDepth(made),
        (own, other) => own > other,
      ),
      noPlace('out of the drained pocket', { structure: 'pocket' }, 0.35),
    ],
  },
];
