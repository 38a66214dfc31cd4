import type { Position } from '@inky-shoal/core/units/position';

/** Something about a place that does not fit, with ways to put it right. */
export interface PlaceDoubt {
  readonly question: string;
  /** The same place on the other side of the prime meridian, where that would fit. */
  readonly mirrored: Position | null;
  /** The time zone that the place lies in, where another was typed. */
  readonly zoneThere: string | null;
}

/** Near a border a place may keep the time of the zone beside it. */
const NEIGHBOURS_MIN = 60;
const WINTER = Date.UTC(2027, 0, 15);
const SUMMER = Date.UTC(2027, 6, 15);

/** Whether there is such a time zone. */
export function isTimeZone(timeZone: string): boolean {
  try {
    return new Intl.DateTimeFormat('en-GB', { timeZone }).resolvedOptions().timeZone !== '';
  } catch {
    return false;
  }
}

/** Minutes that a zone is ahead of UTC at an instant. */
function aheadMin(timeZone: string, at: number): number {
  const parts = new Intl.DateTimeFormat('en-GB', { timeZone, timeZoneName: 'longOffset' }).formatToParts(at);
  const name = parts.find(({ type }) => type === 'timeZoneName')?.value ?? '';
  const [, sign, hours = '0', minutes = '0'] = /GMT([+-])(\d+):(\d+)/.exec(name) ?? [];
  return (sign === '-' ? -1 : 1) * (Number(hours) * 60 + Number(minutes));
}

/** Minutes by which two zones differ, at the time of the year when they differ less: one may keep summer time. */
const apartMin = (a: string, b: string): number =>
  Math.min(...[WINTER, SUMMER].map((at) => Math.abs(aheadMin(a, at) - aheadMin(b, at))));

const city = (timeZone: string): string => timeZone.replaceAll('_', ' ');

/**
 * What does not fit between a place and a time zone: the one that was typed, else that of this device.
 * @param there the zone that the place lies in
 * @param mirroredZone the zone of the same place on the other side of the prime meridian
 * @returns null where nothing is odd
 */
export function doubtOf(
  position: Position,
  there: string,
  mirroredZone: string,
  said: { readonly timeZone: string; readonly typed: boolean },
): PlaceDoubt | null {
  if (!isTimeZone(said.timeZone) || apartMin(there, said.timeZone) <= NEIGHBOURS_MIN) return null;
  const fits = position.longitude !== 0 && apartMin(mirroredZone, said.timeZone) <= NEIGHBOURS_MIN;
  if (!said.typed && !fits) return null;
  const side = position.longitude > 0 ? 'West' : 'East';
  return {
    question: `That place keeps the time of ${city(there)}; ${said.typed ? 'you gave' : 'this device keeps'} ${city(said.timeZone)}.${
      fits ? ` Is it ${side.toLowerCase()}?` : ''
    }`,
    mirrored: fits ? { ...position, longitude: -position.longitude } : null,
    zoneThere: said.typed ? there : null,
  };
}
