import { TripEvent, tripsOf } from '@inky-shoal/core/underway';
import { phaseOn, Plan, makePlan, Reading, seasonYear, Water } from '@inky-shoal/core';
import { DEMO, DEMO_NOW, demoTripEvents, FERROW_CLIMATE, weatherDays } from './index.js';
import { normal, seeded, seededId } from './random.js';

describe('the demo', () => {
  it('holds shapes that the borders take, with ids of their own', () => {
    for (const water of DEMO.waters) expect(Water.safeParse(water).success).toBe(true);
    for (const reading of DEMO.readings) expect(Reading.safeParse(reading).success).toBe(true);
    const ids = [...DEMO.waters, ...DEMO.readings, ...DEMO.plans].map(({ id }) => id);
    expect(new Set(ids).size).toBe(ids.length);
  });

  it('has readings up to its own now and none after it, by day', () => {
    for (const { at } of DEMO.readings) {
      expect(Date.parse(at)).toBeLessThan(Date.parse(DEMO_NOW));
      expect(new Date(at).getUTCHours()).toBeGreaterThanOrEqual(13);
    }
  });

  it('stands on a day on which Ferrow is in several phases at once, the upper arms ahead', () => {
    const [ferrow] = DEMO.waters;
    const year = seasonYear({
      water: ferrow,
      readings: DEMO.readings.filter(({ waterId }) => waterId === ferrow.id),
      weather: weatherDays(FERROW_CLIMATE, Date.parse('2025-09-01T00:00:00Z'), Date.parse(DEMO_NOW), 'America/Chicago'),
      gauge: [],
      now: DEMO_NOW,
      units: 'us',
    });
    expect(year.zones.length).toBeGreaterThanOrEqual(5);
    expect(phaseOn(year.zones[0]!, year.today)).toBe('pre-spawn');
    expect(phaseOn(year.zones.at(-1)!, year.today)).toBe('winter');
  });

  it('has saved plans that can be made', () => {
    for (const { draft } of DEMO.plans) expect(Plan.safeParse(makePlan(draft.conditions)).success).toBe(true);
  });
});

describe("the demo's trips", () => {
  const events = demoTripEvents();
  const trips = tripsOf(events);

  it('are notes that the border takes, the same however often they are told', () => {
    for (const event of events) expect(TripEvent.safeParse(event).success).toBe(true);
    expect(new Set(events.map(({ id }) => id)).size).toBe(events.length);
    expect(demoTripEvents().map(({ id }) => id)).toEqual(events.map(({ id }) => id));
  });

  it('are a season and a half on both waters, over and looked back on, before the demo of today', () => {
    expect(trips.length).toBeGreaterThanOrEqual(60);
    for (const { state, review, plan, startMs } of trips) {
      expect(state).toBe('over');
      expect(review).not.toBeNull();
      expect(plan).not.toBeNull();
      expect(startMs).toBeLessThan(Date.parse(DEMO_NOW) - 86_400_000);
    }
    for (const { id } of DEMO.waters) {
      expect(trips.filter(({ begin }) => begin.waterId === id).length).toBeGreaterThan(10);
    }
  });
});

describe('chance with a seed', () => {
  it('gives the same run for the same seed and another for another', () => {
    const run = (seed: number) => Array.from({ length: 5 }, seeded(seed));
    expect(run(7)).toEqual(run(7));
    expect(run(7)).not.toEqual(run(8));
  });

  it('spreads evenly, and normally with mean 0 and deviation 1', () => {
    const random = seeded(1);
    const even = Array.from({ length: 20_000 }, random);
    expect(even.reduce((sum, x) => sum + x, 0) / even.length).toBeCloseTo(0.5, 1);
    const deviates = Array.from({ length: 20_000 }, () => normal(random));
    expect(deviates.reduce((sum, x) => sum + x, 0) / deviates.length).toBeCloseTo(0, 1);
    expect(deviates.reduce((sum, x) => sum + x * x, 0) / deviates.length).toBeCloseTo(1, 1);
  });

  it('makes ids in the form of a UUIDv7, ordered by time', () => {
    const random = seeded(3);
    const [a, b] = [seededId(1_000_000_000_000, random), seededId(1_000_000_000_001, random)];
    expect(a).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f]{3}-8[0-9a-f]{3}-[0-9a-f]{12}$/);
    expect(a < b).toBe(true);
  });
});
