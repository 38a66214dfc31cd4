import { execFileSync } from 'node:child_process';
import { ROOT } from '../scripts/lib/workspace.mjs';

const node = (...args: string[]) => execFileSync(process.execPath, args, { cwd: ROOT, encoding: 'utf8' });

describe('against the simulation with its hidden truth', () => {
  // In a process of its own: the simulation is slow among a test runner's own globals.
  const figures = JSON.parse(node('scripts/bench.mjs', '--json', '--skill', 'season')) as Record<string, number>;

  it('five days on, the forecast errs at least 30 % less than water that stays as it is', () => {
    expect(figures['forecastErrorRatio5d']).toBeLessThanOrEqual(0.7);
  });
  it('the 80 % band holds the truth in 72 to 88 % of cases', () => {
    expect(figures['bandCoverage80']).toBeGreaterThanOrEqual(0.72);
    expect(figures['bandCoverage80']).toBeLessThanOrEqual(0.88);
  });
  it('no zone changes its likeliest phase more than twelve times a year', () => {
    expect(figures['phaseChangesPerYearMax']).toBeLessThanOrEqual(12);
  });
  it('the spawn begins within six days of the truth in most zones', () => {
    expect(figures['spawnDateErrorDaysMedian']).toBeLessThanOrEqual(6);
  });
  it('the record that ships is what the simulation gives', () => {
    expect(() => node('demo/dist/make-record.js', '--check')).not.toThrow();
  });
});
