import fc from 'fast-check';
import { Conditions } from '..';
import { bedToBytes } from '../chart/bed-bytes';
import { cellAt } from '../chart/grid';
import { chartProjection } from '../chart/projection';
import { waysOut } from '../chart/ways-out';
import { waysFrom } from '../chart/ways';
import type { ChartFrame } from '../contract/charts';
import { bedOf } from '../testing/bed';
import { ChartSession } from './chart-session';
import { lieOf, staysWithin, UNDER_KEEL_M, wayHome, type Drop } from './way-home';

const SIDE = 9;
const SHAPE = { cols: SIDE, rows: SIDE, cellM: 10 };

describe('the way out', () => {
  it('crosses the shallowest ground that it cannot avoid: as a flood at every depth finds it', () => {
    const beds = fc.array(fc.integer({ min: 0, max: 40 }), { minLength: SIDE * SIDE, maxLength: SIDE * SIDE });
    fc.assert(
      fc.property(beds, fc.integer({ min: 0, max: SIDE * SIDE - 1 }), (tenths, to) => {
        const depthM = Float32Array.from(tenths, (each) => each / 10);
        const { barM, barCell } = waysOut(SHAPE, depthM, to, 3);
        for (let cell = 0; cell < depthM.length; cell++) {
          // The deepest water over which a boat still comes through, tried depth by depth.
          let least = 0;
          for (let tenth = 1; tenth <= 30; tenth++) {
            const wet = Uint8Array.from(tenths, (each) => (each >= tenth ? 1 : 0));
            if (!wet[to] || !wet[cell]) break;
            if (waysFrom(SHAPE, wet, (each) => each === to)[cell] === Infinity) break;
            least = tenth / 10;
          }
          expect(barM[cell]).toBeCloseTo(least, 2);
          if (least > 0) expect(Math.min(3, depthM[barCell[cell] as number] as number)).toBeCloseTo(least, 2);
        }
      }),
      { numRuns: 30 },
    );
  });

  it('is as long as the shortest one where all is deep enough', () => {
    const depthM = new Float32Array(SIDE * SIDE).fill(5);
    const { lengthM } = waysOut(SHAPE, depthM, 0, 1);
    expect(lengthM[SIDE - 1]).toBeCloseTo(80, 3);
    expect(lengthM[SIDE * SIDE - 1]).toBeCloseTo(80 * Math.SQRT2, 3);
  });
});

/** Water that falls from 08:00 on by 10 cm in a quarter hour until 12:00, then rises as fast. */
const DROPS: Drop[] = Array.from({ length: 49 }, (_, quarter) => {
  const minute = 360 + quarter * 15;
  const into = (minute - 480) / 150;
  return { minute, dropM: Math.max(0, into <= 1.6 ? into : 3.2 - into) };
});

describe('the way home', () => {
  // A row of cells from the ramp: deep, a bar a kilometre off, deep behind it.
  const shape = { cols: 21, rows: 1, cellM: 100 };
  const depthM = new Float32Array(21).fill(4);
  depthM[10] = 1.2;
  const ways = waysOut(shape, depthM, 0, 3);
  const boat = { drops: DROPS, draughtM: 0.35, speedMps: 10 };

  it('shuts when its bar does, sooner by the time to get there, and opens again', () => {
    const { open, barAwayMin, lengthM } = wayHome(ways, 20, boat);
    expect(lengthM).toBeCloseTo(2000, 3);
    expect(barAwayMin).toBeCloseTo(1000 / 10 / 60, 6);
    // Passable until the water has fallen by 1.2 - 0.35 - 0.15 = 0.7 m: 105 minutes after 08:00.
    expect(1.2 - boat.draughtM - UNDER_KEEL_M).toBeCloseTo(0.7, 6);
    expect(open).toEqual([
      { fromMin: 360, toMin: Math.floor(480 + 105 - barAwayMin) },
      { fromMin: Math.ceil(480 + 375 - barAwayMin), toMin: 1080 },
    ]);
  });

  it('is always open before the bar, and never for a boat that draws too much', () => {
    expect(wayHome(ways, 9, boat).open).toEqual([{ fromMin: 360, toMin: 1080 }]);
    expect(wayHome(ways, 20, { ...boat, draughtM: 1.3 }).open).toEqual([]);
    expect(staysWithin(wayHome(ways, 20, { ...boat, draughtM: 1.3 }), { fromMin: 360, toMin: 1080 })).toEqual([]);
  });

  it('leaves the stretches to stay in, once one has come in over the bar', () => {
    const home = wayHome(ways, 20, boat);
    expect(staysWithin(home, { fromMin: 400, toMin: 1000 })).toEqual([
      { fromMin: 400, toMin: 583 },
      { fromMin: 858, toMin: 1000 },
    ]);
    expect(staysWithin(home, { fromMin: 600, toMin: 800 })).toEqual([]);
  });

  it('begins where the boat lies: a cast off what it fishes, in the deepest about', () => {
    const row = { cols: 9, rows: 1, cellM: 10 };
    expect(lieOf(row, waysOut(row, Float32Array.of(3, 3, 3, 2, 1, 0.4, 0.3, 0.2, 0.1), 0, 2), 5)).toBe(3);
    expect(lieOf(row, waysOut(row, new Float32Array(9).fill(2), 0, 2), 5)).toBe(5);
  });

  it('is none where no water leads', () => {
    const parted = depthM.slice();
    parted[10] = 0;
    expect(wayHome(waysOut(shape, parted, 0, 3), 20, boat).open).toEqual([]);
  });
});

