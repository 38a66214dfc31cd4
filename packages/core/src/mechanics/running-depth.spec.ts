import fc from 'fast-check';
import { calculate } from './calc.js';
import { bottomAtM, maxDepthOf, shareBetween, type PathPoint } from './cast-path.js';
import { LineSpec } from './line-spec.js';
import { lineOf, usualDiameterMm, usualTestLb } from './lines.js';
import { runningDepth, RunningDepthInput, type RunningDepth } from './running-depth.js';

type Input = Parameters<(typeof RunningDepthInput)['parse']>[0] & object;

const REFERENCE = { lineMaterial: 'fluorocarbon', lineDiameterMm: 0.28, castM: 35 };
const diver = (statedDepthM: number) => ({ kind: 'diving', statedDepthM, statedFor: REFERENCE });
const run = (statedDepthM: number, more: Input = {}): RunningDepth =>
  runningDepth(
    RunningDepthInput.parse({
      lure: diver(statedDepthM),
      line: { material: 'fluorocarbon', diameterMm: 0.28 },
      castM: 35,
      rodTipM: 0.5,
      speedMps: 0.9,
      ...more,
    }),
  );
const on = (material: string, diameterMm: number) => ({ line: { material, diameterMm } });

describe('a diver on a cast', () => {
  it.each([0.6, 1.2, 2.5, 4, 5.5, 7.5, 9])('of %s m runs at its stated depth on the rig it is stated for', (stated) => {
    expect(run(stated).maxDepthM).toBeCloseTo(stated, 1);
  });

  it.each([2.5, 4, 5.5, 7.5])('of %s m goes deeper on thinner line of every material', (stated) => {
    for (const material of ['nylon', 'fluorocarbon', 'braid']) {
      const depths = [0.15, 0.2, 0.25, 0.28, 0.31, 0.35].map((mm) => run(stated, on(material, mm)).maxDepthM);
      depths.forEach((depth, at) => at && expect(depth).toBeLessThan(depths[at - 1]!));
    }
  });

  it.each([1.2, 2.5, 4, 5.5, 7.5])('of %s m goes deeper on denser line of one thickness', (stated) => {
    const [braid, nylon, fluorocarbon] = ['braid', 'nylon', 'fluorocarbon'].map(
      (material) => run(stated, on(material, 0.33)).maxDepthM,
    ) as [number, number, number];
    expect(braid).toBeLessThan(nylon);
    expect(nylon).toBeLessThan(fluorocarbon);
  });

  it('loses a quarter to two fifths of its depth to heavy nylon, when it is a big one', () => {
    for (const stated of [5, 5.5, 6, 7]) {
      for (const mm of [0.43, 0.46, 0.51]) {
        const lost = 1 - run(stated, on('nylon', mm)).maxDepthM / stated;
        expect(lost).toBeGreaterThan(0.24);
        expect(lost).toBeLessThan(0.42);
      }
    }
  });

  it('goes deeper on a longer cast, by less and less', () => {
    const depths = [15, 25, 35, 45, 55].map((castM) => run(5, { castM }).maxDepthM);
    const gains = depths.slice(1).map((depth, at) => depth - depths[at]!);
    gains.forEach((gain) => expect(gain).toBeGreaterThan(0));
    gains.forEach((gain, at) => at && expect(gain).toBeLessThan(gains[at - 1]!));
  });

  it('gains by a rod tip held low, and most with it under water', () => {
    const [under, low, high] = [-1, 0.2, 2].map((rodTipM) => run(3, { rodTipM }).maxDepthM) as [number, number, number];
    expect(under).toBeGreaterThan(low + 0.5);
    expect(low).toBeGreaterThan(high + 0.5);
  });

  it('hardly cares for speed', () => {
    for (const speedMps of [0.6, 1.3]) expect(Math.abs(run(4, { speedMps }).maxDepthM / 4 - 1)).toBeLessThan(0.12);
  });

  it('reaches its depth well into the cast and loses it near the rod', () => {
    const { path, maxDepthM } = run(5);
    const deepest = path.find(([, depth]) => depth === maxDepthM)![0];
    expect(path[0]).toEqual([35, 0]);
    expect(deepest).toBeLessThan(31);
    expect(deepest).toBeGreaterThan(12);
    expect(path.find(([distance]) => distance < 3)![1]).toBeLessThan(0.7 * maxDepthM);
    path.forEach(([distance], at) => at && expect(distance).toBeLessThan(path[at - 1]![0]));
  });

  it('follows the bottom where it meets it, and says where', () => {
    const bottomM = [
      [0, 1],
      [15, 2],
      [40, 6],
    ];
    const { path, onBottomM, maxDepthM } = run(4, { bottomM });
    path.forEach(([distance, depth]) => {
      expect(depth).toBeLessThanOrEqual(bottomAtM(bottomM as unknown as PathPoint[], distance) + 1e-9);
    });
    expect(onBottomM).toHaveLength(1);
    const [[from, to]] = onBottomM as unknown as [[number, number]];
    expect(from).toBeGreaterThan(12);
    expect(to).toBeLessThan(from);
    expect(maxDepthM).toBeLessThan(4);
    expect(run(4).onBottomM).toEqual([]);
  });

  it('spends a share of the cast in the strike zone that the path bears out', () => {
    const { path, shareInZone } = run(4, { strikeZoneM: [3, 4.5] });
    const metres = path.slice(1).reduce((sum, [distance, depth], at) => {
      const [before, above] = path[at]!;
      return sum + ((depth + above) / 2 >= 3 ? before - distance : 0);
    }, 0);
    expect(shareInZone).toBeCloseTo(metres / 35, 1);
    expect(run(4, { strikeZoneM: [4.5, 6] }).shareInZone).toBe(0);
    expect(run(4).shareInZone).toBeNull();
    expect(
      shareBetween(
        [
          [10, 1],
          [0, 1],
        ],
        [1, 2],
      ),
    ).toBe(1);
  });

  it('names for each material the heaviest line that brings it to a wanted depth', () => {
    const { reaches, lines } = run(4, { ...on('nylon', 0.46), wantedDepthM: 3.8 });
    expect(reaches).toBe(false);
    expect(lines.map(({ material }) => material)).toEqual(['nylon', 'fluorocarbon', 'braid']);
    for (const { material, testLb, maxDepthM } of lines) {
      expect(maxDepthM).toBeGreaterThanOrEqual(3.8);
      expect(run(4, { line: { material, testLb } }).maxDepthM).toBeCloseTo(maxDepthM, 6);
    }
    const [nylon, fluorocarbon, braid] = lines.map(({ testLb }) => testLb!) as [number, number, number];
    expect(nylon).toBeLessThanOrEqual(fluorocarbon);
    expect(braid).toBeGreaterThan(fluorocarbon);
    expect(run(2, { wantedDepthM: 6 }).lines.map(({ testLb }) => testLb)).toEqual([null, null, null]);
  });

  it('never leaves the water nor turns back, whatever the rig', () => {
    fc.assert(
      fc.property(
        fc.record({
          stated: fc.double({ min: 0.5, max: 8, noNaN: true }),
          mm: fc.double({ min: 0.12, max: 0.6, noNaN: true }),
          castM: fc.double({ min: 8, max: 60, noNaN: true }),
          rodTipM: fc.double({ min: -1.5, max: 3, noNaN: true }),
          speedMps: fc.double({ min: 0.2, max: 2, noNaN: true }),
          material: fc.constantFrom('nylon', 'fluorocarbon', 'braid'),
        }),
        ({ stated, mm, castM, rodTipM, speedMps, material }) => {
          const { path, maxDepthM } = run(stated, { ...on(material, mm), castM, rodTipM, speedMps });
          expect(maxDepthM).toBe(maxDepthOf(path));
          for (const [at, [distance, depth]] of path.entries()) {
            expect(Number.isFinite(depth) && depth >= 0 && depth < 30).toBe(true);
            if (at) expect(distance).toBeLessThanOrEqual(path[at - 1]![0]);
          }
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('a sinking lure at a speed', () => {
  const held = (form: string, massG: number) =>
    runningDepth(
      RunningDepthInput.parse({
        lure: { kind: 'sinking', form, massG },
        line: { material: 'fluorocarbon', testLb: 15 },
        castM: 30,
      }),
    ).heldAtSpeed!.map(([, depth]) => depth);

  it.each(['jig', 'spinnerbait', 'lipless', 'paddle-tail'])(
    '%s runs shallower the faster, and deeper the heavier',
    (form) => {
      const [light, heavy] = [held(form, 10), held(form, 28)];
      light.forEach((depth, at) => at && expect(depth).toBeLessThanOrEqual(light[at - 1]!));
      light.forEach((depth, at) => expect(heavy[at]!).toBeGreaterThanOrEqual(depth));
      expect(light[0]).toBeGreaterThan(2);
      expect(light.at(-1)).toBeLessThan(0.5);
    },
  );

  it('is reeled from the depth to which it was let down, and a heavy one sinks on', () => {
    const { path } = runningDepth(
      RunningDepthInput.parse({
        lure: { kind: 'sinking', form: 'lipless', massG: 14 },
        line: { material: 'fluorocarbon', testLb: 15 },
        speedMps: 1.2,
        startDepthM: 3,
      }),
    );
    expect(path[0]).toEqual([35, 3]);
    expect(maxDepthOf(path.slice(20))).toBeLessThan(3);
  });
});

describe('lines', () => {
  it('have usual diameters by test, thicker the stronger, and braid the thinnest', () => {
    for (const material of ['nylon', 'fluorocarbon', 'braid'] as const) {
      const all = [4, 6, 8, 10, 12, 15, 20, 30, 50, 80].map((lb) => usualDiameterMm(material, lb));
      all.forEach((mm, at) => at && expect(mm).toBeGreaterThan(all[at - 1]!));
    }
    expect(usualDiameterMm('braid', 20)).toBeLessThan(usualDiameterMm('fluorocarbon', 20) * 0.6);
    expect(usualDiameterMm('fluorocarbon', 10)).toBeCloseTo(0.28, 2);
    expect(usualTestLb('nylon', 0.41)).toBe(17);
    expect(lineOf({ material: 'fluorocarbon', testLb: 10 }).diameterM).toBeCloseTo(0.00028, 6);
  });
  it('are given by diameter or by test, not both and not neither', () => {
    expect(LineSpec.safeParse({ material: 'nylon', testLb: 12 }).success).toBe(true);
    expect(LineSpec.safeParse({ material: 'nylon', testLb: 12, diameterMm: 0.3 }).error?.issues[0]?.message).toContain(
      'both',
    );
    expect(LineSpec.safeParse({ material: 'nylon' }).error?.issues[0]?.message).toContain('neither');
  });
});

describe('what cannot be worked with is told by its place', () => {
  const refused = (value: object) => {
    const answer = calculate('running-depth', value);
    return answer.ok ? [] : answer.problems;
  };
  const good = { lure: diver(4), line: { material: 'nylon', diameterMm: 0.41 } };
  it.each([
    ['a stated depth of 0', { ...good, lure: diver(0) }, 'lure.statedDepthM', /from 0\.1 to 12, got 0/],
    [
      'a depth that no lip reaches on so short a cast',
      { ...good, lure: { ...diver(12), statedFor: { ...REFERENCE, castM: 8 } } },
      'lure.statedDepthM',
      /at most/,
    ],
    [
      'a line of negative thickness',
      { ...good, line: { material: 'nylon', diameterMm: -0.3 } },
      'line.diameterMm',
      /got -0\.3/,
    ],
    [
      'a material that is none',
      { ...good, line: { material: 'silk', testLb: 10 } },
      'line.material',
      /nylon, fluorocarbon, braid/,
    ],
    ['a lure of no kind', { ...good, lure: { kind: 'flying' } }, 'lure.kind', /diving or sinking/],
    ['an unknown field', { ...good, colour: 'red' }, 'colour', /no such field/],
    ['a strike zone upside down', { ...good, strikeZoneM: [4, 3] }, 'strikeZoneM', /shallower depth first/],
    ['no line', { lure: diver(4) }, 'line', /a line/],
  ])('%s', (_, value, path, message) => {
    const problems = refused(value);
    expect(problems).toHaveLength(1);
    expect(problems[0]!.path).toBe(path);
    expect(problems[0]!.message).toMatch(message);
  });
});
