/** A seeded generator of numbers in [0, 1): mulberry32 (Tommy Ettinger, public domain). The same seed, the same run. */
export function seeded(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** A normal deviate by Box and Muller (1958). */
export function normal(random: () => number): number {
  return Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
}

/** An id in the form of a UUIDv7: its time first, the rest from the generator, so that demo ids never change. */
export function seededId(timeMs: number, random: () => number): string {
  const hex = (length: number) => Array.from({ length }, () => Math.floor(random() * 16).toString(16)).join('');
  const time = timeMs.toString(16).padStart(12, '0');
  return `${time.slice(0, 8)}-${time.slice(8)}-7${hex(3)}-8${hex(3)}-${hex(12)}`;
}
