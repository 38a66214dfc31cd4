import type { CategoryId } from '../../contract/ids.js';
import { CRANK_OCCASIONS } from './cranks.js';
import { INSHORE_OCCASIONS } from './inshore.js';
import { METAL_AND_SWIMMER_OCCASIONS } from './metal-and-swimmers.js';
import type { LureOccasions, Occasion, Occasions } from './occasion.js';
import { SOFT_OCCASIONS } from './soft.js';
import { SURFACE_OCCASIONS } from './surface.js';
import { JIG_OCCASIONS, WIRE_OCCASIONS } from './wire-and-skirt.js';

export type { LureOccasions, Occasion } from './occasion.js';

const ALL: Occasions = {
  ...CRANK_OCCASIONS,
  ...SURFACE_OCCASIONS,
  ...METAL_AND_SWIMMER_OCCASIONS,
  ...WIRE_OCCASIONS,
  ...JIG_OCCASIONS,
  ...SOFT_OCCASIONS,
  ...INSHORE_OCCASIONS,
};

/** The days that a category is made for, and those that spoil it; none where nothing is known of it. */
export const occasionsOf = (id: CategoryId): LureOccasions => ALL[id] ?? { suits: [] };

/** Every occasion of every lure, as rules. */
export const OCCASION_RULES: readonly Occasion[] = Object.values(ALL).flatMap(
  ({ suits, spoils = [], excludes = [] }) => [...suits, ...spoils, ...excludes],
);
