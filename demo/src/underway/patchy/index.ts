export { drawPatchyWorld, PATCHY_KINDS, type PatchyKind, type PatchyWorld } from './world.js';
export { PATCHY_POLICIES, SIMPLE_POLICIES, type PatchyPolicy } from './policies.js';
export { playPatchyDay, type PatchyDay } from './play.js';
export { comparePatchyDays, type PatchyCompared } from './compare.js';
