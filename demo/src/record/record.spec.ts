import { Conditions, makePlan } from '@inky-shoal/core';
import { LearnedInput } from '@inky-shoal/core/record';
import { drawTruth, firstChoices, fishTrips, heldOutDays, truePerHour } from '.';

const SEED = 890_000;
const truth = drawTruth(SEED);

describe('a truth that the planner never sees', () => {
  it('is the same from the same seed, and another from another', () => {
    const trips = fishTrips(truth, 3, SEED);
    expect(fishTrips(drawTruth(SEED), 3, SEED)).toEqual(trips);
    expect(fishTrips(drawTruth(SEED + 1), 3, SEED)).not.toEqual(trips);
  });

  it('writes trips down as the record takes them', () => {
    const trips = fishTrips(truth, 4, SEED);
    const [day] = heldOutDays(truth, 1, SEED);
    expect(LearnedInput.safeParse({ conditions: day, trips }).success).toBe(true);
    const dates = trips.map(({ conditions }) => conditions.date);
    expect([...dates].sort()).toEqual(dates);
    for (const { stretches } of trips) {
      expect(stretches.length).toBeGreaterThan(4);
      for (const { from, to } of stretches) expect(to > from).toBe(true);
    }
  });

  it('is not what the plan says: with other hands the same plan brings something else', () => {
    const day = Conditions.parse(heldOutDays(truth, 1, SEED)[0]);
    const plan = makePlan(day);
    const rates = Array.from({ length: 6 }, (_, each) => truePerHour(drawTruth(SEED + each), day, plan));
    expect(new Set(rates.map((rate) => rate.toFixed(3))).size).toBeGreaterThan(4);
    expect(rates.every((rate) => rate > 0 && rate < 20)).toBe(true);
  });

  it('asks the first choice of every window at the places that are such as it names', () => {
    const day = Conditions.parse(heldOutDays(truth, 2, SEED)[1]);
    const plan = makePlan(day);
    const choices = firstChoices(truth, day, plan);
    expect(choices).toHaveLength(plan.windows.length);
    for (const { window, stretches, rates } of choices) {
      expect(rates).toHaveLength(stretches.length);
      const { structure } = window.holding[0]!;
      const there = truth.places.filter((place) => place.structure === structure);
      const fished = stretches.map(({ place }) => truth.places.find(({ id }) => id === place));
      if (there.length) expect(fished.every((place) => place?.structure === structure)).toBe(true);
    }
  });
});
