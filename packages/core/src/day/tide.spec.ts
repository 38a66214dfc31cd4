import { tideAboveM } from './tide';

const at = (stage: 'rising' | 'falling' | 'high-slack' | 'low-slack', hoursIntoStage: number, minutesLater = 0) =>
  tideAboveM({ stage, hoursIntoStage, rangeM: 2 }, minutesLater);

it('stands highest at high slack, lowest at low slack, and half a tide lies between', () => {
  expect(at('high-slack', 0)).toBe(1);
  expect(at('low-slack', 0)).toBe(-1);
  expect(at('high-slack', 0, 372.6)).toBeCloseTo(-1);
  expect(at('falling', 3.105)).toBeCloseTo(0);
  expect(at('rising', 3.105)).toBeCloseTo(0);
});

it('goes on over the slack: what falls now rises later', () => {
  expect(at('falling', 5, 60)).toBeLessThan(at('falling', 5, 0));
  expect(at('falling', 5, 180)).toBeGreaterThan(at('falling', 5, 75));
});

it('moves by twelfths: one, two, three, three, two and one in the six parts of a tide', () => {
  const parts = Array.from({ length: 7 }, (_, part) => at('rising', 0, (part * 372.6) / 6));
  const moved = parts.slice(1).map((height, part) => ((height - (parts[part] as number)) / 2) * 12);
  [1, 2, 3, 3, 2, 1].forEach((twelfths, part) =>
    expect(Math.abs((moved[part] as number) - twelfths)).toBeLessThan(0.25),
  );
});

it('of no range told does not move the water', () => {
  expect(tideAboveM({ stage: 'falling', hoursIntoStage: 2 }, 100)).toBeCloseTo(0, 12);
});
