import type { CategoryId } from '../contract/ids';
import { makePlan } from '../plan/make-plan';
import { Conditions } from '../contract/conditions';
import { jerkbait, LogWriter, preSpawnPlan } from '../testing/trip-log';
import { tripsOf } from '../underway';
import {
  calculateLearned,
  expectedRates,
  learn,
  learnedOf,
  LEARNING_VERSION,
  recordOf,
  type LearnedAnswer,
  type RecordedTrip,
} from '.';
import { leaningOf } from './leaning';

const DAY = {
  discipline: 'bass',
  date: '2027-03-13',
  surfaceTempC: 10.5,
  visibilityM: 1.2,
  sky: 'overcast',
  windMps: 4,
  waterKind: 'highland-reservoir',
  structures: ['ditch', 'main-lake-point', 'secondary-point'],
  covers: ['chunk-rock', 'gravel'],
  place: { latitude: 35.9, longitude: -88.4, timeZone: 'America/Chicago' },
};
const PLACES = [
  { id: 'bend', structure: 'ditch', cover: 'chunk-rock', depthM: [1, 6] },
  { id: 'long', structure: 'main-lake-point', depthM: [1, 8] },
];
interface Fished {
  readonly category: CategoryId;
  readonly bites: number;
  readonly place?: string;
  readonly depthM?: number;
}
/** A trip of hours one after the other, each with one lure. */
const trip = (hours: readonly Fished[], day: object = DAY) => ({
  conditions: day,
  stretches: hours.map((each, at) => ({
    from: `${String(7 + at).padStart(2, '0')}:00`,
    to: `${String(8 + at).padStart(2, '0')}:00`,
    place: 'bend',
    ...each,
  })),
});
const trips = (count: number, hours: readonly Fished[], day?: object) =>
  Array.from({ length: count }, () => trip(hours, day));

function learned(asked: object): LearnedAnswer {
  const answer = calculateLearned({ conditions: DAY, places: PLACES, ...asked });
  if (!answer.ok) throw new Error(JSON.stringify(answer.problems));
  return answer.value;
}
const firsts = ({ windows }: LearnedAnswer['plan']) => windows.map(({ presentations }) => presentations[0]?.category);
const problems = (asked: unknown) => {
  const answer = calculateLearned(asked);
  return answer.ok ? [] : answer.problems.map(({ path, message }) => `${path}: ${message}`);
};

const { windows } = makePlan(Conditions.parse(DAY));
const ahead = windows[0]!.presentations[0]!.category;
const second = windows[0]!.presentations[1]!.category;

