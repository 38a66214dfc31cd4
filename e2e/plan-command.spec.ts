import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Plan } from '@inky-shoal/core';

const GOOD = {
  discipline: 'bass',
  date: '2027-03-06',
  place: { latitude: 35.9, longitude: -88.4, timeZone: 'America/Chicago' },
  surfaceTempC: 9.5,
};

let folder: string;
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'inky-'));
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** Runs `npm run --silent plan -- ARGS`. */
function plan(args: string[], input?: string) {
  const { status, stdout, stderr } = spawnSync('npm', ['run', '--silent', 'plan', '--', ...args], {
    input: input ?? '',
    encoding: 'utf8',
    maxBuffer: 64e6,
  });
  const said = stderr.split('\n').filter((line) => line && !line.startsWith('npm warn'));
  return { status, stdout, said };
}

function file(name: string, text: string): string {
  const path = join(folder, name);
  writeFileSync(path, text);
  return path;
}

describe('npm run plan', () => {
  it('prints a plan from a file', () => {
    const { status, stdout } = plan([file('good.json', JSON.stringify(GOOD))]);
    expect(status).toBe(0);
    expect(Plan.parse(JSON.parse(stdout)).phase.id).toBe('staging');
  });

  it('prints the same plan from standard input', () => {
    const { status, stdout } = plan(['-'], JSON.stringify(GOOD));
    expect(status).toBe(0);
    expect(stdout).toBe(plan([join(folder, 'good.json')]).stdout);
  });

  it.each<[string, () => string, RegExp]>([
    [
      'a reading of 212 degrees',
      () => JSON.stringify({ ...GOOD, surfaceTempC: 212 }),
      /^surfaceTempC: expected a water temperature .* got 212$/,
    ],
    ['an unknown field', () => JSON.stringify({ ...GOOD, colour: 'red' }), /^colour: expected no such field/],
    [
      'a date that does not exist',
      () => JSON.stringify({ ...GOOD, date: '2027-02-30' }),
      /^date: expected a date that exists/,
    ],
    ['an empty file', () => '', /expected JSON .* got an empty file$/],
    ['what is not JSON', () => '{ "date": ', /expected JSON .* it is not JSON/],
    ['a list', () => '[]', /expected an object with the conditions of a day/],
    ['50 MB', () => JSON.stringify({ pad: 'x'.repeat(50e6) }), /expected at most 1 MB, got 50 MB$/],
  ])('refuses %s in one line and ends with 2', (name, text, words) => {
    const { status, stdout, said } = plan([file(`${name.replaceAll(' ', '-')}.json`, text())]);
    expect(status).toBe(2);
    expect(stdout).toBe('');
    expect(said).toHaveLength(1);
    expect(said[0]).toMatch(words);
  });

  it('prints one line for each problem', () => {
    const { said } = plan(['-'], JSON.stringify({ ...GOOD, sky: 'pink', windMps: -3 }));
    expect(said.map((line) => line.split(':')[0])).toEqual(['sky', 'windMps']);
  });

  it('says so where there is no such file, or no file is named', () => {
    expect(plan([join(folder, 'missing.json')])).toMatchObject({
      status: 2,
      said: [expect.stringContaining('no such file')],
    });
    expect(plan([])).toMatchObject({ status: 2, said: [expect.stringContaining('usage')] });
  });
});
