import { minuteWithin, say, type Run, type UnitSystem } from '@inky-shoal/core';
import { routeToGpx } from '@inky-shoal/core/formats';
import type { Ordered } from './run.service';
import { sayMinute } from './spot-words';

const DAY_MIN = 1439;

/** What of the picked spots is not in a run that was ordered; nothing where all are. */
export function leftOutWords({ cutOff, left }: Extract<Ordered, { readonly run: Run }>): string {
  if (cutOff) return `The tide would keep this boat at ${cutOff === 1 ? 'one spot' : `${cutOff} spots`}: left out.`;
  return left ? `${left} ${left === 1 ? 'spot does' : 'spots do'} not fit into the day.` : '';
}

/** A time as it was typed, in minutes within a day's own; undefined where it is none. */
export function minuteTyped(text: string, minutes: readonly number[]): number | undefined {
  const [hours = Number.NaN, past = Number.NaN] = text.split(':').map(Number);
  const minute = hours * 60 + past;
  return Number.isFinite(minute) ? minuteWithin(minute, minutes[0] ?? 0, minutes.at(-1) ?? DAY_MIN) : undefined;
}

/** A run as a route for other devices. */
export function gpxOf({ date, stops }: Run, units: UnitSystem): string {
  const points = stops.map(({ lonLat, name, fromMin, toMin, depthM }, index) => ({
    lonLat,
    name: `${index + 1} ${name}`,
    note: `${sayMinute(fromMin)} to ${sayMinute(toMin)}, ${say('depth', depthM, units)}`,
  }));
  return routeToGpx(`Run of ${date}`, points);
}
