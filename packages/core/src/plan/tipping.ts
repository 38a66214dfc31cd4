import type { Conditions } from '../contract/conditions.js';
import { LEVELS, SKIES, type ForageKind } from '../contract/ids.js';
import { LIMITS } from '../contract/limits.js';
import { nameOf } from '../contract/names.js';
import { holdsUntil } from '../numbers/holds-until.js';
import { figureOf, say, sayRange, symbolOf, type UnitSystem } from '../units/units.js';
import type { FullConditions } from './assume.js';
import { judgeDay, rejudge, type JudgedDay } from './judge.js';
import { firstChoice, type FirstChoice } from './window.js';

/** What tips the advice of a window: the smallest change of one condition that changes the first choice or the depth. */
export interface TippingPoint {
  readonly condition: 'temperature' | 'visibility' | 'wind' | 'light' | 'sky' | 'level' | 'bait';
  readonly when: string;
  readonly then: string;
  /** How far off it is, 0 (at hand) to 1 (at the end of what was looked at). */
  readonly distance: number;
}

/** Depth has moved where it changes by this factor. */
const DEPTH_MOVES = 1.25;
/** Steps by which a condition is moved until something tips, then halvings to find where. */
const STEPS = 14;
const HALVINGS = 6;

type Ask = (change: Partial<FullConditions>, light?: number) => FirstChoice | null;

/** What has changed, in words; null where the advice still stands. */
function tipped(now: FirstChoice, then: FirstChoice | null, units: UnitSystem): string | null {
  if (!then) return null;
  const depth = sayRange('depth', then.runDepthM, units);
  if (then.category.id !== now.category.id) return `${nameOf(then.category.id)} takes over, at ${depth}`;
  // The fish themselves must have moved: between two places of like worth a lure goes to and fro for nothing.
  const ratio = then.fishM / Math.max(0.1, now.fishM);
  if (ratio > DEPTH_MOVES) return `deeper, to ${depth}`;
  return ratio < 1 / DEPTH_MOVES ? `up to ${depth}` : null;
}

/** A condition that runs along a line: 0 where it is now, 1 at the end of what is looked at. */
interface Slider {
  readonly condition: TippingPoint['condition'];
  readonly at: (share: number) => number;
  readonly ask: (value: number) => FirstChoice | null;
  readonly words: (value: number) => string;
}

/** Goes along a slider until something tips. */
function slide(now: FirstChoice, { condition, at, ask, words }: Slider, units: UnitSystem): TippingPoint | null {
  const then = (share: number) => tipped(now, ask(at(share)), units);
  const { tips } = holdsUntil((share) => !then(share), STEPS, HALVINGS);
  const told = tips === null ? null : then(tips);
  return tips === null || !told ? null : { condition, when: words(at(tips)), then: told, distance: tips };
}

const between = (from: number, to: number) => (share: number) => from + (to - from) * share;
const log = (from: number, to: number) => (share: number) => from * (to / from) ** share;

/** The furthest that temperature, visibility and wind are moved. */
const TEMPERATURE_C = 8;
const VISIBILITY_FACTOR = 8;
const WIND_MPS = 12;

