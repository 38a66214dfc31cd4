import { tideDay, tideTurns } from '@inky-shoal/core/tide';

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
    ...OTHERS.map((name, at) => part(name, 0.004 + (at % 5) * 0.003, (at * 47) % 360)),
  ],
};

const timed = (work) =>
  Array.from({ length: RUNS }, (_, run) => {
    const begun = performance.now();
    work(run);
    return performance.now() - begun;
  });

export async function* rows() {
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
}
