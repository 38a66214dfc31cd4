import fc from 'fast-check';
import { bedOf, referenceGrid } from '../testing/bed.js';
import { armsOf } from './arms.js';
import { channels } from './channels.js';
import { distanceM, FAR_M } from './distance.js';
import { fetchM, waveHeightM } from './exposure.js';
import { landforms, LANDFORMS } from './geomorphons.js';
import { cellAt, depthsM, middleOf } from './grid.js';
import { openWaterM } from './rays.js';
import { readForms } from './reading.js';
import { slopeDeg } from './slope.js';
import { waterWays } from './ways.js';

const bed = referenceGrid('bed-elevation');

describe('slope', () => {
  it('is within 0.05 degrees of the reference in every cell (Horn 1981)', () => {
    const reference = referenceGrid('slope-horn-deg').values;
    const own = slopeDeg(bed);
    let compared = 0;
    let worst = 0;
    reference.forEach((value, cell) => {
      if (Number.isNaN(value)) return;
      compared++;
      worst = Math.max(worst, Math.abs(value - (own[cell] as number)));
    });
    expect(compared).toBe(158 * 118);
    expect(worst).toBeLessThan(0.05);
  });

  it('is that of a plane, holes beside it or not, and unknown in the holes', () => {
    const plane = bedOf(12, 9, 5, (east) => -east * Math.tan(Math.PI / 6));
    const whole = slopeDeg(plane);
    expect(whole[4 * 12 + 6]).toBeCloseTo(30, 3);
    plane.values[4 * 12 + 6] = Number.NaN;
    const holed = slopeDeg(plane);
    expect(holed[4 * 12 + 6]).toBeNaN();
    expect(holed[4 * 12 + 3]).toBeCloseTo(30, 3);
    expect(holed[3 * 12 + 6]).toBeGreaterThan(20);
  });
});

describe('landforms', () => {
  it('are those of the reference in at least 97 % of the cells (Jasiewicz & Stepinski 2013)', () => {
    const reference = referenceGrid('geomorphon-forms').values;
    const own = landforms(bed, { searchCells: 10, flatDeg: 1 });
    let compared = 0;
    let same = 0;
    reference.forEach((form, cell) => {
      if (form === 255 || Number.isNaN(form)) return;
      compared++;
      if (own[cell] === form) same++;
    });
    expect(compared).toBe(158 * 118);
    expect(same / compared).toBeGreaterThan(0.97);
  });

  it.each([
    ['flat', () => -3],
    ['peak', (x: number, y: number) => -Math.hypot(x - 105, y - 105) / 5],
    ['pit', (x: number, y: number) => Math.hypot(x - 105, y - 105) / 5],
    ['ridge', (x: number) => -Math.abs(x - 105) / 5],
    ['valley', (x: number) => Math.abs(x - 105) / 5],
    ['slope', (x: number) => -x / 5],
  ] as const)('name a %s', (name, bedM) => {
    const forms = landforms(bedOf(21, 21, 10, bedM), { searchCells: 10, flatDeg: 1 });
    expect(LANDFORMS[(forms[10 * 21 + 10] as number) - 1]).toBe(name);
  });
});

describe('distance', () => {
  it('is the shortest over all marked cells', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 14 }),
        fc.integer({ min: 1, max: 14 }),
        fc.array(fc.integer({ min: 0, max: 195 }), { minLength: 0, maxLength: 9 }),
        (cols, rows, places) => {
          const marked = new Uint8Array(cols * rows);
          const at = places.map((place) => place % (cols * rows));
          at.forEach((cell) => (marked[cell] = 1));
          distanceM({ cols, rows, cellM: 3 }, marked).forEach((distance, cell) => {
            const wanted = at.map((other) =>
              Math.hypot((other % cols) - (cell % cols), Math.floor(other / cols) - Math.floor(cell / cols)),
            );
            if (at.length) expect(distance).toBeCloseTo(3 * Math.min(...wanted), 3);
            else expect(distance).toBe(FAR_M);
          });
        },
      ),
      { numRuns: 150 },
    );
  });
});