/** A lagoon behind a sill 0.5 m deep, and a channel to the ramp; 10 m cells. */
const lagoon = bedOf(80, 40, 10, (east, south) => {
  if (east < 30 || east > 770 || south < 30 || south > 370) return 2;
  return Math.abs(east - 400) < 15 ? -0.5 : -2.5;
});
const FRAME: ChartFrame = {
  epsg: 32616,
  cols: 80,
  rows: 40,
  cellM: 10,
  westM: 374000,
  northM: 3375000,
  source: 'Test',
};
const lonLat = (east: number, south: number) =>
  chartProjection(32616).toLonLat([FRAME.westM + east, FRAME.northM - south]);

describe('a run on tidal water', () => {
  const desk = new ChartSession(FRAME, bedToBytes(lagoon));
  const conditions = Conditions.parse({
    discipline: 'inshore',
    date: '2027-06-18',
    place: { latitude: 30.4, longitude: -88.3, timeZone: 'America/Chicago' },
    waterKind: 'estuary',
    surfaceTempC: 26,
    visibilityM: 1,
    window: { from: '06:00', to: '17:00' },
    tide: { stage: 'falling', hoursIntoStage: 0, rangeM: 0.8 },
  });
  desk.prepare({ kind: 'estuary', features: [], conditions, levelM: 0 });
  const ramp = lonLat(60, 200);
  const inside = cellAt(lagoon, [700, lagoon.northM - 200]);
  const outside = cellAt(lagoon, [300, lagoon.northM - 200]);
  const ask = {
    spots: [inside, outside].map((cell) => ({ cell, minutes: 60 })),
    ramp,
    speedMps: 8,
    startMin: 360,
    endMin: 840,
  };

  it('tells the way home by the tide of the day', () => {
    const [home, near] = desk.homes([inside, outside], { ramp, draughtM: 0.35, speedMps: 8 })!;
    // 0.9 m over the sill at high water at six; the boat wants 0.5 m: 0.4 m less, half of the range, comes half way down.
    expect(home!.open).toHaveLength(2);
    expect(Math.abs(home!.open[0]!.toMin - (360 + 372.6 / 2))).toBeLessThan(5);
    expect(near!.open).toEqual([{ fromMin: 360, toMin: desk.minutes().at(-1) }]);
  });

  it('fishes behind the sill while the way out is open, and says until when', () => {
    const run = desk.run({ ...ask, draughtM: 0.35 })!;
    const at = run.stops.findIndex(({ spot }) => spot === 0);
    expect(at).toBeGreaterThanOrEqual(0);
    expect(run.stops[at]!.toMin).toBeLessThanOrEqual(run.outByMin[at]!);
    expect(run.outByMin[1 - at]).toBeNull();
  });

  it('leaves a place out that its boat would not get out of', () => {
    const run = desk.run({ ...ask, draughtM: 0.8 })!;
    expect(run.cutOff).toEqual([0]);
    expect(run.stops.map(({ spot }) => spot)).toEqual([1]);
  });

  it('has no say where no tide moves the water', () => {
    const { tide: _, ...still } = conditions;
    desk.prepare({ kind: 'highland-reservoir', features: [], conditions: { ...still, discipline: 'bass' }, levelM: 0 });
    expect(desk.homes([inside], { ramp, draughtM: 0.35, speedMps: 8 })).toBeNull();
    expect(desk.run({ ...ask, draughtM: 0.8 })!.cutOff).toEqual([]);
  });
});
