import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import * as core from './index.js';
import * as chart from './chart/index.js';
import * as formats from './formats/index.js';
import * as features from './formats/features/index.js';
import * as bathymetry from './formats/bathymetry/index.js';
import * as hours from './formats/hours/index.js';
import * as nmea from './formats/nmea/index.js';
import * as tideFiles from './formats/tide/index.js';
import * as lures from './lures/index.js';
import * as outsideAddresses from './contract/outside-addresses/index.js';
import * as position from './units/position/index.js';
import * as species from './plan/species/index.js';
import * as seasonAnswer from './season/answer/index.js';
import * as competition from './competition/index.js';
import * as drill from './drill/index.js';
import * as mornings from './mornings/index.js';
import * as movingWater from './plan/moving-water/index.js';
import * as mechanics from './mechanics/index.js';
import * as spots from './spots/index.js';
import * as tackle from './tackle/index.js';
import * as match from './tackle/match/index.js';
import * as tide from './tide/index.js';
import * as underway from './underway/index.js';
import * as evidence from './underway/evidence/index.js';

/** What stands behind the doors of the core, by the names under which it is imported. */
const DOORS: Readonly<Record<string, unknown>> = Object.assign(
  {},
  core,
  chart,
  formats,
  features,
  bathymetry,
  hours,
  nmea,
  tideFiles,
  lures,
  mechanics,
  competition,
  drill,
  mornings,
  movingWater,
  seasonAnswer,
  species,
  position,
  outsideAddresses,
  spots,
  tackle,
  match,
  tide,
  underway,
  evidence,
);

const SRC = join(process.cwd(), 'packages/core/src');
const files = readdirSync(SRC, { recursive: true })
  .map(String)
  .filter((name) => name.endsWith('.ts') && !name.endsWith('.spec.ts'));

/** The examples of a file: the lines of a doc comment from `@example` to the next tag or its end. */
function examplesIn(file: string): [where: string, lines: string[]][] {
  const comments = readFileSync(join(SRC, file), 'utf8').match(/\/\*\*[\s\S]*?\*\//g) ?? [];
  return comments.flatMap((comment): [string, string[]][] => {
    const lines = comment.split('\n').map((line) => line.replace(/^\s*(\/\*\*|\*\/|\*) ?/, '').replace(/\s*\*\/$/, ''));
    const from = lines.findIndex((line) => line.startsWith('@example'));
    if (from < 0) return [];
    const to = lines.findIndex((line, at) => at > from && line.startsWith('@'));
    return [[file, lines.slice(from + 1, to < 0 ? undefined : to).filter(Boolean)]];
  });
}
const EXAMPLES = files.flatMap(examplesIn);

/** An example as a function: what it shows with `// =>` is collected beside what it says that is. */
function shown(lines: readonly string[]): [told: unknown, shown: unknown][] {
  const body = lines.map((line) => {
    const [, expression, value] = /^(.*?);? *\/\/ => (.*)$/.exec(line) ?? [];
    return expression ? `results.push([${value}, ${expression}]);` : line;
  });
  const names = Object.keys(DOORS);
  // The text is our own, out of the comments beside this file.

  const run = new Function('results', ...names, body.join('\n')) as (...given: unknown[]) => void;
  const results: [unknown, unknown][] = [];
  run(results, ...names.map((name) => DOORS[name]));
  return results;
}

describe('the examples in the comments', () => {
  it('are about fifteen, one at each door', () => expect(EXAMPLES.length).toBeGreaterThanOrEqual(15));

  it.each(EXAMPLES)('of %s show what they say', (_, lines) => {
    const results = shown(lines);
    expect(results.length).toBeGreaterThan(0);
    for (const [told, found] of results) expect(found).toEqual(told);
  });
});
