import type { Light } from '../contract/ids.js';
import type { Moment } from './curve.js';

/** A stretch of the day under one kind of light, in minutes past local midnight. */
export interface DayWindow {
  readonly fromMin: number;
  readonly toMin: number;
  readonly light: Light;
}

/** Light shares that part low, middling and high light. Judgement: about the light of the first hour, and of mid-morning. */
const LOW_LIGHT = 0.12;
const HIGH_LIGHT = 0.52;
/** Shorter stretches are not worth a plan of their own and join a neighbour. */
const SHORTEST_MIN = 45;

function lightAt(moment: Moment, noonMin: number): Light {
  if (moment.light < LOW_LIGHT) return 'low';
  if (moment.light > HIGH_LIGHT) return 'high';
  return moment.minute < noonMin ? 'rising' : 'falling';
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
    });
  }
  return joined;
}

/** Cuts the day where the light changes its kind, and at `cutsMin` (a food window, say). Windows touch and cover the day. */
export function dayWindows(curve: readonly Moment[], noonMin: number, cutsMin: readonly number[] = []): DayWindow[] {
  const last = curve.at(-1);
  if (!last) return [];
  const windows: DayWindow[] = [];
  for (const moment of curve.slice(0, -1)) {
    const light = lightAt(moment, noonMin);
    const open = windows.at(-1);
    const cut = cutsMin.some((at) => at > (open?.fromMin ?? 0) && at <= moment.minute && at > moment.minute - 15);
    if (open?.light === light && !cut) continue;
    if (open) windows[windows.length - 1] = { ...open, toMin: moment.minute };
    windows.push({ fromMin: moment.minute, toMin: last.minute, light });
  }
  return joinShort(windows);
}

/** Minutes past midnight as HH:MM. */
export function clockOf(minutes: number): string {
  const whole = Math.round(minutes);
  return `${String(Math.floor(whole / 60)).padStart(2, '0')}:${String(whole % 60).padStart(2, '0')}`;
}

/** HH:MM as minutes past midnight. */
export function minutesOf(clock: string): number {
  const [hours, minutes] = clock.split(':').map(Number) as [number, number];
  return hours * 60 + minutes;
}
