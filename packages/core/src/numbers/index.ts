export { normalDeviate, seededNumbers } from './seeded.js';
export { holdsUntil, type HoldsUntil } from './holds-until.js';
