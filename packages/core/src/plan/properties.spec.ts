import fc from 'fast-check';
import { Conditions, type ConditionsInput } from '../contract/conditions.js';
import { COVERS, SKIES, STRUCTURES, type Tone } from '../contract/ids.js';
import type { PlanWindow } from '../contract/plan.js';
import { CATALOGUE, categoryOf } from '../lures/categories.js';
import { speedMps, styleOf } from '../lures/pace.js';
import { pauseS } from '../technique/retrieve/retrieve.js';
import { Facts } from '../rules/facts.js';
import { anyConditions } from '../testing/any-conditions.js';
import { PLAIN_DAY } from '../testing/days.js';
import { makePlan } from './make-plan.js';

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const dates = fc
  .integer({ min: 0, max: 364 })
  .map((day) => new Date(Date.UTC(2027, 0, 1 + day)).toISOString().slice(0, 10));
const someDay = fc.record({
  date: dates,
  surfaceTempC: number(3, 32),
  tempTrendCPerDay: number(-0.8, 0.8),
  windMps: number(0, 10),
  sky: fc.constantFrom(...SKIES),
  structure: fc.constantFrom(...STRUCTURES),
  cover: fc.constantFrom(...COVERS),
  visibilityM: number(0.1, 5),
});
type SomeDay = typeof someDay extends fc.Arbitrary<infer T> ? T : never;

/** One place only, so that what changes is the depth and the lure, not where one goes. */
const conditions = ({ structure, cover, ...rest }: SomeDay, more: Partial<ConditionsInput> = {}) =>
  Conditions.parse({
    ...PLAIN_DAY,
    window: undefined,
    normalVisibilityM: 2,
    ...rest,
    structures: [structure],
    covers: [cover],
    ...more,
  });

/** Depth of all fish of a window in the mean, metres. */
const meanM = ({ holding }: PlanWindow): number =>
  holding.reduce((sum, { depthM, weight }) => sum + (weight * (depthM[0] + depthM[1])) / 2, 0);

const STRENGTH: Readonly<Record<Tone, number>> = { translucent: 0, natural: 1, muted: 1, bold: 2, dark: 2 };

describe('any plan', () => {
  it('has weights that are finite and sum to one, reasons, and windows that touch', () => {
    fc.assert(
      fc.property(anyConditions, (given) => {
        const { windows } = makePlan(Conditions.parse(given));
        windows.forEach(({ holding, presentations, from }, at) => {
          if (at) expect(from).toBe(windows[at - 1]!.to);
          expect(holding.reduce((sum, { weight }) => sum + weight, 0)).toBeCloseTo(1, 6);
          for (const { score, because } of presentations) {
            expect(Number.isFinite(score)).toBe(true);
            for (const { weight } of because) expect(Number.isFinite(weight)).toBe(true);
          }
          expect(presentations[0]!.because.length).toBeGreaterThan(0);
          for (const { depthM } of holding) expect(depthM[1]).toBeGreaterThanOrEqual(depthM[0]);
        });
      }),
      { numRuns: 150 },
    );
  });

  it('advises every lure within reach of its class and line, and within the band of its group or says why not', () => {
    fc.assert(
      fc.property(someDay, (day) => {
        for (const { holding, presentations } of makePlan(conditions(day)).windows) {
          for (const { runDepthM, because, category, class: depthClass } of presentations) {
            const { positions, runDepthM: can } = categoryOf(category);
            expect(runDepthM[0]).toBeGreaterThanOrEqual(Math.min(can[0], runDepthM[1]) - 0.06);
            expect(runDepthM[1]).toBeLessThanOrEqual((depthClass?.reachM[1] ?? can[1]) + 0.06);
            if (positions.surface > 0.8) continue;
            const meets = holding.some(
              ({ depthM }) => runDepthM[1] >= depthM[0] - 0.15 && runDepthM[0] <= depthM[1] + 0.15,
            );
            if (!meets) expect(because.map(({ rule }) => rule)).toContain('runs-above-them');
          }
        }
      }),
      { numRuns: 150 },
    );
  });

  it('never holds fish deeper in the mean, nor tells a fainter tone of a lure, as the water gets dirtier', () => {
    fc.assert(
      fc.property(someDay, number(0.35, 0.95), (day, factor) => {
        const clear = makePlan(conditions(day));
        const dirty = makePlan(conditions(day, { visibilityM: Math.max(0.05, day.visibilityM * factor) }));
        clear.windows.forEach((window, at) => {
          const other = dirty.windows[at];
          // A shad spawn may part the morning otherwise: then the windows are not the same hours.
          if (!other || other.from !== window.from || other.to !== window.to) return;
          // Steady mud puts them on flats of a metre to a metre and a half.
          expect(meanM(other)).toBeLessThanOrEqual(Math.max(1.5, meanM(window) + 0.12));
          for (const { category, colour } of window.presentations) {
            const there = other.presentations.find((each) => each.category === category);
            if (there) expect(STRENGTH[there.colour.tone]).toBeGreaterThanOrEqual(STRENGTH[colour.tone]);
          }
        });
      }),
      { numRuns: 200 },
    );
  });

  it('never lifts the fish the day after a front', () => {
    fc.assert(
      fc.property(someDay, (day) => {
        const windows = (front: 'stable' | 'post-frontal') => makePlan(conditions(day, { front })).windows;
        const [before, after] = [windows('stable'), windows('post-frontal')];
        before.forEach((window, at) => {
          if (after[at]?.from === window.from) expect(meanM(after[at])).toBeGreaterThanOrEqual(meanM(window) - 0.12);
        });
      }),
      { numRuns: 100 },
    );
  });

  it('changes its scores little for a little change of temperature, clarity or wind', () => {
    fc.assert(
      fc.property(someDay, (day) => {
        const first = (more: Partial<ConditionsInput>) => makePlan(conditions(day, more)).windows[0]!;
        const before = first({});
        const changes: Partial<ConditionsInput>[] = [
          { surfaceTempC: day.surfaceTempC + 0.05 },
          { visibilityM: day.visibilityM * 1.01 },
          { windMps: day.windMps + 0.05 },
        ];
        for (const change of changes) {
          const after = first(change);
          // A shad spawn may part the morning otherwise: then the windows are not the same hours.
          if (after.from !== before.from || after.to !== before.to) continue;
          for (const { category, score } of before.presentations) {
            const other = after.presentations.find((each) => each.category === category);
            if (other) expect(Math.abs(other.score - score)).toBeLessThan(0.15);
          }
        }
      }),
      { numRuns: 120 },
    );
  });
});

