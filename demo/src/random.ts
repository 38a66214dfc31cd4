export { normalDeviate as normal, seededNumbers as seeded } from '@inky-shoal/core/numbers';

/** An id in the form of a UUIDv7: its time first, the rest from the generator, so that demo ids never change. */
export function seededId(timeMs: number, random: () => number): string {
  const hex = (length: number) => Array.from({ length }, () => Math.floor(random() * 16).toString(16)).join('');
  const time = timeMs.toString(16).padStart(12, '0');
  return `${time.slice(0, 8)}-${time.slice(8)}-7${hex(3)}-8${hex(3)}-${hex(12)}`;
}
