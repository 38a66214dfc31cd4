import { against, ifNamed, lure, middle, noLure, of, plan, rankOf, shades } from './checks.mjs';
import { MILL_FLOWAGE, PINE_LAKE, SOUTH_HILLS } from './places.mjs';

const base = {
  ...SOUTH_HILLS,
  date: '2027-03-24',
  window: { from: '07:00', to: '17:00' },
  surfaceTempC: 12.5,
  tempTrendCPerDay: 0.3,
  yearLowC: 5,
  visibilityM: 1.7,
  sky: 'partly-cloudy',
  windMps: 4,
  structures: ['secondary-point', 'steep-bank'],
  covers: ['chunk-rock', 'gravel'],
};
const stain = {
  ...MILL_FLOWAGE,
  date: '2027-04-01',
  window: { from: '07:00', to: '17:00' },
  surfaceTempC: 13.5,
  tempTrendCPerDay: 0.3,
  visibilityM: 0.7,
  sky: 'overcast',
  windMps: 4,
  structures: ['secondary-point', 'pocket', 'flat'],
  covers: ['laydown', 'stump'],
};

/** What the angler says, and what the water answers, must be seen in the plan. */
export const ASKED_DAYS = [
  {
    id: 'asked-confidence',
    name: 'An angler who trusts a spinnerbait above all',
    conditions: { ...base, confidence: { spinnerbait: 1, 'flat-sided-crankbait': -1 } },
    checks: [
      against(
        'it stands higher for it',
        { confidence: {} },
        (made) => rankOf(made, 'spinnerbait'),
        (own, other) => own <= other && own < 4,
      ),
      against(
        'and what is not trusted lower',
        { confidence: {} },
        (made) => rankOf(made, 'flat-sided-crankbait', '12:00'),
        (own, other) => own >= other,
      ),
    ],
  },
  {
    id: 'asked-short-strikes',
    name: 'Only the tail is taken',
    conditions: { ...stain, feedback: ['short-strikes'] },
    checks: [
      against(
        'the same lure, another colour',
        { feedback: [] },
        ({ windows }) => [windows[1].presentations[0].category, windows[1].presentations[0].colour.tone],
        ([lureNow, tone], [lureThen, toneThen]) => lureNow === lureThen && tone !== toneThen,
      ),
      against(
        'or a trailer hook first, for who does so',
        { schools: { 'short-strike-first': 'trailer-hook' } },
        ({ windows }) => JSON.stringify(windows[1].presentations[0].because),
        (own, other) => /another colour first/i.test(own) && /trailer hook first/i.test(other),
      ),
    ],
  },
  {
    id: 'asked-cold-line',
    name: 'Nylon in the cold for who chose it',
    conditions: {
      ...SOUTH_HILLS,
      date: '2027-02-10',
      window: { from: '08:00', to: '16:30' },
      surfaceTempC: 8.4,
      tempTrendCPerDay: 0.1,
      yearLowC: 5.5,
      visibilityM: 1.2,
      sky: 'overcast',
      windMps: 3,
      structures: ['steep-bank', 'riprap'],
      covers: ['chunk-rock'],
      schools: { 'cold-line': 'nylon' },
    },
    checks: [
      of(
        'the chosen side is obeyed',
        'flat-sided-crankbait wide-wobble-crankbait suspending-jerkbait',
        ({ rig }) => rig.line.material === 'nylon',
      ),
      against(
        'and the other',
        { schools: { 'cold-line': 'fluorocarbon' } },
        ({ windows }) =>
          windows
            .flatMap(({ presentations }) => presentations)
            .find(({ category }) => /flat-sided|wide-wobble|jerkbait/.test(category)).rig.line.material,
        (own, other) => own === 'nylon' && other === 'fluorocarbon',
      ),
    ],
  },
  {
    id: 'asked-deep-claws',
    name: 'Flapping claws at any depth, or none below ten feet',
    conditions: {
      ...MILL_FLOWAGE,
      date: '2027-07-20',
      window: { from: '09:00', to: '15:00' },
      surfaceTempC: 28,
      tempTrendCPerDay: 0,
      visibilityM: 1.1,
      normalVisibilityM: 1.1,
      thermoclineM: 7,
      sky: 'clear',
      windMps: 2,
      structures: ['ledge', 'main-lake-point'],
      covers: ['stump', 'brush-pile'],
      schools: { 'deep-claws': 'any' },
    },
    checks: [
      against(
        'the creature stands higher for who fishes it deep',
        { schools: { 'deep-claws': 'none-deep' } },
        (made) => rankOf(made, 'texas-creature', '12:00'),
        (own, other) => own <= other,
      ),
    ],
  },
  {
    id: 'asked-blade-school',
    name: 'Round or long blades in the mud',
    conditions: {
      ...MILL_FLOWAGE,
      date: '2027-04-12',
      window: { from: '07:00', to: '17:00' },
      surfaceTempC: 15,
      tempTrendCPerDay: 0.2,
      visibilityM: 0.25,
      level: 'rising',
      sky: 'overcast',
      windMps: 4,
      structures: ['pocket', 'riprap'],
      covers: ['riprap', 'gravel'],
      schools: { 'mud-blade': 'round', 'mud-lure': 'spinnerbait' },
    },
    checks: [
      lure('the spinnerbait for who fishes mud with it', 2, 'spinnerbait'),
      of('round', 'spinnerbait', ({ blades }) => blades.shapes.every((shape) => shape === 'round')),
      against(
        'long and painted for the other',
        { schools: { 'mud-blade': 'long', 'mud-lure': 'spinnerbait' } },
        ({ windows }) =>
          windows.flatMap(({ presentations }) => presentations).find(({ category }) => category === 'spinnerbait')
            ?.blades,
        (own, other) => own?.shapes[0] === 'round' && other?.shapes.includes('long'),
      ),
      of('a second skirt', 'spinnerbait', ({ because }) => because.some(({ rule }) => rule === 'second-skirt')),
    ],
  },
  {
    id: 'asked-warmer-colder',
    name: 'What at three degrees more, and at three less',
    conditions: base,
    checks: [
      plan('warmer is answered', ({ ifThen }) => ifThen.some(({ rule }) => rule === 'if-warmer')),
      plan('colder is answered', ({ ifThen }) => ifThen.some(({ rule }) => rule === 'if-colder')),
    ],
  },
  {
    id: 'asked-males-shallow',
    name: 'Small males on the bank at sixty',
    conditions: {
      ...base,
      surfaceTempC: 14.2,
      date: '2027-04-01',
      structures: ['pocket', 'secondary-point'],
      fishSigns: ['small-males-shallow'],
    },
    checks: [
      against(
        'the fish themselves name the season',
        { fishSigns: [] },
        ({ phase: { id, probability, others } }) =>
          [id, ...others.map((each) => each.id)].includes('spawn')
            ? id === 'spawn'
              ? probability
              : others.find((each) => each.id === 'spawn').probability
            : 0,
        (own, other) => own > other,
      ),
    ],
  },
  {
    id: 'asked-spent',
    name: 'Worn tails at sixty-nine',
    conditions: { ...base, surfaceTempC: 20.2, date: '2027-05-05', tempTrendCPerDay: 0.2, fishSigns: ['spent'] },
    checks: [
      against(
        'they have spawned',
        { fishSigns: [] },
        ({ phase: { id, probability, others } }) =>
          id === 'post-spawn' ? probability : (others.find((each) => each.id === 'post-spawn')?.probability ?? 0),
        (own, other) => own > other,
      ),
    ],
  },
  {
    id: 'asked-rods',
    name: 'Two rods only',
    conditions: { ...stain, maxRods: 2 },
    checks: [
      plan('no more than two', ({ windows }) => windows.every(({ presentations }) => presentations.length <= 2)),
    ],
  },
  {
    id: 'asked-crank-pace',
    name: 'Always winding, or stop and go',
    conditions: { ...base, schools: { 'crank-pace': 'fast' } },
    checks: [
      of('always winding', 'flat-sided-crankbait wide-wobble-crankbait medium-diver square-bill', ({ retrieve }) =>
        ['steady', 'burn'].includes(retrieve.style),
      ),
      against(
        'stops for the other',
        { schools: { 'crank-pace': 'stop-and-go' } },
        ({ windows }) =>
          windows
            .flatMap(({ presentations }) => presentations)
            .find(({ category }) => /flat-sided|wide-wobble|medium-diver|square/.test(category)).retrieve.style,
        (own, other) => own !== 'stop-and-go' && other === 'stop-and-go',
      ),
    ],
  },
  {
    id: 'asked-lines',
    name: 'Lines as anglers use them',
    conditions: stain,
    checks: [
      plan('no jig on thirty-pound fluorocarbon', ({ windows }) =>
        windows.every(({ presentations }) =>
          presentations.every(
            ({ category, rig }) => !/jig$/.test(category) || rig.line.material === 'braid' || rig.line.testLb <= 25,
          ),
        ),
      ),
      ifNamed(
        'spinnerbait on seventeen to twenty',
        'spinnerbait',
        ({ rig }) => rig.line.testLb >= 15 && rig.line.testLb <= 20,
      ),
      plan('figures are round', ({ windows }) =>
        windows.every(({ presentations }) =>
          presentations.every(({ runDepthM, size }) =>
            [...runDepthM, ...size.weightG, ...size.lengthMm].every((figure) => String(figure).length <= 4),
          ),
        ),
      ),
    ],
  },
  {
    id: 'asked-winter-colour',
    name: 'White with rattles in winter, for who does',
    conditions: {
      ...SOUTH_HILLS,
      date: '2027-01-25',
      window: { from: '08:00', to: '16:00' },
      surfaceTempC: 6,
      tempTrendCPerDay: 0,
      yearLowC: 5.5,
      visibilityM: 1.6,
      sky: 'overcast',
      windMps: 3,
      structures: ['steep-bank', 'bluff-end'],
      covers: ['chunk-rock'],
      schools: { 'winter-colour': 'white' },
    },
    checks: [of('white', 'suspending-jerkbait', (found) => shades(found, 'white', 'pearl'))],
  },
  {
    id: 'asked-northern-goal-numbers',
    name: 'Bites before size on a clear lake',
    conditions: {
      ...PINE_LAKE,
      goal: 'numbers',
      date: '2027-06-20',
      window: { from: '07:00', to: '15:00' },
      surfaceTempC: 22,
      tempTrendCPerDay: 0.1,
      yearLowC: 1,
      visibilityM: 2.5,
      sky: 'clear',
      windMps: 2,
      structures: ['dock', 'flat', 'grass-edge'],
      covers: ['dock', 'reeds', 'submerged-grass'],
    },
    checks: [
      noLure('nothing for one big one', 3, 'big-swimbait umbrella-rig'),
      plan('small before large', ({ windows }) => middle(windows[1].presentations[0].size.lengthMm) <= 150),
    ],
  },
];