describe('open water', () => {
  const lake = bedOf(40, 30, 10, (east, south) => (east > 50 && east < 350 && south > 50 && south < 250 ? -4 : 2));
  const depths = depthsM(lake, 0);
  const at = (east: number, south: number) => cellAt(lake, [east, lake.northM - south]);

  it('is counted to the land in each direction', () => {
    expect(openWaterM(lake, depths, 270)[at(345, 150)]).toBeCloseTo(300, 0);
    expect(openWaterM(lake, depths, 90)[at(345, 150)]).toBeCloseTo(10, 0);
    expect(openWaterM(lake, depths, 0)[at(200, 245)]).toBeCloseTo(200, 0);
    expect(openWaterM(lake, depths, 180)[at(200, 245)]).toBeCloseTo(10, 0);
    expect(openWaterM(lake, depths, 315)[at(340, 240)]).toBeCloseTo(200 * Math.SQRT2, -1.5);
    expect(openWaterM(lake, depths, 0)[at(20, 20)]).toBe(0);
  });

  it('agrees with looking cell by cell, in any direction', () => {
    const forms = depthsM(
      bedOf(40, 30, 10, (east, south) => 3 * Math.sin(east / 40) + 3 * Math.cos(south / 55) - 1),
      0,
    );
    for (const towards of [17, 63, 111, 158, 200, 249, 292, 339]) {
      const open = openWaterM(lake, forms, towards);
      const angle = (towards * Math.PI) / 180;
      let off = 0;
      let water = 0;
      forms.forEach((depth, cell) => {
        if (!(depth > 0)) return;
        let way = 0;
        for (; ; way += 2) {
          const x = Math.floor((cell % 40) + 0.5 + (Math.sin(angle) * way) / 10);
          const y = Math.floor(Math.floor(cell / 40) + 0.5 - (Math.cos(angle) * way) / 10);
          if (x < 0 || y < 0 || x >= 40 || y >= 30 || !((forms[y * 40 + x] as number) > 0)) break;
        }
        water++;
        off += Math.abs((open[cell] as number) - way);
      });
      // A line is a cell wide, so a bank met at a flat angle is met a little sooner or later.
      expect([towards, off / water < 14]).toEqual([towards, true]);
    }
  });

  it('makes fetch greatest on the bank the wind blows on, and waves with it', () => {
    const fetch = fetchM(lake, depths, 270);
    const [windward, lee] = [fetch[at(345, 150)] as number, fetch[at(55, 150)] as number];
    expect(windward).toBeGreaterThan(120);
    expect(windward).toBeLessThan(300);
    expect(lee).toBeLessThan(15);
    expect(waveHeightM(8, windward)).toBeGreaterThan(waveHeightM(8, lee));
  });

  it('makes waves as the manual has them', () => {
    // Coastal Engineering Manual II-2-36 worked by hand: 10 m/s over 5 km, drag 0.00145, u*^2 = 0.145.
    expect(waveHeightM(10, 5000)).toBeCloseTo((0.0413 * Math.sqrt(0.145 * 9.81 * 5000)) / 9.81, 6);
    expect(waveHeightM(10, 5000)).toBeCloseTo(0.355, 2);
    expect(waveHeightM(0, 5000)).toBe(0);
  });
});

/** A square basin with a long arm to the north and a short nick in its west bank. */
const armed = bedOf(80, 120, 10, (east, south) => {
  const basin = east > 200 && east < 600 && south > 700 && south < 1100;
  const arm = east > 380 && east < 440 && south > 100 && south <= 700;
  const nick = east > 180 && east <= 200 && south > 880 && south < 920;
  return basin || arm || nick ? -5 : 3;
});

describe('arms', () => {
  const { arm, upShare, count, lengthM } = armsOf(armed, depthsM(armed, 0));
  const at = (east: number, south: number) => cellAt(armed, [east, armed.northM - south]);

  it('are told from the open body, with how far up they go', () => {
    expect(arm[at(400, 900)]).toBe(0);
    const north = arm[at(410, 400)] as number;
    expect(north).toBeGreaterThan(0);
    expect(arm[at(410, 120)]).toBe(north);
    expect(lengthM[north]).toBeGreaterThan(500);
    expect(upShare[at(410, 120)]).toBeGreaterThan(0.9);
    expect(upShare[at(410, 650)]).toBeLessThan(0.25);
    expect(count).toBeLessThan(6);
  });
});

describe('ways by water', () => {
  it('go round the land, straight where one sees', () => {
    const bay = bedOf(60, 60, 10, (east, south) =>
      east > 20 && east < 580 && south > 20 && south < 580 && !(east > 280 && east < 320 && south < 480) ? -3 : 2,
    );
    const at = (east: number, south: number) => cellAt(bay, [east, bay.northM - south]);
    const stops = [at(105, 105), at(505, 105), at(105, 505)];
    const ways = waterWays(bay, depthsM(bay, 0), stops);
    const round = 2 * Math.hypot(200, 380);
    expect(ways.metres[0]?.[1]).toBeGreaterThan(round * 0.97);
    expect(ways.metres[0]?.[1]).toBeLessThan(round * 1.1);
    expect(ways.metres[0]?.[2]).toBeCloseTo(400, 0);
    expect(ways.metres[0]?.[0]).toBe(0);
    const path = ways.path(0, 1);
    expect(path[0]).toBe(stops[0]);
    expect(path.at(-1)).toBe(stops[1]);
    expect(path.length).toBeLessThan(8);
  });

  it('do not lead over land that parts two waters', () => {
    const two = bedOf(40, 20, 10, (east) => (Math.abs(east - 200) < 30 ? 2 : -3));
    const ways = waterWays(two, depthsM(two, 0), [45, 75]);
    expect(ways.metres[0]?.[1]).toBe(Infinity);
    expect(ways.path(0, 1)).toEqual([]);
  });
});

describe('a reading', () => {
  it('finds a channel that hangs together, and not a hole', () => {
    const ditch = bedOf(60, 60, 10, (east, south) => {
      const hole = Math.hypot(east - 105, south - 105) < 25 ? 2 : 0;
      return -3 - hole - 2.5 * Math.exp(-(((east - 400) / 18) ** 2)) + 0 * south;
    });
    const forms = landforms(ditch, { searchCells: 10, flatDeg: 1 });
    const channel = channels(ditch, forms, depthsM(ditch, 0), 220);
    expect(channel[30 * 60 + 40]).toBe(1);
    expect(channel[10 * 60 + 10]).toBe(0);
  });

  it('follows the level, and knows its cells', () => {
    const low = readForms(armed, -1);
    const cell = cellAt(armed, [405, armed.northM - 905]);
    expect(low.depthM[cell]).toBe(4);
    expect(low.shoreM[cell]).toBeCloseTo(200, -1);
    expect(middleOf(armed, cell)).toEqual([405, armed.northM - 905]);
    expect(cellAt(armed, [-5, 0])).toBe(-1);
    expect(readForms(armed, -6).arms.count).toBe(0);
  });
});