it('brings lures in and out little by little as mud clears', () => {
  // Clearing mud over an August flat: every lure's score moves by small steps, whatever comes and goes.
  const seen = new Map<string, number[]>();
  const steps = 60;
  for (let step = 0; step <= steps; step++) {
    const { presentations } = makePlan(
      conditions(
        {
          date: '2027-08-12',
          surfaceTempC: 30,
          tempTrendCPerDay: 0,
          windMps: 0,
          sky: 'clear',
          structure: 'flat',
          cover: 'stump',
          visibilityM: 0.4 + (0.3 * step) / steps,
        },
        {},
      ),
    ).windows[0]!;
    for (const { category, score } of presentations) {
      const scores = seen.get(category) ?? new Array<number>(steps + 1).fill(Number.NaN);
      scores[step] = score;
      seen.set(category, scores);
    }
  }
  expect(seen.size).toBeGreaterThan(3);
  for (const scores of seen.values()) {
    scores.forEach((score, at) => {
      const before = scores[at - 1] ?? Number.NaN;
      if (!Number.isNaN(score) && !Number.isNaN(before)) expect(Math.abs(score - before)).toBeLessThan(0.08);
    });
  }
});

describe('every category', () => {
  it.each(CATALOGUE.map((category) => [category.id, category] as const))(
    '%s is never moved faster, nor left shorter, in colder water',
    (_, category) => {
      const at = (surfaceTempC: number) => {
        const facts = Facts.of({ surfaceTempC, cold: Math.min(1, Math.max(0, (13 - surfaceTempC) / 4)) });
        const style = styleOf(category, facts);
        return { style, speed: speedMps(category, style, facts), pause: pauseS(style, facts) };
      };
      let warmer = at(32);
      for (let tempC = 31; tempC >= 0; tempC--) {
        const colder = at(tempC);
        expect(colder.speed[1]).toBeLessThanOrEqual(warmer.speed[1] + 1e-9);
        if (colder.style === warmer.style && colder.pause && warmer.pause) {
          expect(colder.pause[0]).toBeGreaterThanOrEqual(warmer.pause[0] - 1e-9);
        }
        warmer = colder;
      }
    },
  );
});
