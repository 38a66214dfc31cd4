import { Conditions, COVERS } from '..';
import { clockOf } from '../day/windows.js';
import { bedToBytes } from '../chart/bed-bytes';
import { cellAt } from '../chart/grid';
import { chartProjection, utmOf } from '../chart/projection';
import { readForms } from '../chart/reading';
import type { ChartFeature, ChartFrame } from '../contract/charts';
import { bedOf } from '../testing/bed';
import { likeness, moreLike } from './alike';
import { ChartSession } from './chart-session';
import { nameForms, structureOf } from './forms';
import { CLASSES, groundOf, SHADED, traitsOf } from './ground';
import { cellScore, depthShare, logDepthWeight } from './holding-model';
import { pickApart } from './pick';
import { bestRun, runAlong, type RunProblem } from './run';
import { isShaded, shadedCells } from './shade';

/**
 * A lake 1.6 km across of 10 m cells: a basin 9 m deep, a ridge that runs out from the north bank, a hump, a shelf in
 * the west with a ditch across it, a steep east bank.
 */
const lake = bedOf(160, 140, 10, (east, south) => {
  if (east < 40 || south < 40 || south > 1360) return 3;
  const toEast = 1550 - east;
  if (toEast < 0) return 4;
  let bed = -Math.min(9, toEast * 0.8, (south - 40) * 0.12, (1360 - south) * 0.12);
  if (east < 520) bed = Math.max(bed, -1.6 - 0.0006 * east);
  bed = Math.max(bed, -0.6 - (south - 40) * 0.011 - Math.abs(east - 900) * 0.05);
  bed = Math.max(bed, -2.6 - Math.hypot(east - 1150, south - 900) * 0.045);
  if (east < 540) bed -= 2.4 * Math.exp(-(((south - 700) / 22) ** 2)) * Math.min(1, (east - 40) / 200);
  return bed;
});
const FRAME: ChartFrame = {
  epsg: 32616,
  cols: 160,
  rows: 140,
  cellM: 10,
  westM: 374000,
  northM: 3975000,
  source: 'Test',
};
const at = (east: number, south: number) => cellAt(lake, [east, lake.northM - south]);
const lonLat = (east: number, south: number) =>
  chartProjection(32616).toLonLat([FRAME.westM + east, FRAME.northM - south]);
const reading = readForms(lake, 0);
const ALL_DAY = [{ fromMin: 0, toMin: Infinity }];
const named = nameForms(reading, 'highland-reservoir');
const structureAt = (east: number, south: number) => structureOf(named.structure[at(east, south)] as number);

const day = (more: Record<string, unknown>) =>
  Conditions.parse({
    discipline: 'bass',
    date: '2027-03-13',
    place: { latitude: 35.9, longitude: -88.4, timeZone: 'America/Chicago' },
    waterKind: 'highland-reservoir',
    surfaceTempC: 13,
    visibilityM: 1.8,
    window: { from: '06:00', to: '17:00' },
    ...more,
  });
const ready = (more: Record<string, unknown> = {}, features: readonly ChartFeature[] = []) => {
  const desk = new ChartSession(FRAME, bedToBytes(lake));
  desk.prepare({ kind: 'highland-reservoir', features, conditions: day(more), levelM: 0 });
  return desk;
};

