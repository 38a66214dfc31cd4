import { writeFileSync } from 'node:fs';
import { seasonTrips } from './season-trips.js';

/**
 * Writes the demo's trips from the simulation. They were fished by what the planner said on that day, so another planner
 * gives others: what is written stays as it is until somebody wants it anew.
 */
/** Of a few seeds the one whose trips move the very morning that the demo stands on. */
const SEED = Number(process.argv[2] ?? 20260929);
const rows = seasonTrips(SEED).map((trip) => `  ${JSON.stringify(trip)},`);
writeFileSync(
  new URL('../src/data/trips.ts', import.meta.url),
  `import type { TripRow } from '../trip-row.js';

/** Made from the simulation by make-trips.ts: not to be edited by hand. */
export const TRIPS: readonly TripRow[] = [
${rows.join('\n')}
];
`,
);
