import { readFileSync, writeFileSync } from 'node:fs';
import { DEMO_NOW } from './clock.js';
import { demoReadings } from './truth.js';
import { toWritten } from './written.js';

/** Writes the demo's record from the simulation, or with --check says whether what is written is what it gives. */
const file = new URL('../src/data/record.ts', import.meta.url);
const rows = demoReadings(Date.parse(DEMO_NOW)).map((reading) => `  ${JSON.stringify(toWritten(reading))},`);
const text = `import type { WrittenReading } from '../written-reading.js';

/** Made from the simulation by make-record.ts: not to be edited by hand. */
export const RECORD: readonly WrittenReading[] = [
${rows.join('\n')}
];
`;
if (!process.argv.includes('--check')) writeFileSync(file, text);
else if (readFileSync(file, 'utf8') !== text) {
  process.stderr.write('demo/src/data/record.ts is not what the simulation gives: run node demo/dist/make-record.js\n');
  process.exit(1);
}
