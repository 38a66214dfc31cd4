import type { Conditions } from '../contract/conditions.js';
import type { Level, Sky } from '../contract/ids.js';
import type { DayReading, TripPlan } from '../contract/trips.js';
import { capital, nameOf } from '../contract/names.js';
import { say, type UnitSystem } from '../units/units.js';
import { withoutUndefined } from './without-undefined.js';
import type { Trip } from './trip.js';

/** Water so much warmer or colder than planned wants another plan. */
const TEMP_C = 1.5;
/** Seen half as far, or twice. */
const CLARITY = 2;
/** Wind that much stronger or weaker, or turned so far while it blows, fishes another bank. Judgement. */
const WIND_MPS = 4;
const TURNED_DEG = 60;
const BLOWS_MPS = 2.5;

const BRIGHT: ReadonlySet<Sky> = new Set(['clear', 'partly-cloudy']);

/** Where the day is other than planned: each difference in words, and the conditions as they are. */
export interface OffPlan {
  readonly words: readonly string[];
  readonly conditions: Conditions;
}

/** What was read last of each thing since the plan was made or taken; older readings are in it already. */
export function latestReading({ notes, planMs }: Trip): DayReading {
  let latest: DayReading = {};
  for (const { event, atMs } of notes) {
    if (atMs < planMs) continue;
    if (event.sensed?.surfaceTempC !== undefined) {
      latest = { ...latest, surfaceTempC: event.sensed.surfaceTempC };
    }
    if (event.kind !== 'reading') continue;
    latest = { ...latest, ...withoutUndefined(event.reading) };
  }
  return latest;
}

/** The conditions that were planned with, what was assumed among them. */
function plannedWith({ conditions, plan }: TripPlan): Conditions {
  const assumed = Object.fromEntries(plan.assumed.map(({ path, value }) => [path, value]));
  return { ...assumed, ...withoutUndefined(conditions) } as Conditions;
}

const LEVEL_WORDS: Readonly<Record<Level, string>> = {
  rising: 'The water is rising',
  stable: 'The level stands still',
  falling: 'The water is falling',
};

const between = (a: number, b: number): number => Math.abs(((a - b + 540) % 360) - 180);

/** Whether a reading is off what was planned with, and how. Null where the plan holds. */
export function offPlan(planned: TripPlan, reading: DayReading, units: UnitSystem): OffPlan | null {
  const before = plannedWith(planned);
  const words: string[] = [];
  const { surfaceTempC, visibilityM, level, sky, windMps, windFromDeg } = reading;
  if (surfaceTempC !== undefined && Math.abs(surfaceTempC - before.surfaceTempC) >= TEMP_C) {
    const warmer = surfaceTempC > before.surfaceTempC ? 'warmer' : 'colder';
    const [now, then] = [surfaceTempC, before.surfaceTempC].map((tempC) => say('temp', tempC, units));
    words.push(`The water is ${now}, ${warmer} than the ${then} planned with.`);
  }
  if (visibilityM !== undefined && before.visibilityM) {
    const ratio = visibilityM / before.visibilityM;
    if (ratio >= CLARITY || ratio <= 1 / CLARITY) {
      const [now, then] = [visibilityM, before.visibilityM].map((depthM) => say('depth', depthM, units));
      words.push(`One sees ${now} down, not ${then}.`);
    }
  }
  if (sky !== undefined && before.sky && BRIGHT.has(sky) !== BRIGHT.has(before.sky)) {
    words.push(`${capital(nameOf(sky))}, where ${nameOf(before.sky)} was planned.`);
  }
  const wind = windMps ?? before.windMps ?? 0;
  if (windMps !== undefined && Math.abs(windMps - (before.windMps ?? 0)) >= WIND_MPS) {
    words.push(`The wind is ${say('wind', windMps, units)}, not ${say('wind', before.windMps ?? 0, units)}.`);
  } else if (windFromDeg !== undefined && before.windFromDeg !== undefined && wind >= BLOWS_MPS) {
    if (between(windFromDeg, before.windFromDeg) >= TURNED_DEG) words.push('The wind has turned.');
  }
  if (level !== undefined && level !== (before.level ?? 'stable')) words.push(`${LEVEL_WORDS[level]}.`);
  if (!words.length) return null;
  return { words, conditions: { ...planned.conditions, ...withoutUndefined(reading) } };
}
