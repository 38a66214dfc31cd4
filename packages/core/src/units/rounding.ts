/** Figures of a plan are rounded to what they mean: nobody holds a lure to a centimetre. */
const to = (value: number, step: number): number => Number((Math.round(value / step) * step).toFixed(3));

type Range = readonly [number, number];
const each = (range: Range, step: (value: number) => number): [number, number] => [
  to(range[0], step(range[0])),
  to(range[1], step(range[1])),
];

/** Depths in metres: to 5 cm in the top metre, to 10 cm below it. */
export const roundedDepthM = (range: Range): [number, number] => each(range, (value) => (value < 1 ? 0.05 : 0.1));
/** The same, but never below a floor that holds the fish up: bottom or thermocline. */
export function roundedDepthAboveM(range: Range, floorM: number): [number, number] {
  const [from, lower] = roundedDepthM(range);
  const within = (value: number) => (value > floorM ? Math.floor(floorM * 100) / 100 : value);
  return [Math.min(within(from), within(lower)), within(lower)];
}
/** Lengths in millimetres: to 5 mm. */
export const roundedMm = (range: Range): [number, number] => each(range, () => 5);
/** Weights in grams: to half a gram under 20 g, to a gram above. */
export const roundedG = (range: Range): [number, number] => each(range, (value) => (value < 20 ? 0.5 : 1));
/** Speeds in m/s: to 5 cm a second. */
export const roundedMps = (range: Range): [number, number] => each(range, () => 0.05);
/** Seconds: to half a second. */
export const roundedS = (range: Range): [number, number] => each(range, (value) => (value < 1 ? 0.1 : 0.5));
