/** Sizes of treble hooks from small to large. */
export const HOOK_SIZES = ['10', '9', '8', '7', '6', '5', '4', '3', '2', '1', '1/0', '2/0'] as const;
export type HookSize = (typeof HOOK_SIZES)[number];

/** Usual mass in g of a treble of round bend and common wire; makers differ by a fifth. Judgement from weighing. */
const TREBLE_MASS_G: Readonly<Record<HookSize, number>> = {
  '10': 0.32,
  '9': 0.38,
  '8': 0.46,
  '7': 0.56,
  '6': 0.68,
  '5': 0.82,
  '4': 1.0,
  '3': 1.21,
  '2': 1.47,
  '1': 1.9,
  '1/0': 2.5,
  '2/0': 3.3,
};

/** Density of hook steel in g/cm3. */
export const STEEL_G_CM3 = 7.8;
/** Density in g/cm3 of the adhesive and wire weights that are put on lures: lead. */
export const LEAD_G_CM3 = 11.34;

/** Mass in g of a treble with its split ring, which is about a tenth of it. */
export const trebleMassG = (size: HookSize): number => TREBLE_MASS_G[size] * 1.1;

/** A size so many steps larger, or smaller where under 0; undefined beyond the list. */
export const hookSizeBy = (size: HookSize, steps: number): HookSize | undefined =>
  HOOK_SIZES[HOOK_SIZES.indexOf(size) + steps];
