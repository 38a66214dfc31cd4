import type { ConditionsInput } from '../contract/conditions.js';
import type { CategoryId, Phase, Position, Regime, RetrieveStyle, Tone } from '../contract/ids.js';
import type { Plan } from '../contract/plan.js';
import { day } from '../testing/days.js';
import { makePlan } from './make-plan.js';

/** What a good angler would nod at. Depths in metres; `any` is one of these among the first three of some window. */
interface Nod {
  readonly phase?: Phase | readonly Phase[];
  readonly regime?: Regime;
  /** Every holding place lies within. */
  readonly within?: readonly [number, number];
  readonly position?: Position;
  readonly any?: readonly CategoryId[];
  readonly none?: readonly CategoryId[];
  readonly tone?: readonly Tone[];
  readonly style?: readonly RetrieveStyle[];
  readonly cautions?: readonly string[];
}

type Day = readonly [name: string, conditions: Partial<ConditionsInput>, nod: Nod];

const river = {
  waterKind: 'river',
  structures: ['channel-swing', 'inflow', 'pocket'],
  covers: ['laydown', 'chunk-rock'],
} as const satisfies Partial<ConditionsInput>;
const grassLake = {
  waterKind: 'grass-lake',
  structures: ['grass-edge', 'flat', 'ditch'],
  covers: ['submerged-grass'],
  maxDepthM: 5,
  visibilityM: 1.4,
  normalVisibilityM: 1.4,
} as const satisfies Partial<ConditionsInput>;
const sound = {
  discipline: 'inshore',
  place: { latitude: 30.1, longitude: -88.9, timeZone: 'America/Chicago' },
  waterKind: 'estuary',
  yearLowC: 10,
  visibilityM: 0.8,
  normalVisibilityM: 0.8,
  maxDepthM: 5,
} as const satisfies Partial<ConditionsInput>;
const topwaters: CategoryId[] = ['walking-topwater', 'popper', 'tail-prop-topwater', 'buzzbait', 'hollow-frog'];
const slowBottom: CategoryId[] = [
  'finesse-jig',
  'shaky-head',
  'drop-shot',
  'mushroom-head-worm',
  'football-jig',
  'hair-jig',
];

