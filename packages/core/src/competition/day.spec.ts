import { Conditions } from '../contract/conditions.js';
import { parse } from '../contract/problems.js';
import type { Catch, Fishing, TripPlan } from '../contract/trips.js';
import { makePlan } from '../plan/make-plan.js';
import { idAt, jerkbait, LogWriter, momentOf, preSpawn } from '../testing/trip-log.js';
import { tripOf, type Trip } from '../underway/trip.js';
import { fishAnHour } from './belief.js';
import { dayThatCounts, type DayThatCounts } from './day.js';
import { wayOfLure, waysOf } from './ways.js';
import { boxWords, changeOverWords, oddsWords, practiceWords, spotWords, wayWords } from './words.js';

const WATER = idAt(0x77);
const rules = { limit: 5, by: 'weight', culling: true, practiceDays: 3 } as const;
const conditions = Conditions.parse({ ...preSpawn, competition: rules });
const plan: TripPlan = { conditions, plan: makePlan(conditions) };
const swimbait: Fishing = { ...jerkbait, category: 'big-swimbait', paceMps: 0.5 };

interface Landed {
  readonly minute: number;
  readonly fishing?: Fishing;
  readonly fish?: Catch;
}

let made = 0;
/** A trip that begins so many days after the first moment of the test's logs; it is not over unless it says until when. */
function tripOn(day: number, landed: readonly Landed[], overMin?: number): Trip {
  const log = new LogWriter(undefined, 0x10000 * ++made, idAt(0x5000 + made));
  const at = (minute: number) => day * 1440 + minute;
  log.add(at(0), {
    kind: 'begin',
    name: `Trip ${made}`,
    waterId: WATER,
    place: preSpawn.place,
    plan,
    stops: [],
    aheadMs: 0,
  });
  for (const { minute, fishing = jerkbait, fish } of landed) {
    log.add(at(minute), { kind: 'effort', minutes: 30, fishing });
    log.add(at(minute + 1), { kind: 'contact', what: 'landed', fishing, fish });
  }
  if (overMin !== undefined) log.add(at(overMin), { kind: 'finish' });
  return tripOf(log.events, idAt(0x5000 + made)) as Trip;
}

const told = (asked: Partial<Parameters<typeof dayThatCounts>[0]> = {}): DayThatCounts =>
  dayThatCounts({ conditions, units: 'us', trips: [], waterId: WATER, ...asked }, { draws: 120 }) as DayThatCounts;

describe('a day that counts', () => {
  it('is none without rules, and changes nothing in the plan', () => {
    expect(dayThatCounts({ conditions: preSpawn, units: 'us', trips: [] })).toBeNull();
    expect(makePlan(conditions)).toEqual(makePlan(preSpawn));
  });

  it('says before it when to change over, by what is usual', () => {
    const day = told();
    expect(day.box.best).toEqual([]);
    expect(day.practice.trips).toEqual([]);
    expect(day.nowMin).toBe(390);
    expect(day.endMin).toBe(900);
    expect(changeOverWords(day)).toMatch(/^Fish for a (limit|big one)/);
    expect(boxWords(day, 'us')).toBe('Nothing in the box yet; five count.');
    expect(oddsWords(day, 'us')[0]).toMatch(
      /^[\d.]+ lb at the end as a rule, [\d.]+ to [\d.]+ lb on eight days of ten\.$/,
    );
  });

  it('ends when one must be back', () => {
    const early = Conditions.parse({ ...preSpawn, competition: { ...rules, backBy: '13:00' } });
    expect(told({ conditions: early }).endMin).toBe(780);
    expect(told({ conditions: early }).change?.best.mean).toBeLessThan(told().change?.best.mean as number);
  });

  it('has two ways to fish, a lure of each, and knows which is fished', () => {
    const ways = waysOf(conditions, 'us');
    for (const { limit, big } of ways.windows) {
      expect(limit?.presentation.category).not.toBe(big?.presentation.category);
    }
    const [{ limit, big }] = ways.windows as [(typeof ways.windows)[number]];
    expect(wayOfLure(ways, limit?.presentation.category as 'big-swimbait')).toBe('limit');
    expect(wayOfLure(ways, big?.presentation.category as 'big-swimbait')).toBe('big');
    expect(wayWords(limit as NonNullable<typeof limit>, 'us')).toMatch(/ft/);
  });

  it('counts the fish of the trip: not the short, not a companion’s, the unmeasured as usual', () => {
    const short = Conditions.parse({ ...preSpawn, competition: { ...rules, minimumMm: 300 } });
    const trip = tripOn(0, [
      { minute: 10, fish: { weightG: 900 } },
      { minute: 50, fish: { lengthMm: 280 } },
      { minute: 90, fish: { weightG: 2000, whose: 'My brother' } },
      { minute: 130 },
    ]);
    const day = told({ conditions: short, underway: { trip, nowMs: momentOf(180) } });
    expect(day.fish).toHaveLength(2);
    expect(day.unmeasured).toBe(1);
    expect(day.box.best).toContain(900);
    expect(boxWords(day, 'us')).toMatch(
      /^2 of 5, [\d.]+ lb\. Three are missing\. One was not measured and taken as usual\.$/,
    );
    expect(boxWords(day, 'metric')).toMatch(/kg\./);
    const measured = tripOn(0, [{ minute: 10, fish: { lengthMm: 400 } }]);
    expect(boxWords(told({ underway: { trip: measured, nowMs: momentOf(60) } }), 'us')).toMatch(
      /^1 of 5, 2\.1 lb\. Four are missing\. One was not weighed, but measured\.$/,
    );
  });

  it('is told anew with each fish: more of them are believed in, and a full box is left for a big one', () => {
    const fish = { weightG: 650 };
    const one = tripOn(0, [{ minute: 10, fish }]);
    const five = tripOn(
      0,
      [10, 40, 70, 100, 130].map((minute) => ({ minute, fish })),
    );
    const [before, after] = [one, five].map((trip) => told({ underway: { trip, nowMs: momentOf(165) } })) as [
      DayThatCounts,
      DayThatCounts,
    ];
    expect(fishAnHour(after.beliefs.limit)).toBeGreaterThan(fishAnHour(before.beliefs.limit));
    expect(after.box.toBeat).toBe(650);
    expect(boxWords(after, 'us')).toMatch(/The next must be over 1\.4 lb\.$/);
    expect(changeOverWords(after)).toBe('Change over now: fish for a big one.');
    expect(oddsWords(after, 'us').at(-1)).toMatch(/changing over is better on \d of 10 days/);
  });

  it('is over once one must be back', () => {
    const day = told({ underway: { trip: tripOn(0, []), nowMs: momentOf(500) } });
    expect(day.change).toBeNull();
    expect(changeOverWords(day)).toBe('The day is over.');
    expect(oddsWords(day, 'us')).toEqual([]);
  });

  it('says to go in where the box is full and none may be let go', () => {
    const strict = Conditions.parse({ ...preSpawn, competition: { limit: 1, by: 'weight', culling: false } });
    const trip = tripOn(0, [{ minute: 10, fish: { weightG: 900 } }]);
    const day = told({ conditions: strict, underway: { trip, nowMs: momentOf(60) } });
    expect(changeOverWords(day)).toBe('The box is full, and none may be let go: go in.');
    expect(boxWords(day, 'us')).toMatch(/The box is full\.$/);
  });
});

