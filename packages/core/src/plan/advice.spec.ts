import type { ConditionsInput } from '../contract/conditions.js';
import type { BladeShape, CategoryId, Tone } from '../contract/ids.js';
import type { Plan, Presentation } from '../contract/plan.js';
import { PLAIN_DAY } from '../testing/days.js';
import { Conditions } from '../contract/conditions.js';
import { makePlan } from './make-plan.js';

/** What the lure's trim, the retrieve and the rig must be, for a category in the first four of some window. */
interface Nod {
  /** Among the first three of the main window. */
  readonly first?: readonly CategoryId[];
  readonly never?: readonly CategoryId[];
  /** The presentation that the rest is about; else the first of the main window. */
  readonly of?: CategoryId;
  readonly tone?: readonly Tone[];
  readonly blades?: readonly BladeShape[];
  readonly trailer?: 'still' | 'kicking';
  /** Within; null where it never stops. */
  readonly pauseS?: readonly [number, number] | null;
  readonly slowerThanMps?: number;
  readonly fasterThanMps?: number;
  readonly line?: 'nylon' | 'fluorocarbon' | 'braid';
  readonly strike?: 'lean' | 'firm';
  readonly depthM?: readonly [number, number];
}

type Day = readonly [name: string, conditions: Partial<ConditionsInput>, hours: string, nod: Nod];

const river = {
  waterKind: 'river',
  structures: ['creek-back', 'pocket'],
  covers: ['flooded-bush', 'laydown'],
} satisfies Partial<ConditionsInput>;
const sound = {
  discipline: 'inshore',
  place: { latitude: 30.1, longitude: -88.9, timeZone: 'America/Chicago' },
  waterKind: 'estuary',
  yearLowC: 10,
  visibilityM: 0.7,
  normalVisibilityM: 0.8,
  maxDepthM: 5,
} as const;
const topwaters: CategoryId[] = ['walking-topwater', 'popper', 'tail-prop-topwater', 'buzzbait', 'hollow-frog'];

