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

/** Runs a program and hears it out. */
function hear(program: string, args: string[], input: string) {
  const { status, stdout, stderr } = spawnSync(program, args, { input, encoding: 'utf8', maxBuffer: 64e6 });
  const said = stderr.split('\n').filter((line) => line && !line.startsWith('npm warn'));
  return { status, stdout, said };
}

/** Runs what `npm run --silent COMMAND -- ARGS` runs, without what npm takes for itself. */
const run = (command: string, args: string[], input = '') =>
  hear(process.execPath, [`scripts/${command}.mjs`, ...args], input);

const plan = (args: string[], input?: string) => run('plan', args, input);
const calc = (args: string[], input?: string) => run('calc', args, input);

function file(name: string, text: string): string {
  const path = join(folder, name);
  writeFileSync(path, text);
  return path;
}

it.each(['plan', 'calc', 'next', 'learned'])('npm run --silent %s hands over all that it is given', (command) => {
  const args = ['-', 'more', '--more'];
  expect(hear('npm', ['run', '--silent', command, '--', ...args], '{}')).toEqual(run(command, args, '{}'));
  expect(run(command, args, '{}').status).toBe(2);
});

describe('npm run plan', () => {
  it('prints a plan from a file', () => {
    const { status, stdout } = plan([file('good.json', JSON.stringify(GOOD))]);
    expect(status).toBe(0);
    expect(Plan.parse(JSON.parse(stdout)).phase.id).toBe('staging');
  });

  it('reads a file that begins with the mark of its encoding', () => {
    expect(plan(['-'], `\uFEFF${JSON.stringify(GOOD)}`).status).toBe(0);
  });

  it('ends where its input has none, and keeps quiet where its reader has seen enough', () => {
    const { status, said } = plan(['/dev/zero']);
    expect(status).toBe(2);
    expect(said).toEqual(['/dev/zero: expected at most 1 MB, got more']);
    const good = join(folder, 'good.json');
    writeFileSync(good, JSON.stringify(GOOD));
    const cut = spawnSync('sh', ['-c', `node scripts/plan.mjs ${good} | head -c 10`], { encoding: 'utf8' });
    expect(cut).toMatchObject({ status: 0, stdout: '{\n  "phase', stderr: '' });
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

describe('npm run calc', () => {
  const RIG = {
    lure: {
      kind: 'diving',
      statedDepthM: 4.0,
      statedFor: { lineMaterial: 'fluorocarbon', lineDiameterMm: 0.28, castM: 35 },
    },
    line: { material: 'nylon', diameterMm: 0.41 },
    castM: 35,
    rodTipM: 0.5,
    speedMps: 0.9,
    strikeZoneM: [3, 4],
  };
  const JERKBAIT = {
    bodyMassG: 10.2,
    volumeCm3: 12.0,
    lengthMm: 110,
    widthMm: 17,
    hooks: [
      { size: '6', at: 0.35 },
      { size: '6', at: 0.85 },
    ],
    line: { material: 'fluorocarbon', diameterMm: 0.28, outM: 12 },
    waterTempC: 8,
    salinityPsu: 0,
    addedWeights: [{ massG: 0.3, at: 0.4 }],
  };

  it('prints how deep a lure runs, from a file', () => {
    const { status, stdout } = calc(['running-depth', file('rig.json', JSON.stringify(RIG))]);
    expect(status).toBe(0);
    const { maxDepthM, path, shareInZone } = JSON.parse(stdout) as {
      maxDepthM: number;
      path: [number, number][];
      shareInZone: number;
    };
    expect(maxDepthM).toBeGreaterThan(2.4);
    expect(maxDepthM).toBeLessThan(3.1);
    expect(path[0]).toEqual([35, 0]);
    expect(shareInZone).toBeGreaterThanOrEqual(0);
  });
  it('prints how a lure hangs, from standard input', () => {
    const { status, stdout } = calc(['suspending-balance', '-'], JSON.stringify(JERKBAIT));
    expect(status).toBe(0);
    expect(Object.keys(JSON.parse(stdout) as object)).toEqual([
      'netG',
      'verticalMps',
      'noseAngleDeg',
      'behaviour',
      'attitude',
    ]);
  });
  it.each([
    [
      'a stated depth of 0',
      ['running-depth', '-'],
      { ...RIG, lure: { ...RIG.lure, statedDepthM: 0 } },
      /^lure\.statedDepthM: .*got 0$/,
    ],
    [
      'a hook size that is none',
      ['suspending-balance', '-'],
      { ...JERKBAIT, hooks: [{ size: '11', at: 0.3 }] },
      /^hooks\[0\]\.size: expected a hook size: 10/,
    ],
    [
      'a spool of negative diameter',
      ['retrieve', '-'],
      { ratio: 6, spoolDiameterMm: -30, turnsPerS: 1 },
      /^spoolDiameterMm: .*got -30$/,
    ],
    ['a name that is none', ['horoscope', '-'], {}, /^horoscope: expected one of running-depth, suspending-balance/],
  ])('refuses %s in one line', (_, args, input, words) => {
    const { status, stdout, said } = calc(args, JSON.stringify(input));
    expect(status).toBe(2);
    expect(stdout).toBe('');
    expect(said).toHaveLength(1);
    expect(said[0]).toMatch(words);
  });
  it('refuses what is no JSON, and tells how it is called', () => {
    expect(calc(['running-depth', '-'], '{').said[0]).toMatch(/expected JSON with what running-depth takes/);
    expect(calc([]).said[0]).toMatch(/^usage: npm run --silent calc/);
  });
});

describe('npm run next', () => {
  const day = {
    conditions: GOOD,
    now: '09:40',
    until: '15:00',
    places: [
      { id: 'p1', structure: 'secondary-point', cover: 'mixed-rock', depthM: [1.5, 4], minutesTo: { p2: 6 } },
      { id: 'p2', structure: 'channel-swing', depthM: [2, 8] },
    ],
    notes: [{ from: '07:00', to: '09:40', place: 'p1', category: 'suspending-jerkbait', casts: 120, bites: 0 }],
  };

  it('says what to do next on a day as it stands', () => {
    const { status, stdout } = run('next', [file('day.json', JSON.stringify(day))]);
    expect(status).toBe(0);
    expect(JSON.parse(stdout)).toMatchObject({
      move: 'place',
      place: 'p2',
      range80: [expect.any(Number), expect.any(Number)],
    });
  });

  it('answers a line with a line, also one that it refuses', () => {
    const lines = [JSON.stringify(day), 'nonsense', JSON.stringify({ ...day, until: '09:40' }), JSON.stringify(day)];
    const { status, stdout } = run('next', ['-'], `${lines.join('\n')}\n`);
    const [first, noJson, refused, again, ...more] = stdout.trim().split('\n');
    expect(status).toBe(2);
    expect(more).toEqual([]);
    expect(again).toBe(first);
    expect(noJson).toContain('it is not JSON');
    expect(JSON.parse(refused!)).toEqual({
      problems: [{ path: 'until', message: expect.stringContaining('a time after now') }],
    });
  });

  it('refuses a file in one sentence', () => {
    const { status, said } = run('next', [file('bad.json', JSON.stringify({ ...day, places: [] }))]);
    expect(status).toBe(2);
    expect(said).toEqual([
      'places: expected at least one place',
      'notes[0].place: expected the id of one of the places, got "p1"',
    ]);
  });
});

describe('npm run learned', () => {
  const stretch = { from: '07:00', to: '08:00', place: 'ditch', category: 'football-jig', casts: 45 };
  const day = {
    conditions: GOOD,
    trips: Array.from({ length: 8 }, () => ({
      conditions: GOOD,
      stretches: [
        { ...stretch, bites: 3 },
        { ...stretch, from: '08:00', to: '09:00', category: 'suspending-jerkbait', bites: 0 },
      ],
    })),
  };

  it('plans a day with what the trips before it taught, and without', () => {
    const { status, stdout } = run('learned', [file('day.json', JSON.stringify(day))]);
    expect(status).toBe(0);
    const { plan, shipped, moved } = JSON.parse(stdout) as Record<'plan' | 'shipped' | 'moved', unknown>;
    expect(plan).not.toEqual(shipped);
    expect(moved).toContainEqual({
      what: expect.any(String),
      kind: expect.any(String),
      rule: null,
      likely: expect.any(Number),
      prior: 1,
      posterior: expect.any(Number),
      hours: expect.any(Number),
    });
  });

  it('answers a line with a line, and without trips with the plan as shipped', () => {
    const lines = [JSON.stringify({ ...day, trips: [] }), JSON.stringify({ conditions: GOOD }), '['];
    const { status, stdout } = run('learned', ['-'], `${lines.join('\n')}\n`);
    const [none, refused, noJson] = stdout.trim().split('\n');
    expect(status).toBe(2);
    const { plan, shipped, moved } = JSON.parse(none!) as Record<'plan' | 'shipped' | 'moved', unknown>;
    expect(plan).toEqual(shipped);
    expect(moved).toEqual([]);
    expect(JSON.parse(refused!)).toEqual({
      problems: [{ path: 'trips', message: expect.stringContaining('expected a list of trips') }],
    });
    expect(noJson).toContain('it is not JSON');
  });
});