describe('a plan with a record', () => {
  it('is exactly the shipped one where there is none', () => {
    for (const none of [[], [trip([])]]) {
      const { plan, shipped, moved } = learned({ trips: none });
      expect(plan).toEqual(shipped);
      expect(shipped).toEqual(makePlan(Conditions.parse(DAY)));
      expect(moved).toEqual([]);
    }
  });

  it('puts first what has bitten again and again where the plan was wrong', () => {
    const { plan, shipped, moved } = learned({
      trips: trips(12, [
        { category: ahead, bites: 0 },
        { category: second, bites: 3 },
        { category: ahead, bites: 0 },
        { category: second, bites: 2 },
      ]),
    });
    expect(firsts(shipped)[0]).toBe(ahead);
    expect(firsts(plan)[0]).toBe(second);
    const [reason] = plan.windows[0]!.presentations[0]!.because.filter(({ rule }) => rule === 'your-record');
    expect(reason?.text).toMatch(
      /^Your record: \d\.\d times the bites that the rules alone expect, by 24 hours with it$/,
    );
    // The more bites it brought, the more it is moved, and each with the hours behind it.
    const told = moved.filter(({ kind }) => kind === 'factor');
    expect(told[0]?.posterior).not.toBe(1);
    expect(moved.every(({ hours }) => hours > 0 && hours <= 48)).toBe(true);
    expect(moved.some(({ kind, prior, posterior }) => kind === 'rule' && prior !== posterior)).toBe(true);
  });

  it('does not take one lucky hour for a truth', () => {
    const { plan, shipped } = learned({
      trips: [
        trip([
          { category: ahead, bites: 0 },
          { category: second, bites: 2 },
        ]),
      ],
    });
    expect(firsts(plan)).toEqual(firsts(shipped));
  });

  it('stands by the plan where the record agrees with it', () => {
    const { plan, shipped } = learned({
      trips: trips(12, [
        { category: ahead, bites: 3 },
        { category: second, bites: 0 },
      ]),
    });
    expect(firsts(plan)[0]).toBe(firsts(shipped)[0]);
    const own = plan.windows[0]!.presentations[0]!;
    expect(own.because.some(({ rule }) => rule === 'your-record')).toBe(true);
  });

  it('learns of water like the day, and of other water less', () => {
    const summer = { ...DAY, date: '2027-07-20', surfaceTempC: 29, sky: 'clear' };
    const hours: Fished[] = [
      { category: ahead, bites: 0 },
      { category: second, bites: 3 },
    ];
    const factor = (day: object) => {
      const { plan } = learned({ trips: trips(10, hours, day) });
      const reasons = plan.windows.flatMap(({ presentations }) =>
        presentations.filter(({ category }) => category === second).flatMap(({ because }) => because),
      );
      return Math.max(0, ...reasons.filter(({ rule }) => rule === 'your-record').map(({ weight }) => weight));
    };
    expect(factor(DAY)).toBeGreaterThan(factor(summer));
    expect(factor(DAY)).toBeGreaterThan(0.3);
  });

  it('learns of places by what they are, named by id or by their kind', () => {
    const byId = (bend: number, long: number) => [
      { category: ahead, bites: bend, place: 'bend' },
      { category: ahead, bites: long, place: 'long' },
    ];
    const weight = (asked: object, structure: string) =>
      learned(asked)
        .plan.windows[0]!.holding.filter((each) => each.structure === structure)
        .reduce((sum, each) => sum + each.weight, 0);
    const bent = { trips: trips(40, byId(4, 0)) };
    const pointed = { trips: trips(40, byId(0, 4)) };
    expect(weight(bent, 'ditch')).toBeGreaterThan(weight(pointed, 'ditch'));
    const kinds = byId(4, 0).map((each) => ({ ...each, place: each.place === 'bend' ? 'ditch' : 'main-lake-point' }));
    expect(weight({ trips: trips(40, kinds), places: [] }, 'ditch')).toBeGreaterThan(weight(pointed, 'ditch'));
  });

  it('keeps what the shore taught away from bass', () => {
    const shore = { ...DAY, discipline: 'inshore', surfaceTempC: 24, waterKind: undefined, structures: [], covers: [] };
    const { plan, shipped, moved } = learned({
      trips: trips(10, [{ category: 'popping-cork-shrimp', bites: 4 }], shore),
    });
    expect(plan).toEqual(shipped);
    expect(moved).toEqual([]);
  });

  it('tells what to expect with a range that narrows with the hours behind it', () => {
    const hours: Fished[] = [
      { category: ahead, bites: 1 },
      { category: second, bites: 2 },
    ];
    const range = (count: number) => {
      const known = trips(count, hours).map(({ conditions, stretches }) => ({
        conditions: Conditions.parse(conditions),
        stretches: stretches.map((each) => ({ ...each, structure: undefined, cover: undefined })),
      }));
      const [, rate] = expectedRates(learn(known as never)!, known[0] as never);
      return rate!;
    };
    const [few, many] = [range(2), range(30)];
    expect(many.range80[1] / many.range80[0]).toBeLessThan(few.range80[1] / few.range80[0]);
    expect(many.range80[0]).toBeLessThan(2);
    expect(many.range80[1]).toBeGreaterThan(2);
  });
});

