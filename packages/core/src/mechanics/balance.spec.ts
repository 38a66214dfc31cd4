import { calculate } from './calc.js';
import { HOOK_SIZES, hookSizeBy, trebleMassG, type HookSize } from './hooks.js';
import type { HardwareAnswer } from './balance-change.js';
import type { SuspendingBalance } from './balance.js';

type Answer = SuspendingBalance & { answers?: HardwareAnswer[] };

const LINE = { material: 'fluorocarbon', diameterMm: 0.28, outM: 12 };
const hooks = (front: HookSize, rear: HookSize) => [
  { size: front, at: 0.35 },
  { size: rear, at: 0.85 },
];
function balance(value: object): Answer {
  const answer = calculate('suspending-balance', value);
  if (!answer.ok) throw new Error(JSON.stringify(answer.problems));
  return answer.value as Answer;
}
/** A jerkbait that hangs still and level as it comes, with two hooks of a size. */
const neutral = (size: HookSize, lengthMm = 110, widthMm = 17) => ({
  factory: { hooks: hooks(size, size), behaviour: 'neutral', attitude: 'level', waterTempC: 20, line: LINE },
  lengthMm,
  widthMm,
  line: LINE,
  waterTempC: 20,
});
const by = (size: HookSize, steps: number) => hookSizeBy(size, steps)!;

const BODIES: [size: HookSize, lengthMm: number, widthMm: number][] = [
  ['8', 80, 13],
  ['6', 95, 15],
  ['6', 110, 17],
  ['4', 130, 21],
];

describe.each(BODIES)('a neutral jerkbait on hooks of size %s, %s mm long', (size, lengthMm, widthMm) => {
  const lure = neutral(size, lengthMm, widthMm);
  const with_ = (front: HookSize, rear: HookSize, more = {}) =>
    balance({ ...lure, hooks: hooks(front, rear), ...more });

  it('hangs as it is said to', () => {
    const asIs = with_(size, size);
    expect(asIs.netG).toBeCloseTo(0, 6);
    expect(asIs).toMatchObject({ behaviour: 'neutral', attitude: 'level' });
  });
  it('sinks slowly on hooks a size larger, and rises slowly on hooks one or two smaller', () => {
    for (const steps of [1, 2]) {
      expect(with_(by(size, steps), by(size, steps)).behaviour).toBe('slow-sink');
      expect(with_(by(size, -steps), by(size, -steps)).behaviour).toBe('slow-rise');
    }
  });
  it('lowers its nose for a larger front hook and raises it for a larger rear one', () => {
    expect(with_(by(size, 2), size).attitude).toBe('nose-down');
    expect(with_(size, by(size, 2)).attitude).toBe('nose-up');
    expect(with_(by(size, -2), size).noseAngleDeg).toBeGreaterThan(0);
    expect(with_(size, by(size, -2)).noseAngleDeg).toBeLessThan(0);
  });
  it('is lifted by colder and by salt water', () => {
    const net = [30, 20, 12, 4].map((waterTempC) => with_(size, size, { waterTempC }).netG);
    net.forEach((grams, at) => at && expect(grams).toBeLessThan(net[at - 1]!));
    expect(with_(size, size, { waterTempC: 4 }).verticalMps).toBeLessThan(-0.01);
    expect(with_(size, size, { salinityPsu: 33 }).behaviour).toBe('slow-rise');
  });
  it('is drawn down by the nose by dense line and not by light line', () => {
    const [nylon, fluorocarbon] = ['nylon', 'fluorocarbon'].map((material) =>
      with_(size, size, { line: { ...LINE, material } }),
    ) as [Answer, Answer];
    expect(fluorocarbon.netG).toBeGreaterThan(nylon.netG);
    expect(fluorocarbon.noseAngleDeg).toBeLessThan(nylon.noseAngleDeg);
  });
});

