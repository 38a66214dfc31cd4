/** A number in [0, 1) that belongs to a seed and a whole number: the mixing of mulberry32 asked at one place. */
export function chanceAt(seed: number, index: number): number {
  let t = (Math.imul(seed ^ 0x9e3779b9, 0x85ebca6b) + Math.imul(index | 0, 0x6d2b79f5)) >>> 0;
  t = Math.imul(t ^ (t >>> 15), t | 1);
  t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
  t = Math.imul(t ^ (t >>> 16), 0x21f0aaad);
  return ((t ^ (t >>> 15)) >>> 0) / 4294967296;
}

/** About normal with mean 0 and deviation 1, belonging to a seed and a whole number (twelve even chances summed). */
export function normalAt(seed: number, index: number): number {
  let sum = -6;
  for (let part = 0; part < 12; part++) sum += chanceAt(seed + part * 7919, index);
  return sum;
}

/** Smooth noise with deviation about 1: normal values at whole numbers with a cosine between them. */
export function smoothNoise(seed: number, at: number): number {
  const before = Math.floor(at);
  const share = (1 - Math.cos((at - before) * Math.PI)) / 2;
  const [a, b] = [normalAt(seed, before), normalAt(seed, before + 1)];
  // Between two points the mean of both varies less; brought back to one deviation.
  return (a * (1 - share) + b * share) / Math.sqrt((1 - share) ** 2 + share ** 2);
}