function sliders({ conditions }: JudgedDay, light: number, ask: Ask, units: UnitSystem): Slider[] {
  const { surfaceTempC, visibilityM, windMps } = conditions;
  const [least, most] = LIMITS.surfaceTempC;
  const temperature = (to: number): Slider => ({
    condition: 'temperature',
    at: between(surfaceTempC, Math.min(most, Math.max(least, to))),
    ask: (value) => ask({ surfaceTempC: value }),
    words: (value) => `${to > surfaceTempC ? 'Over' : 'Under'} ${say('temp', value, units)}`,
  });
  const visibility = (factor: number): Slider => ({
    condition: 'visibility',
    at: log(visibilityM, Math.min(12, Math.max(0.05, visibilityM * factor))),
    ask: (value) => ask({ visibilityM: value }),
    words: (value) => `${factor > 1 ? 'Over' : 'Under'} ${say('depth', value, units)} of visibility`,
  });
  const wind = (to: number): Slider => ({
    condition: 'wind',
    at: between(windMps, to),
    ask: (value) => ask({ windMps: value }),
    words: (value) =>
      to < windMps
        ? `When the wind drops under ${figureOf('wind', value, units)} ${symbolOf('wind', units)}`
        : `When the wind builds to ${figureOf('wind', value, units)} ${symbolOf('wind', units)}`,
  });
  const brightness = (to: number): Slider => ({
    condition: 'light',
    at: between(light, to),
    ask: (value) => ask({}, value),
    words: (value) => `${to > light ? 'In light over' : 'In light under'} ${Math.round(value * 100)} % of full sun`,
  });
  return [
    temperature(surfaceTempC + TEMPERATURE_C),
    temperature(surfaceTempC - TEMPERATURE_C),
    visibility(VISIBILITY_FACTOR),
    visibility(1 / VISIBILITY_FACTOR),
    wind(WIND_MPS),
    ...(windMps > 0.3 ? [wind(0)] : []),
    brightness(1),
    brightness(0),
  ];
}

/** Conditions that jump: each other value once. */
function jumps({ conditions }: JudgedDay, now: FirstChoice, ask: Ask, units: UnitSystem): TippingPoint[] {
  const { sky, level, forage = [], discipline } = conditions;
  const bait: ForageKind = discipline === 'bass' ? 'shad' : 'mullet';
  const tries: [TippingPoint['condition'], string, Partial<FullConditions>][] = [
    ...SKIES.filter((each) => each !== sky).map((each): (typeof tries)[number] => [
      'sky',
      `Under a sky of ${nameOf(each)}`,
      { sky: each },
    ]),
    ...LEVELS.filter((each) => each !== level).map((each): (typeof tries)[number] => [
      'level',
      `With the water ${each === 'stable' ? 'steady' : each}`,
      { level: each },
    ]),
    [
      'bait',
      'Once bait is chased at the top',
      { forage: [...forage, { kind: bait, seen: ['chased'] }], signs: ['surface-chasing'] },
    ],
    ['bait', 'Once bait is schooled deep', { forage: [...forage, { kind: bait, seen: ['schooled-deep'] }] }],
  ];
  return tries.flatMap(([condition, when, change]) => {
    const then = tipped(now, ask(change), units);
    return then ? [{ condition, when, then, distance: 0.5 }] : [];
  });
}

/**
 * The tipping points of one window, nearest first, found by asking the engine again and again: one condition is moved at
 * a time, all others stay.
 * @param windowId as in the plan, `w1` for the first
 * @param onProgress told the share that is done, 0 to 1
 * @example
 * const points = tippingPoints(Conditions.parse({
 *   discipline: 'bass',
 *   date: '2027-03-13',
 *   surfaceTempC: 10.5,
 *   place: { latitude: 35.9, longitude: -88.4, timeZone: 'America/Chicago' },
 * }), 'w1', 'us');
 * points.every((point, at) => !at || point.distance >= points[at - 1].distance) // => true
 */
export function tippingPoints(
  given: Conditions,
  windowId: string,
  units: UnitSystem,
  onProgress?: (share: number) => void,
): TippingPoint[] {
  const day = judgeDay(given, units);
  const window = day.windows[Number(windowId.slice(1)) - 1];
  const now = window && firstChoice(day, window);
  if (!window || !now) return [];
  const ask: Ask = (change, light) =>
    firstChoice(Object.keys(change).length ? rejudge(day, change) : day, window, light);
  const inside = day.curve.filter(({ minute }) => minute >= window.fromMin && minute <= window.toMin);
  const light = inside.reduce((sum, moment) => sum + moment.light, 0) / inside.length;
  const all = sliders(day, light, ask, units);
  const found = all.flatMap((slider, index) => {
    const point = slide(now, slider, units);
    onProgress?.((index + 1) / (all.length + 1));
    return point ?? [];
  });
  const points = [...found, ...jumps(day, now, ask, units)];
  onProgress?.(1);
  return points.sort((a, b) => a.distance - b.distance);
}