describe('practice', () => {
  const spot = 'Long point';
  const practice = (day: number) =>
    tripOn(
      day,
      [10, 50, 90, 130].map((minute) => ({ minute, fishing: { ...swimbait, spot }, fish: { weightG: 2400 } })),
      200,
    );

  it('is brought over with what of it still holds: the nearer day more', () => {
    const [near, far] = [told({ trips: [practice(-1)] }), told({ trips: [practice(-3)] })];
    const none = told();
    expect(near.practice.trips.map(({ daysBefore }) => daysBefore)).toEqual([1]);
    expect(near.practice.trips[0]?.holds).toBeGreaterThan(far.practice.trips[0]?.holds as number);
    expect(fishAnHour(near.beliefs.big)).toBeGreaterThan(fishAnHour(none.beliefs.big));
    expect(near.beliefs.big.size.logMean).toBeGreaterThan(none.beliefs.big.size.logMean);
    expect(near.change?.best.mean).toBeGreaterThan(none.change?.best.mean as number);
    expect(practiceWords(near)).toMatch(/^One practice trip: \d+ of 100 of what it showed still holds\.$/);
    const [place] = near.practice.spots;
    expect(place?.spot).toBe(spot);
    expect(place && spotWords(place)).toMatch(
      /^4 bites in [\d.]+ h, last fished the day before; .* A bite within an hour: \d+ of 100\.$/,
    );
  });

  it('is not what was fished on another water, after the day, or longer ago than one practised', () => {
    expect(told({ trips: [practice(-4)] }).practice.trips).toEqual([]);
    expect(told({ trips: [practice(1)] }).practice.trips).toEqual([]);
    expect(told({ trips: [practice(-1)], waterId: idAt(0x78) }).practice.trips).toEqual([]);
    expect(practiceWords(told())).toBe('');
  });

  it('holds less in clear water than in stained', () => {
    const seen = (visibilityM: number) => told({ conditions: { ...conditions, visibilityM }, trips: [practice(-2)] });
    expect(seen(4).practice.trips[0]?.holds).toBeLessThan(seen(0.7).practice.trips[0]?.holds as number);
  });
});

describe('rules that cannot be', () => {
  it.each([
    [{ limit: 0, by: 'weight', culling: true }, 'competition.limit'],
    [{ limit: 2.5, by: 'weight', culling: true }, 'competition.limit'],
    [{ limit: 5, by: 'colour', culling: true }, 'competition.by'],
    [{ limit: 5, by: 'weight', culling: true, minimumMm: 9000 }, 'competition.minimumMm'],
    [{ limit: 5, by: 'weight', culling: true, backBy: '25:00' }, 'competition.backBy'],
    [{ limit: 5, by: 'weight', culling: true, practiceDays: -1 }, 'competition.practiceDays'],
  ])('%j are refused with where', (competition, path) => {
    const answer = parse(Conditions, { ...preSpawn, competition });
    expect(answer.ok ? [] : answer.problems.map((problem) => problem.path)).toEqual([path]);
  });
});
