import { readFileSync, writeFileSync } from 'node:fs';
import { bedToBytes } from '@inky-shoal/core/chart';
import { ferrowBed } from './chart/ferrow.js';
import { packBed } from './chart/packed.js';
import { ternBed } from './chart/tern.js';

/** Writes the demo's beds from their seeds, or with --check says whether what is written is what they give. */
const file = new URL('../src/data/charts.ts', import.meta.url);
const written = Object.entries({ FERROW: ferrowBed(), TERN: ternBed() }).map(
  ([name, bed]) => `export const ${name} = {
  cols: ${bed.cols},
  rows: ${bed.rows},
  cellM: ${bed.cellM},
  bed: '${packBed(bedToBytes(bed), bed.cols)}',
};
`,
);
const text = `/** Made from their seeds by make-charts.ts: not to be edited by hand. */\n${written.join('')}`;
if (!process.argv.includes('--check')) writeFileSync(file, text);
else if (readFileSync(file, 'utf8') !== text) {
  process.stderr.write('demo/src/data/charts.ts is not what the seeds give: run node demo/dist/make-charts.js\n');
  process.exit(1);
}