describe('forms', () => {
  it.each([
    [905, 145, 'main-lake-point'],
    [1150, 900, 'hump'],
    [300, 705, 'ditch'],
    [250, 1000, 'flat'],
    [1545, 700, 'steep-bank'],
  ])('at %d, %d are a %s', (east, south, structure) => {
    expect(structureAt(east, south)).toBe(structure);
    expect(named.confidence[at(east, south)]).toBeGreaterThan(40);
  });

  it('have no name on land, and believe what is drawn', () => {
    expect(structureAt(10, 10)).toBeUndefined();
    const cells = lake.cols * lake.rows;
    const drawn = { cover: new Uint8Array(cells), structure: new Uint8Array(cells) };
    drawn.structure[at(905, 245)] = 27;
    const again = nameForms(reading, 'highland-reservoir', drawn);
    expect(again.structure[at(905, 245)]).toBe(27);
    expect(again.confidence[at(905, 245)]).toBe(95);
  });

  it('are the names of tidal water in an estuary', () => {
    const tidal = nameForms(readForms(lake, -0.2), 'estuary');
    const found = new Set([...tidal.structure].map(structureOf));
    expect(found).not.toContain('secondary-point');
    expect(found).not.toContain('channel-swing');
    expect([...found]).toEqual(expect.arrayContaining(['trough', 'flat']));
  });
});

describe('a bed laid through soundings', () => {
  const away = Float32Array.from(lake.values, (_, cell) => (cell % lake.cols < 80 ? 10 : 90));
  const desk = new ChartSession({ ...FRAME, sounded: true }, bedToBytes(lake, away));

  it('says of each place whether its depth is a guess, and how far off the nearest sounding is', () => {
    desk.prepare({ kind: 'highland-reservoir', features: [], conditions: day({}), levelM: 0 });
    expect(desk.spotAt(lonLat(250, 1000), 420, 'us')?.guessM).toBeNull();
    expect(desk.spotAt(lonLat(1150, 900), 420, 'us')?.guessM).toBe(90);
    expect([desk.isGuess(at(250, 1000)), desk.isGuess(at(1150, 900))]).toEqual([false, true]);
    expect(ready().spotAt(lonLat(1150, 900), 420, 'us')?.guessM).toBeNull();
  });

  it('wants as many bytes as its frame says', () => {
    expect(() => new ChartSession({ ...FRAME, sounded: true }, bedToBytes(lake))).toThrow('expected 67200 bytes');
    expect(() => new ChartSession(FRAME, bedToBytes(lake, away))).toThrow('expected 44800 bytes');
  });
});

it('knows how far it is to the nearest cover that was drawn, bare ground aside', () => {
  const point = (east: number, south: number, cover: 'stump' | 'bare'): ChartFeature => ({
    id: `01950000-0000-7000-8000-00000000${east}`,
    kind: 'cover',
    cover,
    shape: { type: 'Point', coordinates: lonLat(east, south) },
  });
  const desk = ready({}, [point(1000, 800, 'stump'), point(1150, 905, 'bare')]);
  // The stump takes 18 m of the water around it.
  expect(desk.spotAt(lonLat(1000, 900), 420, 'us')?.coverM).toBeCloseTo(80, -1);
  expect(desk.spotAt(lonLat(1000, 800), 420, 'us')?.coverM).toBe(0);
  expect(desk.spotAt(lonLat(1150, 905), 420, 'us')?.coverM).toBeGreaterThan(100);
});

