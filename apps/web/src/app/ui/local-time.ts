import { format } from './dates';

/** An instant as a datetime-local input wants it, on the clock of a time zone: `2027-03-13T08:12`. */
export function localInput(instant: string, timeZone: string): string {
  return format({ dateStyle: 'short', timeStyle: 'short', timeZone }, 'sv-SE')
    .format(new Date(instant))
    .replace(' ', 'T');
}

/** The day of an instant on the clock of a time zone: `2027-03-13`. */
export const localDay = (instant: string, timeZone: string): string => localInput(instant, timeZone).slice(0, 10);

/** Minutes by which a zone is ahead of UTC at an instant. */
function offsetMin(instantMs: number, timeZone: string): number {
  return Math.round((Date.parse(`${localInput(new Date(instantMs).toISOString(), timeZone)}Z`) - instantMs) / 60_000);
}

/** The instant at which a zone's clock shows what a datetime-local input holds; undefined where that is no time. */
export function instantAt(local: string, timeZone: string): string | undefined {
  const asUtc = Date.parse(`${local}Z`);
  if (!/^\d{4}-\d\d-\d\dT\d\d:\d\d/.test(local) || Number.isNaN(asUtc)) return undefined;
  // Twice, since the offset to take off is the one that holds at the instant itself.
  const near = asUtc - offsetMin(asUtc, timeZone) * 60_000;
  return new Date(asUtc - offsetMin(near, timeZone) * 60_000).toISOString();
}