describe('the balance', () => {
  const example = {
    bodyMassG: 10.2,
    volumeCm3: 12,
    lengthMm: 110,
    widthMm: 17,
    hooks: hooks('6', '6'),
    line: LINE,
    waterTempC: 8,
    salinityPsu: 0,
    addedWeights: [{ massG: 0.3, at: 0.4 }],
  };
  it('weighs a measured body, its hooks, line and weights, each less the water it takes the place of', () => {
    const density = 0.99985;
    const hook = 2 * trebleMassG('6') * (1 - density / 7.8);
    const strip = 0.3 * (1 - density / 11.34);
    const line = 0.15 * (Math.PI / 4) * 0.028 ** 2 * 1200 * (1.78 - density);
    const { netG } = balance(example);
    expect(netG).toBeCloseTo(10.2 - 12 * density + hook + strip + line, 3);
  });
  it('adds weight where it is put: it sinks more, and the nose goes down ahead of the middle and up behind it', () => {
    const plain = balance(example);
    const ahead = balance({ ...example, addedWeights: [...example.addedWeights, { massG: 0.5, at: 0.1 }] });
    const behind = balance({ ...example, addedWeights: [...example.addedWeights, { massG: 0.5, at: 0.9 }] });
    expect(ahead.netG).toBeCloseTo(behind.netG, 9);
    expect(ahead.netG).toBeGreaterThan(plain.netG + 0.4);
    expect(ahead.noseAngleDeg).toBeLessThan(plain.noseAngleDeg);
    expect(behind.noseAngleDeg).toBeGreaterThan(plain.noseAngleDeg);
  });
  it('moves faster the more it weighs, about as the root', () => {
    const speed = (massG: number) => balance({ ...example, bodyMassG: 10.2 + massG }).verticalMps;
    expect(speed(2)).toBeGreaterThan(speed(1));
    expect(speed(5) / speed(1.25)).toBeGreaterThan(1.6);
    expect(speed(5) / speed(1.25)).toBeLessThan(2.3);
    expect(balance({ ...example, bodyMassG: 9 }).behaviour).toBe('rises');
    expect(balance({ ...example, bodyMassG: 14 }).behaviour).toBe('sinks');
  });
  it.each(['sinks', 'slow-sink', 'neutral', 'slow-rise', 'rises'])(
    'takes a body that is said to be %s for what it is',
    (behaviour) => {
      for (const attitude of ['nose-up', 'level', 'nose-down']) {
        const { factory } = neutral('6');
        const lure = { ...neutral('6'), factory: { ...factory, behaviour, attitude }, hooks: hooks('6', '6') };
        expect(balance(lure)).toMatchObject({ behaviour, attitude });
      }
    },
  );
  it('lists hooks that are heavier the larger', () => {
    HOOK_SIZES.forEach((size, at) => at && expect(trebleMassG(size)).toBeGreaterThan(trebleMassG(HOOK_SIZES[at - 1]!)));
  });
});

describe('the smallest change that makes it hang as wanted', () => {
  const answers = (wanted: object, more = {}) =>
    balance({ ...neutral('6'), hooks: hooks('6', '6'), wanted, ...more }).answers!;

  it('is nothing where it hangs so already', () => {
    const [first] = answers({ behaviour: 'neutral', attitude: 'level' });
    expect(first!.changes).toEqual([]);
  });
  it.each([
    ['slow-rise', 'nose-up'],
    ['slow-sink', 'nose-down'],
    ['slow-sink', 'level'],
    ['neutral', 'nose-down'],
  ])('gives %s, %s, and the answers bear it out', (behaviour, attitude) => {
    const found = answers({ behaviour, attitude });
    expect(found.length).toBeGreaterThan(0);
    for (const { changes, result } of found) {
      expect(result).toMatchObject({ behaviour, attitude });
      expect(changes.length).toBeGreaterThan(0);
    }
  });
  it('touches no more pieces in a first answer than in those after it', () => {
    for (const behaviour of ['slow-rise', 'slow-sink']) {
      const counts = answers({ behaviour }).map(({ changes }) => changes.length);
      counts.forEach((count, at) => at && expect(count).toBeGreaterThanOrEqual(counts[0]!));
    }
  });
  it('takes a weight off before it buys hooks', () => {
    const [first] = answers({ behaviour: 'neutral' }, { addedWeights: [{ massG: 0.4, at: 0.5 }] });
    expect(first!.changes).toEqual([{ kind: 'weight-off', massG: 0.4, at: 0.5 }]);
  });
  it('gives the behaviour alone where the attitude is out of reach, and nothing where neither is', () => {
    const heavy = { bodyMassG: 30, volumeCm3: 12, factory: undefined };
    expect(answers({ behaviour: 'neutral' }, heavy)).toEqual([]);
    expect(answers({ behaviour: 'sinks', attitude: 'nose-up' }, { ...heavy, bodyMassG: 90 })[0]!.result.behaviour).toBe(
      'sinks',
    );
  });
});

it.each([
  ['a hook size that is none', { hooks: [{ size: '13', at: 0.3 }] }, 'hooks[0].size', /a hook size: 10, 9/],
  ['a hook beyond the tail', { hooks: [{ size: '6', at: 1.3 }] }, 'hooks[0].at', /from 0, the nose, to 1/],
  ['a body told twice', { bodyMassG: 10 }, 'factory', /either factory or bodyMassG/],
  ['no body at all', { factory: undefined }, 'bodyMassG', /the mass of the body, or factory/],
  ['ice', { waterTempC: -20 }, 'waterTempC', /from -2 to 40/],
])('refuses %s', (_, change, path, message) => {
  const answer = calculate('suspending-balance', { ...neutral('6'), ...change });
  expect(answer.ok).toBe(false);
  const [first] = answer.ok ? [] : answer.problems;
  expect(first!.path).toBe(path);
  expect(first!.message).toMatch(message);
});