describe('a tide', () => {
  // A bay: the lake's bed, with three hours of ebb from six in the morning.
  const bay = (stage: string, rangeM: number) => {
    const desk = new ChartSession(FRAME, bedToBytes(lake));
    const conditions = day({ discipline: 'inshore', waterKind: 'estuary', tide: { stage, hoursIntoStage: 1, rangeM } });
    desk.prepare({ kind: 'estuary', features: [], conditions, levelM: 0 });
    return desk;
  };
  const shelf = at(250, 1000);

  it('takes as much from every depth as it has fallen, and leaves what is dry off the list', () => {
    const desk = bay('falling', 2);
    const [early, late] = [desk.tideAt(360)!, desk.tideAt(600)!];
    expect(early.aboveM).toBeCloseTo(Math.cos(Math.PI / 6.21), 2);
    expect(late.aboveM).toBeLessThan(-0.5);
    const fell = early.aboveM - late.aboveM;
    expect((desk.depthsAt(360)[shelf] as number) - (desk.depthsAt(600)[shelf] as number)).toBeCloseTo(fell, 4);
    expect(desk.scanAt(600, {}, 'us').spots.every(({ depthM }) => depthM > 0)).toBe(true);
    const spot = desk.spotAt(lonLat(250, 1000), 600, 'us');
    expect(spot?.depthM).toBeCloseTo(desk.depthsAt(600)[shelf] as number, 4);
  });

  it('whose course is known is followed, hour by hour, about its middle level', () => {
    const levels = Array.from({ length: 92 }, (_, at) => ({
      at: clockOf(at * 15),
      levelM: 3 + 0.6 * Math.cos(((at * 15 - 480) / 372.6) * Math.PI),
    }));
    const desk = new ChartSession(FRAME, bedToBytes(lake));
    const conditions = day({ discipline: 'inshore', waterKind: 'estuary', hourlyTide: levels });
    desk.prepare({ kind: 'estuary', features: [], conditions, levelM: 0 });
    const middleM = levels.reduce((sum, { levelM }) => sum + levelM, 0) / levels.length;
    for (const minute of [360, 480, 660, 840]) {
      expect(desk.tideAt(minute)!.aboveM).toBeCloseTo((levels[minute / 15] as { levelM: number }).levelM - middleM, 6);
    }
    expect(desk.depthsAt(480)[shelf] as number).toBeGreaterThan(desk.depthsAt(840)[shelf] as number);
  });

  it('of four metres leaves the shelf dry at its lowest, and no hour of that is good there', () => {
    const desk = bay('falling', 4.6);
    expect(desk.depthsAt(360)[shelf]).toBeGreaterThan(3);
    expect(desk.depthsAt(660)[shelf]).toBe(0);
    const spot = desk.spotAt(lonLat(250, 1000), 360, 'us');
    expect(spot?.byQuarter.find(({ minute }) => minute === 660)?.goodness).toBe(0);
    expect(spot?.byQuarter.find(({ minute }) => minute === 360)?.goodness).toBeGreaterThan(0);
  });

  it('floods and drains the shallow ground, and says how much of it is wet', () => {
    const desk = bay('falling', 4.6);
    const [early, late] = [desk.tideAt(420)!, desk.tideAt(600)!];
    expect([early.way, late.way]).toEqual(['draining', 'draining']);
    expect(early.riseMPerHour).toBeLessThan(-0.5);
    expect(early.flatsWet).toBeGreaterThan(0.9);
    expect(late.flatsWet).toBeLessThan(early.flatsWet);
    // What drains in the half hour to come is shoaler than the fall until then.
    expect(early.edgeM).toBeCloseTo(early.aboveM - desk.tideAt(450)!.aboveM, 6);
    const low = desk.tideAt(672)!;
    expect([low.way, low.edgeM]).toEqual(['slack', 0]);
    expect(desk.tideAt(840)!.way).toBe('flooding');
    expect(desk.tideAt(840)!.edgeM).toBeCloseTo(desk.tideAt(840)!.aboveM - desk.tideAt(810)!.aboveM, 6);
    for (const { mouthsWet, mouths } of [early, late]) expect(mouthsWet).toBeLessThanOrEqual(mouths);
  });

  it('is none where the water has none', () => {
    const desk = ready();
    expect(desk.tideAt(360)).toBeNull();
    expect(desk.depthsAt(360)[shelf]).toBeCloseTo(-(lake.values[shelf] as number), 2);
  });
});

