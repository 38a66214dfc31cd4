import fc from 'fast-check';
import { CATEGORIES, type CategoryId } from '../contract/ids.js';
import { CONTACTS, LURE_CHANGES, TripEvents, type Fishing } from '../contract/trips.js';
import { makePlan } from '../plan/make-plan.js';
import { categoryOf } from '../lures/categories.js';
import { anyConditions } from '../testing/any-conditions.js';
import { LogWriter, TRIP_ID, momentOf, preSpawn } from '../testing/trip-log.js';
import { blocksOf, castHours } from './blocks.js';
import { optionsOf, usualFishing } from './candidates.js';
import { dayClock, windowAt } from './moment.js';
import { findingsOf } from './next.js';
import { latestReading, offPlan } from './off-plan.js';
import { reviewOf } from './review.js';
import { lastTap, tripOf, type Trip } from './trip.js';

const SPOTS = ['Ditch bend', 'Long point', null] as const;

/** Anything that may be fished. */
const anyFishing: fc.Arbitrary<Fishing> = fc.record({
  spot: fc.constantFrom(...SPOTS),
  structure: fc.constantFrom('secondary-point' as const, 'flat' as const, null),
  cover: fc.constantFrom('chunk-rock' as const, null),
  depthM: fc.double({ min: 0, max: 30, noNaN: true }),
  category: fc.constantFrom(...CATEGORIES),
  trim: fc.constantFrom(...LURE_CHANGES, null),
  paceMps: fc.double({ min: 0, max: 3, noNaN: true }),
});

/** Taps in any order, as far apart as may be. */
const anyTaps = fc.array(
  fc.record({
    after: fc.integer({ min: 0, max: 90 }),
    kind: fc.constantFrom('casts', 'minutes', 'contact', 'fishing', 'bait', 'pause', 'resume', 'undo', 'reading'),
    what: fc.constantFrom(...CONTACTS),
    fishing: anyFishing,
    tempC: fc.double({ min: 4, max: 30, noNaN: true }),
  }),
  { maxLength: 40 },
);
type Taps = typeof anyTaps extends fc.Arbitrary<infer T> ? T : never;

/** A log of such taps, and the minute at which it ends. */
function logOf(taps: Taps, withPlan = true): { log: LogWriter; endMin: number } {
  const log = new LogWriter();
  if (withPlan) log.begin();
  else log.begin(null);
  let minute = 0;
  for (const { after, kind, what, fishing, tempC } of taps) {
    minute += after;
    const last = lastTap(log.events, TRIP_ID, log.deviceId);
    if (kind === 'casts') log.casts(minute, 20, fishing);
    else if (kind === 'minutes') log.add(minute, { kind: 'effort', minutes: 10, fishing });
    else if (kind === 'contact') log.contact(minute, what, fishing);
    else if (kind === 'fishing') log.add(minute, { kind, fishing });
    else if (kind === 'reading') log.add(minute, { kind, reading: { surfaceTempC: tempC } });
    else if (kind === 'undo') {
      if (last) log.add(minute, { kind: 'take-back', of: last.id });
    } else log.add(minute, { kind });
  }
  return { log, endMin: minute + 5 };
}
const told = (log: LogWriter): Trip => {
  const trip = tripOf(log.events, TRIP_ID);
  if (!trip) throw new Error('no trip');
  return trip;
};

