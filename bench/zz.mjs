import { Conditions, makePlan } from '@inky-shoal/core';
import { learn, leaningOf, recordedTrips } from '@inky-shoal/core/record';
import { drawTruth, fishTrips, heldOutDays, truePerHour } from '@inky-shoal/demo/record';
const mean = (l) => l.reduce((s, v) => s + v, 0) / l.length;
const checked = (trips) => recordedTrips({ trips: trips.map((t) => ({ ...t, conditions: Conditions.parse(t.conditions) })) });
const FROM = Number(process.argv[2] ?? 981000), N = Number(process.argv[3] ?? 40);
const TRIPS = Number(process.argv[4] ?? 10);
const variants = {
  all: (l) => l,
  noDepth: (l) => ({ ...l, depthLog: () => 0 }),
  depthOnly: (l) => ({ ...l, lures: () => new Map(), places: () => () => 0 }),
  luresOnly: (l) => ({ ...l, depthLog: () => 0, places: () => () => 0 }),
  placesOnly: (l) => ({ ...l, depthLog: () => 0, lures: () => new Map() }),
};
const out = Object.fromEntries(Object.keys(variants).map((k) => [k, []]));
for (let seed = FROM; seed < FROM + N; seed++) {
  const truth = drawTruth(seed);
  const days = heldOutDays(truth, 52, 1_000_000 + seed).map((d) => Conditions.parse(d));
  const shipped = mean(days.map((d) => truePerHour(truth, d, makePlan(d))));
  const leaning = leaningOf(learn(checked(fishTrips(truth, TRIPS, 2_000_000 + 100 * seed + TRIPS))));
  const row = [];
  for (const [k, f] of Object.entries(variants)) {
    const g = mean(days.map((d) => truePerHour(truth, d, makePlan(d, { leaning: f(leaning) })))) / shipped;
    out[k].push(g); row.push(g.toFixed(3));
  }
  if (out.all.at(-1) < 0.97) console.log(seed, row.join(' '));
}
for (const [k, g] of Object.entries(out)) console.log(k, mean(g).toFixed(3), 'worst', Math.min(...g).toFixed(3), [...g].sort((a, b) => a - b).slice(0, 5).map((x) => x.toFixed(2)).join(' '));
