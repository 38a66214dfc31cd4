import { calculate, CALCULATIONS, isCalculation, type CalculationName } from './calc.js';
import type { Countdown } from './countdown.js';
import type { Coverage } from './coverage.js';
import { cylinderDrag, viscosityM2S } from './drag.js';
import type { ParallelOffset } from './parallel-offset.js';
import type { RetrieveSpeed } from './retrieve-speed.js';

function calc<T>(name: CalculationName, value: object): T {
  const answer = calculate(name, value);
  if (!answer.ok) throw new Error(JSON.stringify(answer.problems));
  return answer.value as T;
}

describe('countdown', () => {
  const jig = { form: 'jig', massG: 14, line: { material: 'fluorocarbon', testLb: 12 }, depthM: 6 };
  const count = (more: object = {}) => calc<Countdown>('countdown', { ...jig, ...more });

  it('takes a jig down about two feet a second, and longer the deeper', () => {
    const { seconds, sinkMps } = count();
    expect(sinkMps).toBeGreaterThan(0.5);
    expect(sinkMps).toBeLessThan(0.8);
    expect(seconds).toBeCloseTo(6 / sinkMps, 6);
    expect(count({ depthM: 12 }).seconds).toBeGreaterThan(2 * seconds - 1);
  });
  it('is shorter for more weight, thinner line and a slack fall, and weightless worms take their time', () => {
    const { seconds } = count();
    expect(count({ massG: 28 }).seconds).toBeLessThan(seconds);
    expect(count({ line: { material: 'nylon', testLb: 20 } }).seconds).toBeGreaterThan(seconds);
    expect(count({ fall: 'tight' }).seconds).toBeGreaterThan(seconds);
    expect(count({ form: 'soft-weightless', massG: 9 }).seconds).toBeGreaterThan(2 * seconds);
  });
  it('drifts as long as it sinks, and tells the depth second by second', () => {
    const { seconds, driftM, depthBySecondM } = count({ driftMps: 0.3 });
    expect(driftM).toBeCloseTo(0.3 * seconds, 9);
    expect(depthBySecondM).toHaveLength(Math.floor(seconds) + 1);
    depthBySecondM.forEach((depth, at) => at && expect(depth).toBeGreaterThan(depthBySecondM[at - 1]!));
  });
});

describe('retrieve', () => {
  it('is circumference times ratio a turn', () => {
    const { lineMPerTurn, speedMps } = calc<RetrieveSpeed>('retrieve', {
      ratio: 6.4,
      spoolDiameterMm: 34,
      turnsPerS: 1.2,
    });
    expect(lineMPerTurn).toBeCloseTo(0.6836, 3);
    expect(speedMps).toBeCloseTo(1.2 * lineMPerTurn, 9);
  });
  it('turns back from a wanted speed, and counts the seconds among the fish', () => {
    const wanted = { ratio: 5.4, spoolDiameterMm: 34, speedMps: 0.4, castM: 30, shareInZone: 0.5 };
    const { turnsPerS, secondsPerTurn, secondsPerCast, secondsInZone } = calc<RetrieveSpeed>('retrieve', wanted);
    expect(turnsPerS * secondsPerTurn).toBeCloseTo(1, 9);
    expect(secondsPerCast).toBeCloseTo(75, 9);
    expect(secondsInZone).toBeCloseTo(37.5, 9);
  });
});

describe('coverage', () => {
  const bank = { castM: 25, speedMps: 0.8, spacingM: 3, handlingS: 6 };
  it('is the places an hour times their spacing', () => {
    const { secondsPerCast, bankMPerHour, castsPerHour, heldBackBy } = calc<Coverage>('coverage', bank);
    expect(secondsPerCast).toBeCloseTo(37.25, 9);
    expect(castsPerHour).toBeCloseTo(3600 / 37.25, 9);
    expect(bankMPerHour).toBeCloseTo((3600 / 37.25) * 3, 9);
    expect(heldBackBy).toBe('casting');
  });
  it('falls with casts at each place, is held back by a slow boat, and says how much of the bank it comes to', () => {
    expect(calc<Coverage>('coverage', { ...bank, castsPerPlace: 4 }).bankMPerHour).toBeCloseTo((3600 / 149) * 3, 6);
    const slow = calc<Coverage>('coverage', { ...bank, spacingM: 20, boatMps: 0.1 });
    expect(slow.heldBackBy).toBe('boat');
    expect(slow.bankMPerHour).toBeCloseTo(360, 9);
    const day = calc<Coverage>('coverage', { ...bank, bankM: 4000, hours: 6 });
    expect(day.shareOfBank).toBeCloseTo((6 * 289.93) / 4000, 2);
    expect(day.hoursForBank).toBeCloseTo(13.8, 1);
  });
});

it('casts along a bank at depth over tangent', () => {
  const bank = { depthM: 3, bankSlopeDeg: 45, bandM: 0.5, castM: 25 };
  const offset = calc<ParallelOffset>('parallel-offset', bank);
  expect(offset.offsetM).toBeCloseTo(3, 9);
  expect(offset.marginM).toBeCloseTo(0.5, 9);
  expect(offset.shareAcross).toBeCloseTo(1 / 25, 9);
  expect(calc<ParallelOffset>('parallel-offset', { ...bank, bankSlopeDeg: 10 }).offsetM).toBeCloseTo(17.01, 2);
});

it('drags a cylinder as White (1974) has it, in water as thick as it is', () => {
  expect(cylinderDrag(100)).toBeCloseTo(1.464, 3);
  expect(cylinderDrag(1e5)).toBeCloseTo(1.005, 3);
  expect(viscosityM2S(20) * 1e6).toBeCloseTo(1.0, 1);
  expect(viscosityM2S(5) * 1e6).toBeCloseTo(1.52, 1);
});

it('knows its calculations by name and refuses bad input by field', () => {
  expect(Object.keys(CALCULATIONS).every(isCalculation)).toBe(true);
  expect(isCalculation('toString')).toBe(false);
  const refused = (name: CalculationName, value: unknown) => {
    const answer = calculate(name, value);
    return answer.ok ? '' : `${answer.problems[0]!.path}: ${answer.problems[0]!.message}`;
  };
  expect(refused('retrieve', { ratio: 6, spoolDiameterMm: -34, turnsPerS: 1 })).toMatch(/^spoolDiameterMm: .*got -34$/);
  expect(refused('retrieve', { ratio: 6, spoolDiameterMm: 34 })).toMatch(/^turnsPerS: .*neither/);
  expect(refused('countdown', { form: 'brick', massG: 1 })).toMatch(/^form: expected a form: jig/);
  expect(refused('coverage', 'much')).toMatch(/a bank with how it is fished/);
  expect(refused('parallel-offset', { depthM: 2, bankSlopeDeg: 95 })).toMatch(/^bankSlopeDeg/);
});
