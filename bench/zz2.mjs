import { Conditions, makePlan } from '@inky-shoal/core';
import { learn, leaningOf, recordedTrips } from '@inky-shoal/core/record';
import { drawTruth, fishTrips, heldOutDays, truePerHour } from '@inky-shoal/demo/record';
const mean = (l) => l.reduce((s, v) => s + v, 0) / l.length;
const checked = (trips) => recordedTrips({ trips: trips.map((t) => ({ ...t, conditions: Conditions.parse(t.conditions) })) });
const FROM = Number(process.argv[2]), N = Number(process.argv[3]);
const V = [[0.8, 0], [1, 0], [1.2, 0], [1, 0.08]];
const out = {};
for (let seed = FROM; seed < FROM + N; seed++) {
  const truth = drawTruth(seed);
  const days = heldOutDays(truth, 52, 1_000_000 + seed).filter((_, i) => i % 2 === 0).map((d) => Conditions.parse(d));
  const shipped = mean(days.map((d) => truePerHour(truth, d, makePlan(d))));
  for (const T of [10, 30, 70]) {
    const leaning = leaningOf(learn(checked(fishTrips(truth, T, 2_000_000 + 100 * seed + T))));
    for (const [D, M] of V) {
      globalThis.D = D; globalThis.M = M;
      const g = mean(days.map((d) => truePerHour(truth, d, makePlan(d, { leaning })))) / shipped;
      (out[`${D} ${M} ${T}`] ??= []).push(g);
    }
  }
}
for (const [k, g] of Object.entries(out)) console.log(k, JSON.stringify(g.map((x) => Number(x.toFixed(3)))));