/** From the field's working figures; `hours` is a moment in the window that is looked at. */
const DAYS: readonly Day[] = [
  [
    'a jerkbait at 43 F hangs eight seconds and more, on a soft rod, and one leans into the fish',
    {
      date: '2027-02-16',
      surfaceTempC: 6.5,
      yearLowC: 3,
      visibilityM: 2.2,
      structures: ['steep-bank'],
      bankSlopeDeg: 45,
    },
    '12:00',
    { of: 'suspending-jerkbait', pauseS: [8, 15], strike: 'lean', tone: ['muted'], slowerThanMps: 0.45 },
  ],
  [
    'at 52 F it waits two to four',
    { date: '2027-03-15', surfaceTempC: 11.2, visibilityM: 2.2, structures: ['steep-bank'] },
    '12:00',
    { of: 'suspending-jerkbait', pauseS: [2, 4] },
  ],
  [
    'cold mud coming up: round blades, a kicking trailer, bold, at the very bank',
    {
      ...river,
      date: '2027-03-18',
      surfaceTempC: 11,
      visibilityM: 0.2,
      normalVisibilityM: 1.2,
      level: 'rising',
      maxDepthM: 8,
    },
    '12:00',
    {
      first: ['flipping-jig', 'spinnerbait'],
      of: 'spinnerbait',
      blades: ['round', 'round'],
      trailer: 'kicking',
      tone: ['bold', 'dark'],
      depthM: [0, 0.7],
      never: ['suspending-jerkbait', 'drop-shot'],
    },
  ],
  [
    'warm mud with shad: long painted blades by default',
    {
      date: '2027-05-15',
      surfaceTempC: 20,
      visibilityM: 0.35,
      normalVisibilityM: 1.2,
      structures: ['flat', 'riprap'],
      covers: ['riprap', 'laydown'],
      forage: [{ kind: 'shad', seen: ['flicking'] }],
    },
    '12:00',
    { of: 'spinnerbait', blades: ['long', 'long'], tone: ['bold', 'dark'] },
  ],
  [
    'clear and windy: two long blades',
    {
      date: '2027-04-28',
      surfaceTempC: 17,
      visibilityM: 1.8,
      windMps: 7,
      structures: ['secondary-point'],
      covers: ['mixed-rock'],
    },
    '12:00',
    { of: 'spinnerbait', blades: ['long', 'long'] },
  ],
  [
    'stain: one round and one long',
    { date: '2027-04-28', surfaceTempC: 17, visibilityM: 0.85, normalVisibilityM: 0.9, windMps: 6, covers: ['stump'] },
    '12:00',
    { of: 'spinnerbait', blades: ['round', 'long'] },
  ],
  [
    'a jig in cold clear water has a still trailer',
    { date: '2027-02-20', surfaceTempC: 7.5, visibilityM: 2.5, structures: ['steep-bank', 'bluff-end'] },
    '12:00',
    { of: 'finesse-jig', trailer: 'still', strike: 'firm' },
  ],
  [
    'shad spawn in stain: the spinnerbait at first light, before the surface lures',
    {
      date: '2027-05-05',
      surfaceTempC: 21,
      tempTrendCPerDay: 0.2,
      visibilityM: 0.9,
      normalVisibilityM: 0.9,
      structures: ['riprap', 'dock', 'marina'],
      covers: ['riprap', 'dock'],
      window: { from: '05:30', to: '10:00' },
    },
    '06:00',
    { first: ['spinnerbait'], depthM: [0, 1] },
  ],
  [
    'shad spawn in very clear water: on top',
    {
      date: '2027-05-05',
      surfaceTempC: 21.2,
      tempTrendCPerDay: 0.2,
      visibilityM: 3.5,
      normalVisibilityM: 3.5,
      structures: ['riprap', 'dock'],
      covers: ['riprap', 'dock'],
      window: { from: '05:30', to: '10:00' },
    },
    '06:00',
    {
      first: ['walking-topwater', 'popper', 'tail-prop-topwater'],
      of: 'walking-topwater',
      tone: ['translucent', 'natural'],
    },
  ],
  [
    'pads at noon: what comes through them, on braid, and no treble',
    {
      date: '2027-07-20',
      surfaceTempC: 28,
      visibilityM: 1.2,
      sky: 'clear',
      windMps: 1,
      waterKind: 'grass-lake',
      structures: ['grass-edge'],
      covers: ['pads'],
      maxDepthM: 3,
    },
    '12:00',
    {
      first: ['hollow-frog', 'punch-rig'],
      of: 'punch-rig',
      line: 'braid',
      never: ['square-bill', 'walking-topwater', 'lipless-crankbait'],
    },
  ],
  [
    'a ledge in summer: what reaches the bottom, not what runs over it',
    {
      date: '2027-07-10',
      surfaceTempC: 28.5,
      tempTrendCPerDay: 0,
      visibilityM: 1.3,
      structures: ['ledge'],
      covers: ['shell'],
      thermoclineM: 7.5,
      sky: 'clear',
    },
    '12:00',
    {
      first: ['deep-diver', 'football-jig', 'carolina-rig', 'ribbon-tail-worm', 'medium-diver', 'texas-creature'],
      never: ['square-bill', 'buzzbait'],
      depthM: [2.5, 7.5],
    },
  ],
  [
    'docks under a bright calm sky: shallow in the shade',
    {
      date: '2027-07-10',
      surfaceTempC: 27,
      visibilityM: 1.8,
      sky: 'clear',
      windMps: 0.5,
      structures: ['dock'],
      covers: ['dock'],
    },
    '12:00',
    { depthM: [0.5, 3.6] },
  ],
  [
    'grass before the spawn: a lipless crankbait ripped free of it',
    {
      date: '2027-03-08',
      surfaceTempC: 11.5,
      visibilityM: 0.9,
      normalVisibilityM: 0.9,
      waterKind: 'grass-lake',
      structures: ['flat', 'grass-edge'],
      covers: ['submerged-grass'],
      maxDepthM: 3,
      windMps: 5,
    },
    '12:00',
    { first: ['lipless-crankbait', 'bladed-jig'], of: 'lipless-crankbait', strike: 'lean' },
  ],
  [
    'fall wind in the creek: a spinnerbait or square-bill with the shad, quick',
    {
      date: '2027-10-18',
      surfaceTempC: 18.5,
      tempTrendCPerDay: -0.3,
      visibilityM: 0.9,
      normalVisibilityM: 1,
      windMps: 6,
      sky: 'overcast',
      structures: ['creek-back', 'flat'],
      covers: ['stump', 'laydown'],
      forage: [{ kind: 'shad', seen: ['flicking'] }],
    },
    '12:00',
    { first: ['spinnerbait', 'square-bill', 'bladed-jig'], of: 'spinnerbait', fasterThanMps: 0.6 },
  ],
  [
    'the blue day after a front: slow and small',
    {
      date: '2027-10-25',
      surfaceTempC: 16,
      tempTrendCPerDay: -0.5,
      visibilityM: 1.5,
      sky: 'clear',
      windMps: 1,
      front: 'post-frontal',
      structures: ['dock', 'secondary-point'],
      covers: ['dock', 'brush-pile'],
    },
    '12:00',
    {
      first: [
        'weightless-stick-worm',
        'drop-shot',
        'shaky-head',
        'mushroom-head-worm',
        'dense-craw',
        'finesse-jig',
        'wacky-stick-worm',
      ],
      never: topwaters,
      slowerThanMps: 0.7,
    },
  ],
  [
    'a crankbait over cold clay and gravel, not deep: stretchy nylon, and lean',
    { date: '2027-03-12', surfaceTempC: 11, visibilityM: 0.9, normalVisibilityM: 0.9, covers: ['clay', 'gravel'] },
    '12:00',
    { of: 'flat-sided-crankbait', line: 'nylon', strike: 'lean' },
  ],
  [
    'chunk rock at 48 F: the wide wobble before the tight one',
    { date: '2027-03-06', surfaceTempC: 9, visibilityM: 0.9, normalVisibilityM: 0.9, covers: ['chunk-rock'] },
    '12:00',
    { first: ['wide-wobble-crankbait'], of: 'wide-wobble-crankbait', strike: 'lean' },
  ],
  [
    'a clay bank at 48 F: the tight wiggle, not the wide one',
    { date: '2027-03-06', surfaceTempC: 9, visibilityM: 0.9, normalVisibilityM: 0.9, covers: ['clay'] },
    '12:00',
    { first: ['flat-sided-crankbait'], never: ['wide-wobble-crankbait'], of: 'flat-sided-crankbait', line: 'nylon' },
  ],
  [
    'always fast, in the cold too, for who thinks so: no stops',
    {
      date: '2027-03-06',
      surfaceTempC: 9,
      visibilityM: 0.9,
      normalVisibilityM: 0.9,
      covers: ['clay'],
      schools: { 'crank-pace': 'fast' },
    },
    '12:00',
    { of: 'flat-sided-crankbait', pauseS: null },
  ],
  [
    'between cool and warm the stops of a crankbait grow short',
    { date: '2027-10-20', surfaceTempC: 17, visibilityM: 0.9, normalVisibilityM: 0.9, covers: ['stump', 'clay'] },
    '12:00',
    { of: 'square-bill', pauseS: [0.4, 1.2] },
  ],
  [
    'flatfish: on the bottom, nothing on top',
    {
      ...sound,
      species: 'flatfish',
      date: '2027-10-30',
      surfaceTempC: 20,
      tempTrendCPerDay: -0.2,
      tide: { stage: 'falling', hoursIntoStage: 3 },
      structures: ['drain-mouth', 'pass'],
      covers: ['shell', 'bare'],
    },
    '12:00',
    {
      first: ['jighead-jerk-shad', 'jighead-paddle-tail', 'jighead-shrimp', 'bucktail'],
      never: [...topwaters, 'popping-cork-shrimp'],
    },
  ],
  [
    'stripers in a running pass: a jig that gets down in the current',
    {
      ...sound,
      species: 'striped-bass',
      place: { latitude: 41, longitude: -71.5, timeZone: 'America/New_York' },
      date: '2027-05-20',
      surfaceTempC: 15,
      visibilityM: 1.2,
      maxDepthM: 10,
      tide: { stage: 'falling', hoursIntoStage: 2, rangeM: 1.4 },
      structures: ['pass', 'bridge'],
      covers: ['chunk-rock', 'bare'],
    },
    '12:00',
    { first: ['bucktail', 'jighead-paddle-tail', 'vertical-jig', 'jighead-jerk-shad'], depthM: [1.2, 8] },
  ],
  [
    'red drum at a falling drain: weedless or on a jighead, near the bottom of it',
    {
      ...sound,
      species: 'red-drum',
      date: '2027-10-15',
      surfaceTempC: 22,
      tempTrendCPerDay: -0.3,
      tide: { stage: 'falling', hoursIntoStage: 2.5, rangeM: 0.6 },
      structures: ['drain-mouth', 'oyster-bar'],
      covers: ['oyster', 'emergent-grass'],
    },
    '12:00',
    {
      first: [
        'weedless-spoon',
        'jighead-paddle-tail',
        'jighead-jerk-shad',
        'popping-cork-shrimp',
        'weedless-jerk-shad',
      ],
    },
  ],
  [
    'seatrout in the cold: slow in the deep holes, with long waits',
    {
      ...sound,
      species: 'spotted-seatrout',
      date: '2027-01-20',
      surfaceTempC: 11,
      visibilityM: 1.2,
      tide: { stage: 'rising', hoursIntoStage: 1 },
      structures: ['trough', 'flat'],
      covers: ['shell', 'bare'],
    },
    '12:00',
    { first: ['suspending-twitchbait', 'jighead-shrimp', 'jighead-jerk-shad'], slowerThanMps: 0.5, never: topwaters },
  ],
];