describe('whatever is tapped', () => {
  it('is a log that the border takes, and of which the server could tell the same trip', () => {
    fc.assert(
      fc.property(anyTaps, (taps) => {
        const { log } = logOf(taps);
        const taken = TripEvents.parse(JSON.parse(JSON.stringify(log.events)));
        expect(tripOf(taken, TRIP_ID)).toEqual(told(log));
      }),
      { numRuns: 40 },
    );
  });

  it('loses no bite and makes none up: blocks hold as many as stand in the notes, over some time', () => {
    fc.assert(
      fc.property(anyTaps, (taps) => {
        const { log, endMin } = logOf(taps);
        const trip = told(log);
        const blocks = blocksOf(trip, momentOf(endMin), dayClock(trip));
        const noted = trip.notes.flatMap(({ event }) => (event.kind === 'contact' ? [event.what] : []));
        const near = noted.filter((what) => what === 'follow' || what === 'short').length;
        expect(blocks.reduce((sum, { bites }) => sum + bites, 0)).toBe(noted.length - near);
        expect(blocks.reduce((sum, { nearMisses = 0 }) => sum + nearMisses, 0)).toBe(near);
        for (const { hours, atMin } of blocks) {
          expect(hours).toBeGreaterThan(0);
          expect(Number.isFinite(atMin)).toBe(true);
        }
      }),
      { numRuns: 80 },
    );
  });

  it('does not fish longer than said and than the time that went by', () => {
    fc.assert(
      fc.property(anyTaps, (taps) => {
        const { log, endMin } = logOf(taps);
        const trip = told(log);
        const hours = blocksOf(trip, momentOf(endMin), dayClock(trip)).reduce((sum, block) => sum + block.hours, 0);
        const said = trip.notes.reduce((sum, { event }) => {
          if (event.kind === 'effort' && event.fishing) {
            return sum + (event.casts ?? 0) * castHours(event.fishing.paceMps) + (event.minutes ?? 0) / 60;
          }
          return event.kind === 'contact' && event.fishing ? sum + castHours(event.fishing.paceMps) : sum;
        }, 0);
        expect(hours).toBeLessThanOrEqual(said + endMin / 60 + 1e-9);
      }),
      { numRuns: 80 },
    );
  });

  it('has an answer in words with its because, odds that are odds, and a review', () => {
    fc.assert(
      fc.property(anyTaps, fc.boolean(), (taps, withPlan) => {
        const { log, endMin } = logOf(taps, withPlan);
        const trip = told(log);
        const { next, hours, bites } = findingsOf({ trip, nowMs: momentOf(endMin), units: 'metric' });
        expect(hours).toBeGreaterThanOrEqual(0);
        expect(bites).toBeGreaterThanOrEqual(0);
        if (next) {
          expect(next.text).toMatch(/\.$/);
          expect(next.because.length).toBeGreaterThan(0);
          expect(Number.isFinite(next.perHour)).toBe(true);
          expect(next.odds).not.toContain('NaN');
        } else expect(withPlan || trip.fishing).toBeFalsy();
        const { planned, done, found } = reviewOf(trip, momentOf(endMin), 'us');
        for (const lines of [planned, done, found]) {
          expect(lines.length).toBeGreaterThan(0);
          expect(lines.join(' ')).not.toMatch(/NaN|Infinity|undefined/);
        }
      }),
      { numRuns: 40 },
    );
  });

  it('is taken back tap by tap until nothing is left', () => {
    fc.assert(
      fc.property(anyTaps, (taps) => {
        const { log, endMin } = logOf(taps);
        for (let left = 0; left <= 80; left++) {
          const last = lastTap(log.events, TRIP_ID, log.deviceId);
          if (!last) break;
          log.add(endMin, { kind: 'take-back', of: last.id });
        }
        expect(told(log).notes).toEqual([]);
        expect(told(log).fishing).toBeNull();
      }),
      { numRuns: 30 },
    );
  });
});

describe('whatever day is planned', () => {
  it('has options within what each lure can do, few enough, none twice', () => {
    fc.assert(
      fc.property(anyConditions, anyFishing, fc.integer({ min: 0, max: 1439 }), (conditions, fishing, minute) => {
        const { windows } = makePlan(conditions);
        const window = windowAt(windows, minute);
        const options = optionsOf(window, [], fishing, minute, { light: window?.light ?? 'low', tide: null });
        expect(options.length).toBeLessThanOrEqual(150);
        expect(new Set(options.map(({ id }) => id)).size).toBe(options.length);
        for (const { prior, fishing: each, category } of options) {
          expect(prior).toBeGreaterThan(0);
          expect(each.category).toBe(category);
          expect(each.depthM).toBeGreaterThanOrEqual(0);
        }
      }),
      { numRuns: 40 },
    );
  });

  it('is on its plan again once the new one is taken', () => {
    const reading = fc.record({
      surfaceTempC: fc.double({ min: -1, max: 38, noNaN: true }),
      visibilityM: fc.double({ min: 0.05, max: 20, noNaN: true }),
      windMps: fc.double({ min: 0, max: 25, noNaN: true }),
      windFromDeg: fc.integer({ min: 0, max: 359 }),
      sky: fc.constantFrom('clear' as const, 'overcast' as const, 'rain' as const),
      level: fc.constantFrom('rising' as const, 'stable' as const, 'falling' as const),
    });
    let seen = 0;
    fc.assert(
      fc.property(reading, (read) => {
        const off = offPlan({ conditions: preSpawn, plan: makePlan(preSpawn) }, read, 'us');
        if (!off) return;
        seen++;
        expect(off.words.length).toBeGreaterThan(0);
        expect(offPlan({ conditions: off.conditions, plan: makePlan(off.conditions) }, read, 'us')).toBeNull();
      }),
      { numRuns: 60 },
    );
    expect(seen).toBeGreaterThan(20);
  });

  it('forgets a reading that the plan already knows', () => {
    const log = new LogWriter();
    log.begin();
    log.add(3, { kind: 'reading', reading: { surfaceTempC: 15 } });
    log.add(4, { kind: 'plan', plan: { conditions: preSpawn, plan: makePlan(preSpawn) } });
    log.add(5, { kind: 'reading', reading: { level: 'rising' } });
    expect(latestReading(told(log))).toEqual({ level: 'rising' });
  });
});

describe('a lure of its own choice', () => {
  it.each(CATEGORIES.map((category): [CategoryId] => [category]))('%s is fished as it commonly is', (category) => {
    const { runDepthM, paceMps } = categoryOf(category);
    for (const depthM of [undefined, 0, 3, 200]) {
      const fishing = usualFishing(category, depthM);
      expect(fishing.depthM).toBeGreaterThanOrEqual(runDepthM[0]);
      expect(fishing.depthM).toBeLessThanOrEqual(runDepthM[1]);
      expect(fishing.paceMps).toBeGreaterThanOrEqual(paceMps[0]);
      expect(fishing.paceMps).toBeLessThanOrEqual(paceMps[1]);
    }
  });
});