describe('classes of ground', () => {
  const none = new Uint8Array(lake.values.length);
  const ground = groundOf(reading, named, none, new Float32Array(none.length).fill(500));

  it('say of their cells what was put in', () => {
    const traits = traitsOf(ground.classOf[at(905, 145)] as number);
    expect(structureOf(traits.structure)).toBe('main-lake-point');
    expect(traits.cover).toBe(0);
    expect(traits.traits['wind-blown']).toBe(0.7);
    expect(traits.traits.shade).toBe(0);
    expect(traitsOf((ground.classOf[at(905, 145)] as number) | SHADED).traits.shade).toBe(1);
    expect(Math.max(...ground.classOf)).toBeLessThan(CLASSES);
  });

  it('are alike where the ground is, and a place is most like itself', () => {
    const like = likeness(ground, at(1150, 900));
    expect(like[at(1150, 900)]).toBe(1);
    expect(like[at(1150, 880)]).toBeGreaterThan(like[at(250, 1000)] as number);
    const flats = moreLike(ground, at(250, 1000), 6);
    expect(flats.length).toBeGreaterThan(2);
    for (const { cell, like: how } of flats) {
      expect(structureOf(named.structure[cell] as number)).toBe('flat');
      expect(how).toBeGreaterThan(0.3);
      expect(Math.abs((reading.depthM[cell] as number) - (reading.depthM[at(250, 1000)] as number))).toBeLessThan(1);
    }
  });
});

describe('depth', () => {
  const lies = { fromM: 2, toM: 3, hangs: false };
  it('counts in full within the band, less the farther off, and over deep water only for fish that hang', () => {
    expect(depthShare(2.5, lies, 0)).toBe(1);
    expect(depthShare(1.5, lies, 0)).toBeCloseTo(0.5);
    expect(depthShare(0.9, lies, 0)).toBe(0);
    expect(depthShare(3.9, lies, 0)).toBeCloseTo(0.5);
    expect(depthShare(9, lies, 0)).toBe(0);
    expect(depthShare(6, { ...lies, hangs: true }, 0)).toBe(1);
    expect(depthShare(4.5, lies, 2)).toBe(1);
  });

  it('adds up the groups: a cell that offers two of them is worth more than one that offers one', () => {
    const groups = [
      { group: 'edge', weight: 0.5, fromM: 0.8, toM: 1.2, hangs: false },
      { group: 'bottom', weight: 0.5, fromM: 5, toM: 7, hangs: false },
    ] as const;
    const byDepth = Float32Array.from({ length: 512 }, (_, step) => logDepthWeight(step * 0.125, groups, 0));
    const score = (depthM: number, sure = 0.5) =>
      cellScore({ structure: 1, rest: 0, groups, spreadM: 0, byDepth }, sure, depthM);
    expect(score(6)).toBeCloseTo(score(1), 5);
    expect(score(3)).toBeLessThan(score(1) - 1);
    expect(score(6, 1) - score(6, 0)).toBeCloseTo(1, 6);
    const hung = [...groups, { group: 'hanging', weight: 0.4, fromM: 2, toM: 4, hangs: true } as const];
    expect(logDepthWeight(6, hung, 0)).toBeGreaterThan(logDepthWeight(6, groups, 0));
  });
});

describe('shade', () => {
  it('lies on the side towards the sun, as far as a bank throws it, cell by cell and all at once', () => {
    for (const [altitude, azimuth] of [
      [12, 100],
      [25, 180],
      [8, 255],
    ] as const) {
      const shaded = shadedCells(lake, reading.depthM, altitude, azimuth);
      let other = 0;
      let water = 0;
      shaded.forEach((shade, cell) => {
        if (!((reading.depthM[cell] as number) > 0)) return;
        water++;
        if ((shade === 1) !== isShaded(lake, reading.depthM, cell, altitude, azimuth)) other++;
      });
      expect(other / water).toBeLessThan(0.03);
    }
    expect(isShaded(lake, reading.depthM, at(1545, 700), 10, 90)).toBe(true);
    expect(isShaded(lake, reading.depthM, at(1545, 700), 10, 270)).toBe(false);
    expect(shadedCells(lake, reading.depthM, -2, 90).some(Boolean)).toBe(false);
  });
});

