import { group } from 'd3-array';
import { noonMs } from '../../day/noon.js';
import type { PastTrip } from './trip-table.js';

/** A photograph of a fish, as its camera wrote it. */
export interface FishPhoto {
  /** Under which id the photograph is kept. */
  readonly photoId: string;
  /** When it was taken by the camera's own clock, YYYY-MM-DDTHH:mm:ss. */
  readonly takenAt: string;
  readonly lonLat: readonly [number, number] | null;
}

/** A trip of the past as photographs of its fish tell it. */
export type PhotoTrip = Pick<PastTrip, 'startMs' | 'waterId' | 'waterName' | 'fish' | 'told'> & {
  /** YYYY-MM-DD. */
  readonly date: string;
};

const MINUTE_MS = 60_000;
const NOON_MIN = 720;

/**
 * Trips from photographs of fish, a trip a day and a fish a photograph. What was fished, and how long, nobody said: such a
 * trip is kept and found, and teaches nothing.
 * @param timeZone of the water, on whose clock the camera is taken to have stood
 */
export function tripsOfPhotos(
  photos: readonly FishPhoto[],
  water: { readonly id: string; readonly name: string } | null,
  timeZone: string,
): PhotoTrip[] {
  const byDay = group(photos, ({ takenAt }) => takenAt.slice(0, 10));
  return [...byDay]
    .sort(([a], [b]) => a.localeCompare(b))
    .map(([date, taken]) => {
      const noon = noonMs(date, timeZone);
      const fish = taken
        .map(({ photoId, takenAt, lonLat }) => {
          const [hours, minutes] = [Number(takenAt.slice(11, 13)), Number(takenAt.slice(14, 16))];
          return { photoId, lonLat, atMs: noon + (60 * hours + minutes - NOON_MIN) * MINUTE_MS };
        })
        .sort((a, b) => a.atMs - b.atMs);
      const [startMs, endMs] = [fish[0]?.atMs ?? noon, fish.at(-1)?.atMs ?? noon];
      return {
        date,
        startMs,
        waterId: water?.id,
        waterName: water?.name ?? '',
        fish: fish.length,
        told: [
          ...fish.map(({ atMs, photoId, lonLat }) => ({
            atMs,
            said: {
              kind: 'contact' as const,
              what: 'landed' as const,
              fishing: null,
              fish: { photoId },
              ...(lonLat && { sensed: { from: 'photograph' as const, lonLat: [...lonLat] as [number, number] } }),
            },
          })),
          { atMs: endMs, said: { kind: 'finish' as const } },
          { atMs: endMs, said: { kind: 'review' as const, review: { planned: [], done: [], found: [] } } },
        ],
      };
    });
}

/** When a camera says that a photograph was taken, as YYYY-MM-DDTHH:mm:ss; null where it says nothing of use. */
export function takenAtOf(exifDate: unknown): string | null {
  // As the camera writes it: 2026:04:18 07:12:33.
  const found = typeof exifDate === 'string' ? /^(\d{4}):(\d\d):(\d\d) (\d\d):(\d\d):(\d\d)/.exec(exifDate) : null;
  if (!found) return null;
  const [, year, month, day, hour, minute, second] = found;
  const date = `${year}-${month}-${day}`;
  const isDay = new Date(`${date}T00:00:00Z`).toJSON()?.startsWith(date) === true;
  return isDay && Number(hour) < 24 && Number(minute) < 60 ? `${date}T${hour}:${minute}:${second}` : null;
}
