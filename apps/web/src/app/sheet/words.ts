import type { Front, Level, Light, PlanWindow, TideStage } from '@inky-shoal/core';
import { figureOf, minutesOf, nameOf, sayRange, symbolOf, toShown, type UnitSystem } from '@inky-shoal/core';

export { capital, sayClock, sayHours } from '@inky-shoal/core';

/** What runs no deeper than this runs on top. */
export const ON_TOP_M = 0.15;

/** Depths from and to, in the user's units; `on top` where they reach no deeper than the surface. */
export const sayDepths = (depthM: readonly [number, number], units: UnitSystem): string =>
  depthM[1] <= ON_TOP_M ? 'on top' : sayRange('depth', depthM, units);

const METRES_PER_MILE = 1609.344;
const METRES_PER_YARD = 0.9144;
/** So far, metres, a way is told in feet; over it in yards. */
const IN_FEET_M = 45;
/** So far, metres, it is told in yards, or in metres. */
const NEAR_M = { us: 0.4 * METRES_PER_MILE, metric: 1000 };

const inSteps = (figure: number, step: number): number => Math.max(1, Math.round(figure / step)) * step;

/** A way over ground or water: `40 ft`, `340 yards`, `1.2 miles`; `15 m`, `120 m`, `2.4 km`. */
export function sayWay(metres: number, units: UnitSystem): string {
  if (metres >= NEAR_M[units]) {
    return units === 'us' ? `${(metres / METRES_PER_MILE).toFixed(1)} miles` : `${(metres / 1000).toFixed(1)} km`;
  }
  if (units === 'metric') return `${inSteps(metres, metres < 100 ? 5 : 10)} m`;
  return metres < IN_FEET_M
    ? `${inSteps(toShown('depth', metres, units), 10)} ft`
    : `${inSteps(metres / METRES_PER_YARD, 10)} yards`;
}

const LIGHT_NAMES: Record<Light, string> = {
  low: 'Low light',
  rising: 'Morning',
  high: 'High sun',
  falling: 'Afternoon',
};

/** Names of windows in the order of the day. */
const PARTS_OF_DAY: readonly string[] = [
  'First light',
  'Early',
  'Morning',
  'High sun',
  'Low light',
  'Afternoon',
  'Last light',
  'Night',
];

export const FRONT_WORDS: Readonly<Record<Front, string>> = {
  stable: 'no front',
  approaching: 'a front coming',
  passing: 'a front passing',
  'post-frontal': 'a front just gone through',
  recovering: 'two days after a front',
};
export const LEVEL_WORDS: Readonly<Record<Level, string>> = { rising: 'rising', stable: 'steady', falling: 'falling' };

export const TIDE_WORDS: Readonly<Record<TideStage, string>> = {
  rising: 'tide rising',
  'high-slack': 'high slack',
  falling: 'tide falling',
  'low-slack': 'low slack',
};

/** A window's name by its light and its place in the day, and by its tide where that is known: `Morning, tide rising`. */
export function windowName(window: PlanWindow, windows: readonly PlanWindow[]): string {
  const part = partName(window, windows);
  return window.tide ? `${part}, ${TIDE_WORDS[window.tide]}` : part;
}

/** Where a window of this name stands in the order of the day. */
export const partOfDay = (name: string): number => PARTS_OF_DAY.indexOf(name.split(', ')[0] ?? '');

/** A window's name without its tide. */
export function partName(window: PlanWindow, windows: readonly PlanWindow[]): string {
  if (window.night) return 'Night';
  if (window.light !== 'low') return LIGHT_NAMES[window.light];
  const before = windows[windows.indexOf(window) - 1];
  if (minutesOf(window.from) < 11 * 60) return !before || before.night ? 'First light' : 'Early';
  const after = windows[windows.indexOf(window) + 1];
  return !after || after.night ? 'Last light' : LIGHT_NAMES.low;
}

const COMPASS = ['N', 'NE', 'E', 'SE', 'S', 'SW', 'W', 'NW'] as const;
export type Compass = (typeof COMPASS)[number];
export const COMPASS_POINTS: readonly Compass[] = COMPASS;

export const compassOf = (degrees: number): Compass => COMPASS[Math.round(degrees / 45) % 8] as Compass;
export const degreesOf = (compass: Compass): number => COMPASS.indexOf(compass) * 45;

/** `SW 8 mph`, `calm`. */
export function sayWind(windMps: number, windFromDeg: number | undefined, units: UnitSystem): string {
  if (windMps < 0.3) return 'calm';
  const from = windFromDeg === undefined ? '' : `${compassOf(windFromDeg)} `;
  return `${from}${figureOf('wind', windMps, units)} ${symbolOf('wind', units)}`;
}

/** `up 0.5 °F a day`, `steady`. */
export function sayTrend(trendCPerDay: number, units: UnitSystem): string {
  const shown = Math.round(Math.abs(toShown('tempChange', trendCPerDay, units)) * 10) / 10;
  if (shown === 0) return 'steady';
  return `${trendCPerDay > 0 ? 'up' : 'down'} ${shown} ${symbolOf('tempChange', units)} a day`;
}

/** `laydown, stump and 2 more`: enough to recognise a list by. */
export function sayList(ids: readonly string[], most = 3): string {
  const shown = ids.slice(0, most).map(nameOf);
  return ids.length > most ? `${shown.join(', ')} and ${ids.length - most} more` : shown.join(', ');
}
