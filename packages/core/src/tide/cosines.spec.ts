import { type Cosine, turnsOf, withoutRipples } from './cosines.js';

const cosine = (amplitudeM: number, periodH: number, phase = 0): Cosine => ({
  amplitudeM,
  speedPerHour: (2 * Math.PI) / periodH,
  phase,
});

describe('turns of a sum of cosines', () => {
  it('of one stand at its halves', () => {
    const turns = turnsOf([cosine(1.2, 12)], 1, 25);
    expect(turns.map(({ isHigh }) => isHigh)).toEqual([false, true, false, true]);
    turns.forEach(({ hour, levelM, isHigh }, at) => {
      expect(hour).toBeCloseTo(6 + at * 6, 4);
      expect(levelM).toBeCloseTo(isHigh ? 1.2 : -1.2, 9);
    });
  });

  it('are those that a look at every minute of a month finds', () => {
    const cosines = [cosine(0.5, 12.42, 1), cosine(0.2, 12, 2), cosine(0.3, 25.82, 4), cosine(0.08, 6.21, 0.5)];
    const level = (minute: number) =>
      cosines.reduce(
        (sum, { amplitudeM, speedPerHour, phase }) => sum + amplitudeM * Math.cos((speedPerHour * minute) / 60 + phase),
        0,
      );
    const lookedAt = Array.from({ length: 30 * 1440 - 2 }, (_, at) => at + 1).filter(
      (minute) => (level(minute) - level(minute - 1)) * (level(minute + 1) - level(minute)) < 0,
    );
    const looked = withoutRipples(lookedAt.map((minute) => ({ minute, levelM: level(minute) })));
    const turns = withoutRipples(turnsOf(cosines, 0, 30 * 24));
    expect(turns).toHaveLength(looked.length);
    turns.forEach(({ hour }, at) => expect(Math.abs(hour * 60 - looked[at]!.minute)).toBeLessThan(1.01));
  });

  it('of no water, and of no time, are none', () => {
    expect(turnsOf([], 0, 24)).toEqual([]);
    expect(turnsOf([{ amplitudeM: 1, speedPerHour: 0, phase: 0 }], 0, 24)).toEqual([]);
    expect(turnsOf([cosine(1, 12)], 5, 5)).toEqual([]);
  });
});

it('lets a ripple go with the neighbour that says less, and keeps the kinds in turn', () => {
  const levels = [0, 1, 0.994, 1.02, 0, 0.9];
  expect(withoutRipples(levels.map((levelM) => ({ levelM }))).map(({ levelM }) => levelM)).toEqual([0, 1.02, 0, 0.9]);
});
