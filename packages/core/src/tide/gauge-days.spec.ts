import { LevelDay, levelDays, levelsOfColumn, levelsOfDays, TideGaugeColumn } from './gauge-days.js';

const BEGIN = Date.parse('2027-03-10T23:30:00Z');
const QUARTER_MS = 900_000;

it('brings levels to days of quarter hours, the mean about each, and back', () => {
  const sixMinutes = Array.from({ length: 20 }, (_, at) => ({ atMs: BEGIN + at * 360_000, levelM: at }));
  const days = levelDays(sixMinutes);
  expect(days.map(({ date }) => date)).toEqual(['2027-03-10', '2027-03-11']);
  days.forEach((day) => expect(LevelDay.parse(day)).toEqual(day));
  // Of 23:30 and 23:36, and of 23:42 and 23:48; 23:54 is nearer to midnight.
  expect(days[0]!.quarterM.slice(94)).toEqual([0.5, 2.5]);
  const back = levelsOfDays(days);
  expect(back[0]).toEqual({ atMs: BEGIN, levelM: 0.5 });
  expect(back.every(({ atMs }, at) => at === 0 || atMs > back[at - 1]!.atMs)).toBe(true);
  expect(levelsOfDays(levelDays(back))).toEqual(back);
});

it('reads a column in even steps, and leaves silence out', () => {
  const column = TideGaugeColumn.parse({
    source: 'a gauge',
    issuedAt: '2027-03-11T00:00:00Z',
    firstAt: '2027-03-10T23:30:00Z',
    stepMin: 15,
    levelM: [1, null, 2],
  });
  expect(levelsOfColumn(column)).toEqual([
    { atMs: BEGIN, levelM: 1 },
    { atMs: BEGIN + 2 * QUARTER_MS, levelM: 2 },
  ]);
  expect(TideGaugeColumn.safeParse({ ...column, levelM: 'high' }).success).toBe(false);
});