const DAYS: readonly Day[] = [
  // Winter
  [
    'deep winter bait',
    {
      date: '2027-01-20',
      surfaceTempC: 5,
      tempTrendCPerDay: 0,
      structures: ['channel-swing', 'bluff'],
      covers: ['chunk-rock'],
      forage: [{ kind: 'shad', seen: ['schooled-deep'] }],
    },
    {
      phase: 'winter',
      within: [2, 20],
      any: ['slab-spoon', 'blade-bait', 'drop-shot'],
      none: topwaters,
      cautions: ['cold-water:severe'],
    },
  ],
  [
    'clear cold bluff',
    {
      date: '2027-01-25',
      surfaceTempC: 6,
      tempTrendCPerDay: 0,
      visibilityM: 2.5,
      normalVisibilityM: 2.5,
      structures: ['bluff', 'steep-bank'],
      covers: ['chunk-rock'],
    },
    {
      phase: 'winter',
      any: ['suspending-jerkbait', 'hair-jig', 'blade-bait', 'drop-shot', 'finesse-jig'],
      tone: ['muted', 'translucent', 'natural'],
      none: [...topwaters, 'square-bill'],
    },
  ],
  [
    'dirty winter rock',
    {
      date: '2027-01-25',
      surfaceTempC: 7,
      tempTrendCPerDay: 0,
      visibilityM: 0.5,
      normalVisibilityM: 0.6,
      structures: ['steep-bank', 'riprap'],
      covers: ['chunk-rock', 'riprap'],
    },
    {
      phase: 'winter',
      within: [0.3, 4],
      any: ['wide-wobble-crankbait', 'flat-sided-crankbait', 'flipping-jig', 'finesse-jig'],
      none: topwaters,
    },
  ],
  [
    'southern winter at its low',
    {
      date: '2027-01-10',
      place: { latitude: 28.5, longitude: -81.4, timeZone: 'America/New_York' },
      surfaceTempC: 13.5,
      yearLowC: 13,
      tempTrendCPerDay: 0,
      ...grassLake,
    },
    { phase: ['winter', 'pre-spawn'], none: ['buzzbait'] },
  ],
  // Staging
  [
    '45-degree banks',
    { surfaceTempC: 8.5, date: '2027-02-24', structures: ['steep-bank', 'secondary-point'], bankSlopeDeg: 45 },
    { phase: 'staging', within: [1, 6], any: ['suspending-jerkbait'], style: ['twitch-pause'], none: topwaters },
  ],
  [
    'stained staging',
    {
      surfaceTempC: 8.5,
      date: '2027-02-24',
      visibilityM: 0.7,
      normalVisibilityM: 0.8,
      structures: ['secondary-point', 'ditch'],
      covers: ['chunk-rock'],
    },
    { phase: 'staging', any: ['wide-wobble-crankbait', 'flat-sided-crankbait', 'spinnerbait'] },
  ],
  [
    'warm rock in the sun',
    {
      surfaceTempC: 8,
      date: '2027-02-24',
      sky: 'clear',
      windMps: 1,
      structures: ['riprap', 'marina'],
      covers: ['riprap'],
      window: { from: '12:00', to: '16:00' },
    },
    { phase: 'staging', within: [0.3, 4] },
  ],
  // Pre-spawn
  [
    'windy transitions',
    {
      surfaceTempC: 12,
      date: '2027-03-18',
      windMps: 7,
      sky: 'overcast',
      visibilityM: 0.9,
      normalVisibilityM: 1,
      structures: ['secondary-point', 'transition'],
      covers: ['mixed-rock'],
    },
    {
      phase: 'pre-spawn',
      within: [0.5, 4],
      any: ['spinnerbait', 'flat-sided-crankbait', 'square-bill', 'bladed-jig', 'lipless-crankbait'],
      none: ['drop-shot'],
    },
  ],
  [
    'pre-spawn grass',
    { date: '2027-03-05', surfaceTempC: 12.5, windMps: 5, ...grassLake },
    { phase: 'pre-spawn', any: ['lipless-crankbait', 'bladed-jig'], style: ['rip'] },
  ],
  [
    'pre-spawn clear and calm',
    {
      surfaceTempC: 11,
      date: '2027-03-18',
      sky: 'clear',
      windMps: 1,
      visibilityM: 2.5,
      normalVisibilityM: 2.5,
      structures: ['secondary-point'],
      covers: ['gravel'],
    },
    {
      phase: 'pre-spawn',
      any: ['suspending-jerkbait', 'mushroom-head-worm', 'underspin', 'finesse-jig'],
      tone: ['muted', 'natural', 'translucent'],
    },
  ],
  [
    'spring front',
    { surfaceTempC: 12, date: '2027-03-20', tempTrendCPerDay: -0.3, front: 'post-frontal', sky: 'clear', windMps: 2 },
    { phase: 'pre-spawn', any: slowBottom, none: ['buzzbait', 'lipless-crankbait'] },
  ],
  [
    'one big fish',
    {
      surfaceTempC: 13,
      date: '2027-03-25',
      goal: 'big-fish',
      visibilityM: 1.8,
      structures: ['secondary-point', 'flat'],
      covers: ['gravel'],
      familiarity: 'known',
    },
    { phase: 'pre-spawn', any: ['big-swimbait', 'umbrella-rig', 'football-jig', 'flipping-jig'] },
  ],
  // Mud
  [
    'mud rising',
    {
      surfaceTempC: 13,
      date: '2027-03-25',
      visibilityM: 0.15,
      normalVisibilityM: 1.5,
      level: 'rising',
      structures: ['pocket', 'creek-back', 'flat'],
      covers: ['flooded-bush', 'laydown'],
    },
    {
      regime: 'mud-rising',
      within: [0, 0.75],
      any: ['spinnerbait', 'flipping-jig', 'texas-creature', 'square-bill'],
      tone: ['bold', 'dark'],
      none: ['drop-shot', 'suspending-jerkbait'],
      cautions: ['high-water:severe'],
    },
  ],
  [
    'mud steady',
    {
      surfaceTempC: 12,
      date: '2027-03-20',
      visibilityM: 0.2,
      normalVisibilityM: 1.2,
      structures: ['flat', 'pocket'],
      covers: ['stump'],
    },
    {
      regime: 'mud-steady',
      within: [0, 1.6],
      any: ['spinnerbait', 'square-bill', 'flipping-jig', 'texas-creature', 'bladed-jig'],
      tone: ['bold', 'dark'],
    },
  ],
  [
    'mud steady on a bare flat',
    {
      surfaceTempC: 13,
      date: '2027-03-20',
      visibilityM: 0.25,
      normalVisibilityM: 1.2,
      structures: ['flat'],
      covers: ['gravel', 'bare'],
    },
    { regime: 'mud-steady', any: ['lipless-crankbait', 'bladed-jig', 'spinnerbait', 'square-bill'] },
  ],
  [
    'clearing after the flood',
    { surfaceTempC: 15, date: '2027-04-02', visibilityM: 0.8, normalVisibilityM: 1.5, visibilityTrend: 'clearing' },
    { regime: 'clearing', tone: ['natural', 'bold'] },
  ],
  [
    'always murky, a little better',
    {
      surfaceTempC: 16,
      date: '2027-04-05',
      visibilityM: 0.6,
      normalVisibilityM: 0.4,
      structures: ['pocket', 'secondary-point'],
      covers: ['stump'],
    },
    { regime: 'murky', tone: ['natural'] },
  ],
  // Spawn
  [
    'beds in clear pockets',
    {
      surfaceTempC: 17.5,
      date: '2027-04-20',
      visibilityM: 2,
      structures: ['pocket', 'flat'],
      covers: ['gravel', 'reeds'],
      sky: 'clear',
      windMps: 1,
    },
    {
      phase: 'spawn',
      within: [0.1, 2.5],
      any: ['weightless-stick-worm', 'wacky-stick-worm', 'soft-jerkbait', 'dense-craw'],
      none: ['slab-spoon', 'very-deep-diver'],
      cautions: ['bedding-fish:advice'],
    },
  ],
  [
    'stained spawn in wood',
    {
      surfaceTempC: 17.5,
      date: '2027-04-20',
      visibilityM: 0.6,
      normalVisibilityM: 0.7,
      waterKind: 'lowland-reservoir',
      structures: ['pocket'],
      covers: ['stump', 'laydown'],
    },
    {
      phase: 'spawn',
      any: ['texas-creature', 'flipping-jig', 'spinnerbait', 'square-bill', 'swim-jig', 'weightless-stick-worm'],
    },
  ],
  // Post-spawn and shad spawn
  [
    'shad spawn at dawn',
    {
      surfaceTempC: 21.5,
      date: '2027-05-08',
      tempTrendCPerDay: 0.2,
      visibilityM: 0.8,
      normalVisibilityM: 0.8,
      structures: ['riprap', 'dock', 'secondary-point'],
      covers: ['riprap'],
      signs: ['birds-on-bank'],
      window: { from: '05:30', to: '07:15' },
    },
    { phase: ['post-spawn', 'spawn'], within: [0, 2], any: ['spinnerbait', 'swim-jig', 'bladed-jig', 'square-bill'] },
  ],
  [
    'very clear shad spawn',
    {
      surfaceTempC: 21.5,
      date: '2027-05-08',
      tempTrendCPerDay: 0.2,
      visibilityM: 3.2,
      normalVisibilityM: 3.2,
      structures: ['riprap', 'marina'],
      covers: ['riprap'],
      window: { from: '05:30', to: '07:15' },
    },
    { any: ['walking-topwater', 'popper', 'soft-jerkbait', 'swim-jig', 'paddle-tail-swimbait'] },
  ],
  [
    'post-spawn points',
    {
      surfaceTempC: 22.5,
      date: '2027-05-22',
      tempTrendCPerDay: 0.2,
      structures: ['main-lake-point', 'hump'],
      covers: ['brush-pile'],
    },
    { phase: 'post-spawn', within: [0.3, 7] },
  ],
  [
    'sunfish beds',
    {
      surfaceTempC: 23,
      date: '2027-05-25',
      tempTrendCPerDay: 0.15,
      visibilityM: 1,
      normalVisibilityM: 1,
      structures: ['pocket', 'dock'],
      covers: ['dock', 'emergent-grass'],
      forage: [{ kind: 'sunfish' }],
    },
    { phase: 'post-spawn', any: ['swim-jig', 'popper', 'bladed-jig', 'square-bill', 'hollow-frog', 'texas-creature'] },
  ],
  // Summer
  [
    'ledge at noon',
    {
      surfaceTempC: 28,
      date: '2027-07-12',
      tempTrendCPerDay: 0,
      visibilityM: 1.3,
      normalVisibilityM: 1.3,
      structures: ['ledge', 'hump'],
      covers: ['shell'],
      thermoclineM: 7,
      window: { from: '10:00', to: '15:00' },
    },
    {
      phase: 'summer',
      within: [1.5, 7.01],
      any: ['deep-diver', 'football-jig', 'carolina-rig', 'ribbon-tail-worm', 'medium-diver'],
      none: topwaters,
    },
  ],
  [
    'pads at dawn',
    {
      ...grassLake,
      surfaceTempC: 27,
      date: '2027-07-12',
      tempTrendCPerDay: 0,
      structures: ['flat', 'pocket'],
      covers: ['pads'],
      window: { from: '05:15', to: '07:30' },
    },
    { phase: 'summer', any: ['hollow-frog'], none: ['deep-diver', 'suspending-jerkbait'] },
  ],
  [
    'mats at midday',
    {
      ...grassLake,
      surfaceTempC: 29,
      date: '2027-08-01',
      tempTrendCPerDay: 0,
      structures: ['flat'],
      covers: ['pads'],
      sky: 'clear',
      windMps: 1,
      window: { from: '11:00', to: '15:00' },
    },
    { phase: 'summer', any: ['punch-rig'], cautions: ['warm-fish:serious'] },
  ],
  [
    'docks in high sun',
    {
      surfaceTempC: 27,
      date: '2027-07-15',
      tempTrendCPerDay: 0,
      visibilityM: 1.8,
      normalVisibilityM: 1.8,
      structures: ['dock'],
      covers: ['dock'],
      sky: 'clear',
      windMps: 1,
      window: { from: '10:00', to: '15:00' },
    },
    {
      phase: 'summer',
      any: ['wacky-stick-worm', 'weightless-stick-worm', 'flipping-jig', 'texas-creature', 'shaky-head', 'drop-shot'],
      cautions: ['docks:serious'],
    },
  ],
  [
    'clear deep smallmouth',
    {
      species: 'smallmouth',
      surfaceTempC: 23,
      date: '2027-07-20',
      tempTrendCPerDay: 0,
      place: { latitude: 46, longitude: -92, timeZone: 'America/Chicago' },
      waterKind: 'natural-lake',
      visibilityM: 4,
      normalVisibilityM: 4,
      structures: ['hump', 'main-lake-point'],
      covers: ['gravel'],
      sky: 'clear',
      windMps: 2,
      window: { from: '10:00', to: '15:00' },
    },
    { any: ['drop-shot', 'mushroom-head-worm', 'paddle-tail-swimbait', 'underspin', 'carolina-rig'] },
  ],
  [
    'summer river wood',
    { ...river, surfaceTempC: 26, date: '2027-07-05', tempTrendCPerDay: 0, visibilityM: 0.6, normalVisibilityM: 0.6 },
    {
      phase: 'summer',
      within: [0.2, 3.5],
      any: ['square-bill', 'texas-creature', 'flipping-jig', 'spinnerbait', 'buzzbait'],
    },
  ],
  // Fall
  [
    'early fall points',
    {
      surfaceTempC: 24,
      date: '2027-09-20',
      tempTrendCPerDay: -0.3,
      structures: ['main-lake-point', 'secondary-point'],
      covers: ['gravel'],
      forage: [{ kind: 'shad', seen: ['chased'] }],
      signs: ['surface-chasing'],
    },
    { phase: 'early-fall', any: [...topwaters, 'lipless-crankbait', 'paddle-tail-swimbait', 'soft-jerkbait'] },
  ],
  [
    'shad in the creeks',
    {
      surfaceTempC: 18,
      date: '2027-10-18',
      tempTrendCPerDay: -0.3,
      visibilityM: 0.9,
      normalVisibilityM: 0.9,
      structures: ['creek-back', 'flat', 'pocket'],
      covers: ['laydown', 'stump'],
      windMps: 4,
      forage: [{ kind: 'shad', seen: ['flicking'] }],
    },
    {
      phase: 'fall',
      within: [0.2, 3],
      any: ['spinnerbait', 'square-bill', 'lipless-crankbait', 'buzzbait', 'swim-jig', 'bladed-jig'],
    },
  ],
  ['turnover', { surfaceTempC: 15.5, date: '2027-11-02', tempTrendCPerDay: -0.35 }, { phase: 'fall' }],
  [
    'late fall steep rock',
    {
      surfaceTempC: 11,
      date: '2027-11-25',
      tempTrendCPerDay: -0.2,
      visibilityM: 2.2,
      structures: ['steep-bank', 'channel-swing', 'main-lake-point'],
      covers: ['chunk-rock'],
    },
    {
      phase: 'late-fall',
      within: [0.8, 9],
      any: [
        'suspending-jerkbait',
        'flat-sided-crankbait',
        'finesse-jig',
        'underspin',
        'wide-wobble-crankbait',
        'paddle-tail-swimbait',
      ],
      none: topwaters,
    },
  ],
  [
    'late fall, feedback: follows',
    { surfaceTempC: 11, date: '2027-11-25', tempTrendCPerDay: -0.2, visibilityM: 2.2, feedback: ['follows'] },
    { phase: 'late-fall' },
  ],
  // New water, ponds
  [
    'two days on new water',
    { surfaceTempC: 14, date: '2027-04-01', familiarity: 'new', windMps: 5, visibilityM: 0.9, normalVisibilityM: 0.9 },
    { any: ['spinnerbait', 'square-bill', 'lipless-crankbait', 'bladed-jig', 'flat-sided-crankbait'] },
  ],
  [
    'pond in May',
    {
      waterKind: 'pond',
      surfaceTempC: 21,
      date: '2027-05-10',
      tempTrendCPerDay: 0.2,
      visibilityM: 0.9,
      normalVisibilityM: 0.9,
      structures: ['pocket', 'dam-face'],
      covers: ['laydown', 'emergent-grass'],
      maxDepthM: 3,
    },
    { within: [0, 3], cautions: ['dam:serious'] },
  ],
  // Weather
  [
    'a front coming',
    { surfaceTempC: 19, date: '2027-04-25', front: 'approaching', sky: 'overcast', windMps: 6 },
    {
      any: [
        'spinnerbait',
        'square-bill',
        'lipless-crankbait',
        'bladed-jig',
        'swim-jig',
        'buzzbait',
        'walking-topwater',
      ],
      cautions: ['lightning:serious'],
    },
  ],
  [
    'fog at dawn',
    { surfaceTempC: 22, date: '2027-06-01', sky: 'fog', windMps: 0, window: { from: '05:30', to: '08:30' } },
    { any: topwaters, cautions: ['fog:serious'] },
  ],
  // Inshore
  [
    'red drum at a drain',
    {
      ...sound,
      surfaceTempC: 22,
      date: '2027-04-10',
      structures: ['drain-mouth', 'oyster-bar'],
      covers: ['oyster'],
      tide: { stage: 'falling', hoursIntoStage: 2 },
    },
    {
      phase: 'spring-rise',
      within: [0.1, 2.5],
      any: ['jighead-paddle-tail', 'popping-cork-shrimp', 'jighead-shrimp', 'weedless-spoon', 'crab-imitation'],
    },
  ],
  [
    'seatrout over grass',
    {
      ...sound,
      species: 'spotted-seatrout',
      surfaceTempC: 24,
      date: '2027-05-10',
      structures: ['grass-edge', 'flat'],
      covers: ['submerged-grass'],
      tide: { stage: 'rising' },
    },
    {
      any: [
        'popping-cork-shrimp',
        'weedless-jerk-shad',
        'suspending-twitchbait',
        'walking-topwater',
        'jighead-paddle-tail',
      ],
    },
  ],
  [
    'flatfish in the trough',
    {
      ...sound,
      species: 'flatfish',
      surfaceTempC: 22,
      date: '2027-05-10',
      structures: ['trough', 'drain-mouth'],
      covers: ['bare'],
      tide: { stage: 'falling' },
    },
    {
      any: ['bucktail', 'jighead-shrimp', 'jighead-jerk-shad', 'jighead-paddle-tail'],
      none: ['walking-topwater', 'popper'],
    },
  ],
  [
    'winter refuge',
    {
      ...sound,
      surfaceTempC: 11.5,
      date: '2027-01-15',
      tempTrendCPerDay: 0,
      structures: ['trough', 'creek-back', 'bridge'],
      covers: ['bare', 'shell'],
      tide: { stage: 'low-slack' },
    },
    {
      phase: 'winter-refuge',
      any: ['jighead-shrimp', 'suspending-twitchbait', 'jighead-jerk-shad', 'bucktail'],
      none: ['walking-topwater', 'weedless-spoon'],
    },
  ],
  [
    'fall run',
    {
      ...sound,
      surfaceTempC: 21,
      date: '2027-10-20',
      tempTrendCPerDay: -0.3,
      structures: ['marsh-point', 'drain-mouth', 'pass'],
      covers: ['oyster'],
      tide: { stage: 'falling' },
      forage: [{ kind: 'mullet', seen: ['chased'] }],
      signs: ['birds-diving'],
    },
    { phase: 'fall-run', any: ['jighead-paddle-tail', 'walking-topwater', 'weedless-spoon', 'lipless-crankbait'] },
  ],
  [
    'summer heat by day',
    {
      ...sound,
      surfaceTempC: 30,
      date: '2027-07-20',
      tempTrendCPerDay: 0,
      structures: ['flat', 'pass', 'bridge'],
      covers: ['bare'],
      window: { from: '10:00', to: '15:00' },
      tide: { stage: 'falling' },
    },
    { phase: 'summer-heat', cautions: ['heat:serious'] },
  ],
];

