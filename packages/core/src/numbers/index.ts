export { normalDeviate, seededNumbers } from './seeded.js';
