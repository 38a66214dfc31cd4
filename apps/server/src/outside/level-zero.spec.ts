import { onKnownZero } from './level-zero.js';

const days = (from: number, ...levels: (number | null)[]) =>
  levels.map((levelM, at) => ({ date: `2027-03-${10 + from + at}`, levelM, inflowM3s: null, turbidityNtu: null }));
const levels = (of: ReturnType<typeof onKnownZero>) => of.map(({ levelM }) => levelM && Math.round(levelM * 100) / 100);

it('goes on from the level that is known, whatever the new figures count from', () => {
  const known = days(0, 0.2, 0.5, 0.9, 1.2);
  expect(levels(onKnownZero(days(2, -0.3, 0, null, 0.6), known))).toEqual([0.9, 1.2, null, 1.8]);
});

it('leaves figures as they are where no day is known', () => {
  expect(levels(onKnownZero(days(2, -0.3, 0), days(2, null, null)))).toEqual([-0.3, 0]);
});