const minutes = (clock: string) => Number(clock.slice(0, 2)) * 60 + Number(clock.slice(3));

function windowAt(plan: Plan, hours: string) {
  return (
    plan.windows.find(({ from, to }) => minutes(from) <= minutes(hours) && minutes(hours) < minutes(to)) ??
    plan.windows[0]!
  );
}

/** What a good angler would shake the head at, in words. */
function shakes(plan: Plan, hours: string, nod: Nod): string[] {
  const found: string[] = [];
  const window = windowAt(plan, hours);
  const offered = window.presentations.map(({ category }) => category);
  const check = (holds: boolean, words: string) => holds || found.push(words);
  if (nod.first)
    check(
      offered.slice(0, 3).some((id) => nod.first?.includes(id)),
      `first are ${offered.join(', ')}`,
    );
  for (const id of nod.never ?? []) check(!offered.includes(id), `offers ${id}`);
  if (nod.depthM) {
    const [from, to] = window.holding[0]!.depthM;
    check(from >= nod.depthM[0] && to <= nod.depthM[1], `holds at ${from} to ${to}`);
  }
  const anywhere = plan.windows.flatMap(({ presentations }) => presentations);
  const it: Presentation | undefined = nod.of
    ? (window.presentations.find(({ category }) => category === nod.of) ??
      anywhere.find(({ category }) => category === nod.of))
    : window.presentations[0];
  if (!it) return [...found, `${nod.of} is not offered: ${offered.join(', ')}`];
  if (nod.tone) check(nod.tone.includes(it.colour.tone), `tone ${it.colour.tone}`);
  if (nod.blades)
    check(JSON.stringify(it.blades?.shapes) === JSON.stringify(nod.blades), `blades ${it.blades?.shapes.join()}`);
  if (nod.trailer) check(it.trailer?.action === nod.trailer, `trailer ${it.trailer?.action}`);
  if (nod.pauseS) {
    const pause = it.retrieve.pauseS;
    check(
      !!pause && pause[0] >= nod.pauseS[0] - 0.01 && pause[1] <= nod.pauseS[1] + 0.01,
      `waits ${pause?.join(' to ')}`,
    );
  }
  if (nod.pauseS === null) check(it.retrieve.pauseS === null, `waits ${it.retrieve.pauseS?.join(' to ')}`);
  if (nod.slowerThanMps)
    check(it.retrieve.speedMps[1] <= nod.slowerThanMps, `moves at ${it.retrieve.speedMps.join(' to ')}`);
  if (nod.fasterThanMps)
    check(it.retrieve.speedMps[1] >= nod.fasterThanMps, `moves at ${it.retrieve.speedMps.join(' to ')}`);
  if (nod.line) check(it.rig.line.material === nod.line, `on ${it.rig.line.material}`);
  if (nod.strike) check(it.rig.strike === nod.strike, `strike ${it.rig.strike}`);
  return found;
}

describe('the trim, the retrieve and the rig of days as anglers know them', () => {
  it.each(DAYS)('%s', (_, conditions, hours, nod) => {
    const plan = makePlan(Conditions.parse({ ...PLAIN_DAY, window: undefined, ...conditions }));
    expect(shakes(plan, hours, nod)).toEqual([]);
  });
});