describe('trips of a log', () => {
  const far = { ...jerkbait, structure: 'channel-swing' as const, depthM: 3 };
  const log = () => {
    const written = new LogWriter();
    written.begin();
    written.casts(20, 40);
    written.contact(25, 'follow');
    written.contact(30, 'landed');
    written.casts(70, 30, far);
    return written;
  };

  it('are told once they are over, stretch by stretch', () => {
    const written = log();
    expect(recordOf(tripsOf(written.events))).toEqual([]);
    written.add(130, { kind: 'finish' });
    const [told, ...more] = recordOf(tripsOf(written.events));
    expect(more).toEqual([]);
    expect(told?.conditions).toEqual(preSpawnPlan.conditions);
    expect(told?.stretches).toMatchObject([
      { category: jerkbait.category, place: 'secondary-point', structure: 'secondary-point', bites: 1, follows: 1 },
      { category: jerkbait.category, place: 'channel-swing', depthM: 3, bites: 0, follows: 0 },
    ]);
    expect(learn([told!])?.hours).toBeGreaterThan(0.5);
  });

  it('teach the same from what was learnt before one more as from the start', () => {
    const all = trips(6, [
      { category: ahead, bites: 0 },
      { category: second, bites: 2 },
    ]).map(({ conditions, stretches }) => ({ conditions: Conditions.parse(conditions), stretches }));
    const before = learn(all.slice(1) as never);
    const [fresh, on] = [learn(all as never)!, learn(all as never, before)!];
    for (const { name, mean } of fresh.parameters()) expect(on.mean(name)).toBeCloseTo(mean, 2);
  });

  const sixTrips = () =>
    trips(6, [
      { category: ahead, bites: 0 },
      { category: second, bites: 2 },
    ]).map(({ conditions, stretches }) => ({ conditions: Conditions.parse(conditions), stretches })) as never[];

  it('teach what can be kept as text, and is the same when it is read again', () => {
    const learned = learn(sixTrips())!;
    const read = learnedOf(JSON.parse(JSON.stringify(learned.state)));
    expect(read.state).toEqual(learned.state);
    expect(read.parameters()).toEqual(learned.parameters());
    const day = Conditions.parse(DAY);
    expect(makePlan(day, { leaning: leaningOf(read) })).toEqual(makePlan(day, { leaning: leaningOf(learned) }));
    const [unknown] = expectedRates(read, sixTrips()[0] as unknown as RecordedTrip);
    expect(unknown).toEqual(expectedRates(learned, sixTrips()[0] as unknown as RecordedTrip)[0]);
  });

  // Whoever changes what is learnt raises its version or the engine's: else what was learnt before goes on.
  it('teach this much, by this version', () => {
    const { hours, mean } = learn(sixTrips())!;
    const taught = [ahead, second].map((category) => mean(`lure:${category}`).toFixed(2));
    expect([LEARNING_VERSION, hours, ...taught]).toEqual([1, 12, '-0.19', '0.17']);
  });

  it('teach nothing without a plan, since nobody knows what kind of day it was', () => {
    const written = new LogWriter();
    written.begin(null);
    written.casts(20);
    written.add(60, { kind: 'finish' });
    expect(recordOf(tripsOf(written.events))).toEqual([]);
    expect(learn([])).toBeNull();
  });
});

describe('bad input', () => {
  it.each([
    [{ conditions: DAY }, /^trips: /],
    [{ conditions: DAY, trips: [{ conditions: DAY }] }, /^trips\[0\]\.stretches: expected a list of stretches/],
    [
      {
        conditions: DAY,
        trips: [{ ...trip([]), stretches: [{ from: '09:00', to: '09:00', place: 'a', category: ahead, bites: 1 }] }],
      },
      /^trips\[0\]\.stretches\[0\]\.to: expected a time after 09:00, got "09:00"/,
    ],
    [
      { conditions: DAY, trips: [trip([{ category: 'spoon-of-gold' as CategoryId, bites: 1 }])] },
      /^trips\[0\]\.stretches\[0\]\.category: expected a category/,
    ],
    [
      { conditions: DAY, trips: [trip([{ category: ahead, bites: -1 }])] },
      /^trips\[0\]\.stretches\[0\]\.bites: expected bites from 0 to 500, got -1/,
    ],
  ])('is refused in one sentence', (asked, words) => {
    expect(problems(asked)[0]).toMatch(words);
  });
});
