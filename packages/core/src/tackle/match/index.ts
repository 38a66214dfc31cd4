export { matchDay, matchTackle } from './match.js';
export type { LeftOver, MatchOptions, PackedBox, RigPlan, RodAdvice } from './rig-plan.js';
export type { Reach } from './combo-fit.js';
export type { Need } from './needs.js';
export { ownedRods, type Combo } from './combos.js';
export { statedOf } from './lure-fit.js';
export { tiedOnFrom, type OwnedTiedOn } from './tied-on.js';
