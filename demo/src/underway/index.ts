export { drawWorld, WORLD_KINDS, type World, type WorldKind } from './world.js';
export { playDay, POLICIES, type PlayedDay, type Policy } from './policies.js';
export { compareDays, type Compared } from './compare.js';
export * from './patchy/index.js';
