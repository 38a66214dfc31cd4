import fc from 'fast-check';
import { Conditions, type ConditionsInput } from '../contract/conditions.js';
import { COVERS, SKIES, STRUCTURES, type Tone } from '../contract/ids.js';
import { CATALOGUE } from '../presentation/categories.js';
import { pauseS, speedMps, styleOf } from '../retrieve/retrieve.js';
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

  it('brings every lure down to the fish, or says why it runs over them', () => {
    fc.assert(
      fc.property(someDay, (day) => {
        for (const { holding, presentations } of makePlan(conditions(day)).windows) {
          for (const { runDepthM, because, category } of presentations) {
            const surface = CATALOGUE.find(({ id }) => id === category)!.positions.surface > 0.8;
            const [from, to] = holding[0]!.depthM;
            const above = runDepthM[1] < from - 0.1;
            if (above && !surface) expect(because.map(({ rule }) => rule)).toContain('runs-above-them');
            // What drags on the bottom may be advised at its least depth, a little under the shallowest fish.
            expect(runDepthM[0]).toBeLessThanOrEqual(to + 1.2);
          }
        }
      }),
      { numRuns: 150 },
    );
  });

  it('never holds fish deeper at a place, nor tells a fainter tone, as the water gets dirtier', () => {
    fc.assert(
      fc.property(someDay, number(0.35, 0.95), (day, factor) => {
        const clear = makePlan(conditions(day));
        const dirty = makePlan(conditions(day, { visibilityM: Math.max(0.05, day.visibilityM * factor) }));
        clear.windows.forEach((window, at) => {
          const other = dirty.windows[at];
          // A shad spawn may part the morning otherwise: then the windows are not the same hours.
          if (!other || other.from !== window.from || other.to !== window.to) return;
          expect(other.holding[0]!.depthM[1]).toBeLessThanOrEqual(window.holding[0]!.depthM[1] + 0.02);
          const [tone, dirtyTone] = [window, other].map((each) => STRENGTH[each.presentations[0]!.colour.tone]);
          expect(dirtyTone).toBeGreaterThanOrEqual(tone!);
        });
      }),
      { numRuns: 250 },
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

it('brings a surface lure in little by little as fish rise within its reach', () => {
  // Clearing mud over a hump in August: the buzzbait, which they could not see, becomes what they look up for.
  const scores: number[] = [];
  for (let visibilityM = 0.47; visibilityM < 0.56; visibilityM += 0.001) {
    const given = conditions(
      {
        date: '2027-08-12',
        surfaceTempC: 32,
        tempTrendCPerDay: 0,
        windMps: 0,
        sky: 'clear',
        structure: 'hump',
        cover: 'reeds',
        visibilityM,
      },
      {},
    );
    const { presentations } = makePlan(given).windows[0]!;
    scores.push(presentations.find(({ category }) => category === 'buzzbait')?.score ?? 0);
  }
  expect(scores[0]).toBe(0);
  expect(scores.at(-1)).toBeGreaterThan(0.5);
  scores.forEach((score, at) => at && expect(Math.abs(score - scores[at - 1]!)).toBeLessThan(0.1));
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