/** What is missing from a nod, in words; empty where the plan has it all. */
function shakes(plan: Plan, nod: Nod): string[] {
  const found: string[] = [];
  const holding = plan.windows.flatMap((window) => window.holding);
  const offered = plan.windows.flatMap(({ presentations }) => presentations);
  const firstThree = plan.windows.flatMap(({ presentations }) =>
    presentations.slice(0, 3).map(({ category }) => category),
  );
  const first = plan.windows.flatMap(({ presentations }) => presentations.slice(0, 1));
  const expect = (holds: boolean, words: string) => holds || found.push(words);
  const { phase, regime, within, position, any, none, tone, style, cautions = [] } = nod;
  if (phase) expect([phase].flat().includes(plan.phase.id), `phase ${plan.phase.id}`);
  if (regime) expect(plan.clarity.regime === regime, `regime ${plan.clarity.regime}`);
  if (within) {
    // Never all at once: where most of them are is what is asked, not where every group is.
    for (const { depthM, structure } of plan.windows.flatMap((window) => window.holding.slice(0, 1)))
      expect(depthM[0] >= within[0] && depthM[1] <= within[1], `${structure} at ${depthM.join(' to ')}`);
  }
  if (position) expect(holding[0]?.position === position, `position ${holding[0]?.position}`);
  if (any)
    expect(
      firstThree.some((id) => any.includes(id)),
      `first three ${firstThree.join(', ')}`,
    );
  for (const id of none ?? []) expect(!offered.some(({ category }) => category === id), `offers ${id}`);
  if (tone)
    for (const { colour, category } of first) expect(tone.includes(colour.tone), `${category} in ${colour.tone}`);
  if (style)
    expect(
      offered.some(({ retrieve }) => style.includes(retrieve.style)),
      `styles ${offered.map(({ retrieve }) => retrieve.style).join(', ')}`,
    );
  const raised = plan.cautions.map(({ id, severity }) => `${id}:${severity}`);
  for (const caution of cautions) expect(raised.includes(caution), `cautions ${raised.join(', ')}`);
  return found;
}

describe('days that a good angler would nod at', () => {
  it.each(DAYS)('%s', (_, conditions, nod) => {
    const { structures, covers, ...rest } = conditions;
    const plan = makePlan(
      day({ ...rest, ...(structures && { structures: [...structures] }), ...(covers && { covers: [...covers] }) }),
    );
    expect(shakes(plan, nod)).toEqual([]);
  });

  it('are forty and more, over every phase', () => {
    expect(DAYS.length).toBeGreaterThanOrEqual(40);
  });
});