describe('picking', () => {
  it('takes the best that lie apart', () => {
    const score = new Float32Array(100 * 100).fill(-Infinity);
    for (const [cell, value] of [
      [505, 5],
      [507, 4.9],
      [5050, 4],
      [9090, 3],
    ] as const)
      score[cell] = value;
    const shape = { cols: 100, rows: 100, cellM: 10 };
    const wet = Int32Array.from([505, 507, 5050, 9090]);
    expect(pickApart(shape, score, wet, { most: 9, apartM: 100 })).toEqual([505, 5050, 9090]);
    expect(pickApart(shape, score, wet, { most: 1, apartM: 100, allows: (cell) => cell !== 505 })).toEqual([507]);
  });
});

describe('a scan', () => {
  it('finds distinct places with all that is to be said of them', () => {
    const { spots, heat } = ready({ windMps: 6, windFromDeg: 200 }).scanAt(8 * 60, {}, 'us');
    expect(spots.length).toBeGreaterThan(8);
    spots.forEach((spot, index) => {
      expect(spot.depthM).toBeGreaterThan(0);
      expect(spot.because.length).toBeGreaterThan(0);
      expect(spot.good.length).toBeGreaterThan(0);
      expect(heat[spot.cell]).toBeGreaterThan(0);
      for (const other of spots.slice(0, index)) {
        expect(Math.hypot(spot.at[0] - other.at[0], spot.at[1] - other.at[1])).toBeGreaterThanOrEqual(130);
        expect(spot.score).toBeLessThanOrEqual(other.score);
      }
    });
    expect(spots[0]?.score).toBeCloseTo(1);
  });

  it('goes by the same rules as the plan: pre-spawn on the shallow places, winter on the steep ones', () => {
    const mean = (pick: (spot: { depthM: number }) => number, more: Record<string, unknown>) => {
      const { spots } = ready(more).scanAt(10 * 60, {}, 'us');
      return spots.slice(0, 8).reduce((sum, spot) => sum + pick(spot), 0) / 8;
    };
    const spring = mean(({ depthM }) => depthM, { surfaceTempC: 14, tempTrendCPerDay: 0.4 });
    const winter = mean(({ depthM }) => depthM, { surfaceTempC: 5, date: '2027-01-15', tempTrendCPerDay: 0 });
    expect(winter).toBeGreaterThan(spring + 1);
  });

  it('keeps to a form or a cover that was asked for', () => {
    const ring = [
      [860, 60],
      [960, 60],
      [960, 300],
      [860, 300],
      [860, 60],
    ].map(([x, y]) => lonLat(x as number, y as number));
    const rock: ChartFeature = {
      id: '01950000-0000-7000-8000-00000000c001',
      kind: 'cover',
      cover: 'chunk-rock',
      shape: { type: 'Polygon', coordinates: [ring] },
    };
    const desk = ready({}, [rock]);
    const humps = desk.scanAt(600, { structure: 'hump' }, 'us').spots;
    expect(humps.length).toBeGreaterThan(0);
    expect(new Set(humps.map(({ structure }) => structure))).toEqual(new Set(['hump']));
    const rocks = desk.scanAt(600, { cover: 'chunk-rock' }, 'us').spots;
    expect(rocks.length).toBeGreaterThan(0);
    expect(new Set(rocks.map(({ cover }) => cover))).toEqual(new Set(['chunk-rock']));
    expect(COVERS).toContain('chunk-rock');
  });

  it('moves with the wind: the bank it blows on gains', () => {
    const north = lonLat(905, 75);
    const spot = (windFromDeg: number) => ready({ windMps: 8, windFromDeg }).spotAt(north, 600, 'us');
    expect(spot(180)?.fetchM).toBeGreaterThan(spot(0)?.fetchM ?? 0);
    const wind = (from: number) => spot(from)?.because.find(({ rule }) => rule === 'wind-blown-bank')?.weight ?? 0;
    expect(wind(180)).toBeGreaterThan(wind(0) + 0.2);
  });

  it('knows land, the zone, and the level of the day', () => {
    const zone: ChartFeature = {
      id: '01950000-0000-7000-8000-00000000c002',
      kind: 'zone',
      name: 'West shelf',
      shape: {
        type: 'Polygon',
        coordinates: [
          [
            [0, 0],
            [500, 0],
            [500, 1390],
            [0, 1390],
            [0, 0],
          ].map(([x, y]) => lonLat(x as number, y as number)),
        ],
      },
    };
    const desk = ready({}, [zone]);
    expect(desk.spotAt(lonLat(10, 10), 600, 'us')).toBeNull();
    expect(desk.spotAt(lonLat(250, 1000), 600, 'us')?.zone).toBe('West shelf');
    expect(desk.spotAt(lonLat(1150, 900), 600, 'us')?.zone).toBeNull();
    const before = desk.spotAt(lonLat(1150, 900), 600, 'us')?.depthM ?? 0;
    desk.prepare({ kind: 'highland-reservoir', features: [], conditions: day({}), levelM: -1 });
    expect(desk.spotAt(lonLat(1150, 900), 600, 'us')?.depthM).toBeCloseTo(before - 1, 2);
  });
});

