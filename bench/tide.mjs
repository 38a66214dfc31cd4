import { Conditions } from '@inky-shoal/core';
import { bedToBytes } from '@inky-shoal/core/chart';
import { ChartSession } from '@inky-shoal/core/spots';
import { tideDay, tideTurns } from '@inky-shoal/core/tide';
import { DEMO, demoCharts, gaugeError, TERN_CLIMATE } from '@inky-shoal/demo';
import { pageRows } from './tide-page.mjs';
import { truthRows } from './tide-truth.mjs';
import { fineBed } from './water.mjs';

const DAY_MS = 86_400_000;
const RUNS = 7;
const part = (name, amplitudeM, phaseDeg) => ({ name, amplitudeM, phaseDeg });

/** A made-up station of the common 37 constituents. */
const OTHERS =
  'M4 M6 MK3 S4 MN4 NU2 S6 MU2 2N2 OO1 LAM2 S1 M1 J1 MM SSA SA MSF MF RHO1 T2 R2 2Q1 2SM2 M3 L2 2MK3 M8 MS4'.split(' ');
const STATION = {
  name: 'Made-up sound',
  latitude: 30.2,
  longitude: -88.1,
  meanLevelM: 0.9,
  datum: 'mean lower low water',
  constituents: [
    part('M2', 0.68, 214),
    part('S2', 0.13, 240),
    part('N2', 0.15, 196),
    part('K2', 0.04, 238),
    part('K1', 0.11, 121),
    part('O1', 0.08, 130),
    part('P1', 0.035, 122),
    part('Q1', 0.015, 118),
    // Authorities write these two otherwise, and the package does not follow Schureman in them: on most coasts they are small.
    ...OTHERS.map((name, at) =>
      part(name, ['M1', 'M3'].includes(name) ? 0.003 : 0.004 + (at % 5) * 0.003, (at * 47) % 360),
    ),
  ],
};

const timed = (work) =>
  Array.from({ length: RUNS }, (_, run) => {
    const begun = performance.now();
    work(run);
    return performance.now() - begun;
  });

export async function* rows() {
  yield* truthRows([{ ...STATION, constituents: STATION.constituents.slice(0, 8) }, STATION]);
  yield {
    figure: 'tideYearMs',
    unit: 'ms',
    samples: timed((run) => tideTurns(STATION, Date.UTC(2027 + run, 0, 1), Date.UTC(2027 + run, 0, 1) + 365 * DAY_MS)),
    how: 'highs and lows of a year, 37 constituents',
  };
  yield {
    figure: 'tideDayMs',
    unit: 'ms',
    samples: timed((run) => tideDay(STATION, `2027-06-${10 + run}`, 'America/Chicago')),
    how: 'levels by the quarter hour and turns of a day, 37 constituents',
  };
  yield* flatRows();
  yield* gaugeRows();
}

/** The Sound's bed on a million cells, under the tide of its own station. */
async function* flatRows() {
  const water = DEMO.waters.find(({ name }) => name === 'Tern Hollow Sound');
  const chart = demoCharts().find(({ waterId }) => waterId === water.id);
  const fine = fineBed(chart, 1000);
  yield* pageRows(fine);
  const { levels } = tideDay(water.tideStation, '2027-03-13', water.place.timeZone);
  const desk = new ChartSession({ ...fine, source: chart.frame.source }, bedToBytes(fine));
  const conditions = Conditions.parse({
    discipline: 'inshore',
    date: '2027-03-13',
    place: water.place,
    waterKind: water.waterKind,
    surfaceTempC: 17,
    hourlyTide: levels,
  });
  desk.prepare({ kind: water.waterKind, features: chart.features, conditions, levelM: 0 });
  const minutes = desk.minutes();
  yield {
    figure: 'flatHourWorkerMs',
    unit: 'ms',
    samples: timed((run) => {
      const minute = minutes[run * 5];
      desk.depthsAt(minute);
      desk.tideAt(minute);
    }),
    how: 'of that, depths and tide in the worker',
  };
  // The bed is stretched to a square: its marks stand elsewhere, and the deepest of the spots stands for the ramp.
  const { spots } = desk.scanAt(minutes[0], {}, 'us');
  const ramp = spots.reduce((a, b) => (b.depthM > a.depthM ? b : a)).lonLat;
  const wet = spots.map(({ cell }) => cell);
  yield {
    figure: 'wayHomeMs',
    unit: 'ms',
    samples: timed((run) => {
      const homes = desk.homes(wet, { ramp, draughtM: 0.3 + run / 100, speedMps: 10 });
      if (!homes?.some(({ open }) => open.length)) throw new Error('no way home was found');
    }),
    how: `way home from ${wet.length} spots by the minute over the day, a million cells, another draught each time; wanted under 300`,
  };
}

/** Other weathers than the demo's, and two seasons. */
const GAUGE_SEEDS = [1000, 2000, 3000, 4000, 5000, 6000];
const GAUGE_MONTHS = [2, 8];

/** What is expected of a gauge against the stand-in's truth, six hours ahead, as a share of what the table is off. */
function* gaugeRows() {
  const { tideStation, place } = DEMO.waters.find(({ name }) => name === 'Tern Hollow Sound');
  for (const hasWind of [true, false]) {
    const shares = GAUGE_SEEDS.flatMap((seed) =>
      GAUGE_MONTHS.map((month) => {
        const asked = { startMs: Date.UTC(2027, month, 1, 5), days: 60, timeZone: place.timeZone, hasWind };
        const { tableM, expectedM } = gaugeError({ ...TERN_CLIMATE, seed }, tideStation, asked);
        return expectedM / tableM;
      }),
    );
    yield {
      figure: hasWind ? 'gaugeErrorShare' : 'gaugeErrorShareNoWind',
      unit: '',
      samples: shares,
      how: `${shares.length} made-up weathers of 60 days, ${hasWind ? 'wind and pressure known as means of each day' : 'neither wind nor pressure known'}: ${Math.min(...shares).toFixed(2)} to ${Math.max(...shares).toFixed(2)}; wanted at most 0.6`,
    };
  }
}
