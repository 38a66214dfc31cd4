import type { Light } from '../contract/ids.js';
import type { Moment } from './curve.js';

/** A stretch of the day under one kind of light, in minutes past local midnight; past 1440 it is the day after. */
export interface DayWindow {
  readonly fromMin: number;
  readonly toMin: number;
  readonly light: Light;
  /** From the end of nautical twilight to its beginning. */
  readonly night: boolean;
}

/** It is night where the sun stands so far under the horizon: nautical twilight is over, and with it first and last light. */
export const NIGHT_DEG = -12;
export const DAY_MIN = 1440;

/** Light shares that part low, middling and high light. Judgement: about the light of the first hour, and of mid-morning. */
const LOW_LIGHT = 0.12;
const HIGH_LIGHT = 0.52;
/** Shorter stretches are not worth a plan of their own and join a neighbour. */
const SHORTEST_MIN = 45;

function lightAt(moment: Moment, noonMin: number): Light {
  if (moment.light < LOW_LIGHT) return 'low';
  if (moment.light > HIGH_LIGHT) return 'high';
  const untilNoonMin = (noonMin - moment.minute + 2 * DAY_MIN) % DAY_MIN;
  return untilNoonMin > 0 && untilNoonMin <= DAY_MIN / 2 ? 'rising' : 'falling';
}

function joinShort(windows: readonly DayWindow[]): DayWindow[] {
  const joined = [...windows];
  while (joined.length > 1) {
    const at = joined.findIndex((window) => window.toMin - window.fromMin < SHORTEST_MIN);
    const short = joined[at];
    if (!short) break;
    const into = at === 0 ? 1 : at - 1;
    const other = joined[into] as DayWindow;
    joined.splice(Math.min(at, into), 2, {
      fromMin: Math.min(short.fromMin, other.fromMin),
      toMin: Math.max(short.toMin, other.toMin),
      light: other.light,
      night: other.night,
    });
  }
  return joined;
}

/** Cuts the day where the light changes its kind, where night begins and ends, and at `cutsMin` (a food window, say). Windows touch and cover the day. */
export function dayWindows(curve: readonly Moment[], noonMin: number, cutsMin: readonly number[] = []): DayWindow[] {
  const last = curve.at(-1);
  if (!last) return [];
  const windows: DayWindow[] = [];
  for (const moment of curve.slice(0, -1)) {
    const light = lightAt(moment, noonMin);
    const night = moment.sunAltitudeDeg < NIGHT_DEG;
    const open = windows.at(-1);
    const cut = cutsMin.some((at) => at > (open?.fromMin ?? 0) && at <= moment.minute && at > moment.minute - 15);
    if (open?.light === light && open.night === night && !cut) continue;
    if (open) windows[windows.length - 1] = { ...open, toMin: moment.minute };
    windows.push({ fromMin: moment.minute, toMin: last.minute, light, night });
  }
  return joinShort(windows);
}

/** Minutes past midnight as HH:MM; past 1440 it is the clock of the day after. */
export function clockOf(minutes: number): string {
  const whole = Math.round(minutes) % DAY_MIN;
  return `${String(Math.floor(whole / 60)).padStart(2, '0')}:${String(whole % 60).padStart(2, '0')}`;
}

/** HH:MM as minutes past midnight. */
export function minutesOf(clock: string): number {
  const [hours, minutes] = clock.split(':').map(Number) as [number, number];
  return hours * 60 + minutes;
}

/** Clock times that follow one another as minutes past the midnight before the first; past 1440 from the next one on. */
export function minutesAlong(clocks: readonly string[]): number[] {
  let at = 0;
  return clocks.map((clock) => {
    const minute = minutesOf(clock);
    at = minute + Math.ceil(Math.max(0, at - minute) / DAY_MIN) * DAY_MIN;
    return at;
  });
}

/** A stretch between two times on the clock. */
export interface ClockHours {
  readonly from: string;
  readonly to: string;
}

/**
 * Stretches that follow one another, in minutes past the midnight before the first; those after the next midnight go on
 * past 1440.
 * @example
 * minutesInOrder([{ from: '22:00', to: '00:30' }, { from: '00:30', to: '04:00' }])[1].toMin // => 1680
 */
export function minutesInOrder(hours: readonly ClockHours[]): { readonly fromMin: number; readonly toMin: number }[] {
  const minutes = minutesAlong(hours.flatMap(({ from, to }) => [from, to]));
  return hours.map((_, at) => ({ fromMin: minutes[2 * at] as number, toMin: minutes[2 * at + 1] as number }));
}

/** One stretch in minutes past midnight; it ends past 1440 where it crosses the next. */
export const minutesOfHours = (hours: ClockHours): { readonly fromMin: number; readonly toMin: number } =>
  minutesInOrder([hours])[0] as { fromMin: number; toMin: number };

/**
 * A minute of the day as one of the stretch that begins at `fromMin`: before that it is the night after.
 * @param minute past midnight, 0 to 1440
 * @param toMin where the stretch ends, past 1440 where it crosses midnight
 */
export const minuteWithin = (minute: number, fromMin: number, toMin: number): number =>
  minute < fromMin && minute + DAY_MIN <= toMin ? minute + DAY_MIN : minute;