describe('a run', () => {
  const made = (count: number, seed: number): RunProblem => {
    let state = seed;
    const random = () => (state = (state * 1103515245 + 12345) % 2147483648) / 2147483648;
    const points = Array.from({ length: count + 2 }, () => [random() * 8000, random() * 8000] as const);
    points[count + 1] = points[count] as (typeof points)[number];
    return {
      startMin: 360,
      endMin: 900,
      travelMin: points.map((a) => points.map((b) => Math.ceil(Math.hypot(a[0] - b[0], a[1] - b[1]) / 720))),
      spots: points.slice(0, count).map(() => {
        const [peak, breadth, top] = [360 + random() * 540, 60 + random() * 200, 0.3 + 0.7 * random()];
        const late = random() < 0.3;
        return {
          minutes: [20, 30, 45, 60][Math.floor(random() * 4)] as number,
          goodness: Array.from({ length: 37 }, (_, at) => {
            const minute = 360 + at * 15;
            return { minute, goodness: top * Math.exp(-(((minute - peak) / breadth) ** 2)) };
          }),
          ...(late
            ? {
                open: [
                  { fromMin: 480, toMin: 600 },
                  { fromMin: 700, toMin: 840 },
                ],
              }
            : {}),
        };
      }),
    };
  };

  it('is the best there is, tried against every order of eight spots', () => {
    for (const seed of [3, 71, 555]) {
      const problem = made(8, seed);
      const goodAt = (spot: number, minute: number): number => {
        const list = problem.spots[spot]?.goodness ?? [];
        const after = list.findIndex((each) => each.minute > minute);
        const [b, a] = [list[after], list[after - 1]];
        if (!b) return list.at(-1)?.goodness ?? 0;
        if (!a) return b.goodness;
        return a.goodness + ((b.goodness - a.goodness) * (minute - a.minute)) / (b.minute - a.minute);
      };
      let best = 0;
      const grow = (last: number, visited: number, now: number, worth: number): void => {
        if (now + (problem.travelMin[last]?.[9] as number) <= problem.endMin) best = Math.max(best, worth);
        problem.spots.forEach(({ minutes, open = ALL_DAY }, spot) => {
          if (visited & (1 << spot)) return;
          const arrive = now + (problem.travelMin[last]?.[spot] as number);
          const within = open.find(({ fromMin, toMin }) => Math.max(arrive, fromMin) + minutes <= toMin);
          const from = Math.max(arrive, within?.fromMin ?? Infinity);
          const to = from + minutes;
          if (!(to <= problem.endMin)) return;
          let gain = 0;
          for (let minute = from; minute < to; minute++) gain += goodAt(spot, minute);
          grow(spot, visited | (1 << spot), to, worth + gain);
        });
      };
      // A short day keeps the number of orders small enough to try them all.
      const short = { ...problem, endMin: 620 };
      Object.assign(problem, { endMin: 620 });
      grow(8, 0, problem.startMin, 0);
      expect(bestRun(short).goodMin).toBeCloseTo(best, 6);
    }
  });

  it('keeps time: stays follow one another with the way between, within their hours, and end at the ramp', () => {
    const problem = made(15, 9);
    const run = bestRun(problem);
    expect(run.stops.length).toBeGreaterThan(5);
    let [at, now] = [15, problem.startMin];
    for (const stop of run.stops) {
      const spot = problem.spots[stop.spot];
      expect(stop.arriveMin).toBe(now + (problem.travelMin[at]?.[stop.spot] as number));
      expect(stop.fromMin).toBeGreaterThanOrEqual(stop.arriveMin);
      const { open = ALL_DAY } = spot!;
      expect(open.some(({ fromMin, toMin }) => fromMin <= stop.fromMin && stop.toMin <= toMin)).toBe(true);
      expect(stop.toMin - stop.fromMin).toBe(spot?.minutes);
      [at, now] = [stop.spot, stop.toMin];
    }
    expect(run.backMin).toBe(now + (problem.travelMin[at]?.[16] as number));
    expect(run.backMin).toBeLessThanOrEqual(problem.endMin);
    expect(new Set(run.stops.map(({ spot }) => spot)).size).toBe(run.stops.length);
    const again = runAlong(
      problem,
      run.stops.map(({ spot }) => spot),
    );
    expect(again?.goodMin).toBeCloseTo(run.goodMin, 9);
    expect(bestRun(problem, 10).goodMin).toBeLessThanOrEqual(run.goodMin + 1e-9);
  });

  it('stays ashore where there is no time, and refuses more spots than it can order', () => {
    const problem = made(5, 4);
    expect(bestRun({ ...problem, endMin: problem.startMin + 5 }).stops).toEqual([]);
    expect(runAlong({ ...problem, endMin: problem.startMin + 5 }, [0])).toBeNull();
    expect(() => bestRun(made(26, 1))).toThrow('at most 25 spots, got 26');
  });

  it('goes by water, and leaves out what no water joins', () => {
    const desk = ready({ windMps: 3 });
    const { spots } = desk.scanAt(480, {}, 'us');
    const ramp = lonLat(60, 60);
    const chosen = spots.slice(0, 5).map(({ cell }) => ({ cell, minutes: 45 }));
    const run = desk.run({ spots: chosen, ramp, speedMps: 10, startMin: 390, endMin: 1000 });
    expect(run?.stops).toHaveLength(5);
    expect(run?.legs).toHaveLength(6);
    expect(run?.left).toEqual([]);
    for (const leg of run?.legs ?? []) expect(leg.line.length).toBeGreaterThanOrEqual(2);
    expect(desk.run({ spots: chosen, ramp: [0, 0], speedMps: 10, startMin: 390, endMin: 1000 })).toBeNull();
  });
});

describe('projection', () => {
  it('takes degrees to metres of their zone and back', () => {
    expect(utmOf([-88.4, 35.9])).toBe(32616);
    expect(utmOf([151.2, -33.9])).toBe(32756);
    const { toChart, toLonLat } = chartProjection(32616);
    // On the central meridian the scale is 0.9996 and the easting 500 km, by the definition of the projection.
    expect(toChart([-87, 0])).toEqual([expect.closeTo(500_000, 3), expect.closeTo(0, 3)]);
    const back = toLonLat(toChart([-88.4, 35.9]));
    expect(back[0]).toBeCloseTo(-88.4, 9);
    expect(back[1]).toBeCloseTo(35.9, 9);
    expect(() => chartProjection(4326)).toThrow('UTM zone');
  });
});
