import { Conditions } from '../contract/conditions.js';
import { planDay } from '../plan/make-plan.js';
import { dayTide } from './tide.js';
import { clockOf } from './windows.js';

/** A tide that is high at a minute of the day, in quarter hours from an hour on. */
const levels = (highMin: number, fromMin = 0, rangeM = 0.8) =>
  Array.from({ length: 92 }, (_, index) => {
    const minute = fromMin + index * 15;
    return { at: clockOf(minute), levelM: (rangeM / 2) * Math.cos(((minute - highMin) / 372.6) * Math.PI) };
  });

describe('the tide of a day by its levels', () => {
  it('turns at its highest and its lowest, over midnight as well', () => {
    const turns = (from: number) => dayTide(levels(450, from)).turns.map(({ minute, kind }) => [kind, minute]);
    expect(turns(0)).toEqual([
      ['low', 75],
      ['high', 450],
      ['low', 825],
      ['high', 1200],
    ]);
    expect(turns(600)).toEqual([
      ['low', 825],
      ['high', 1200],
      ['low', 1575],
      ['high', 1935],
    ]);
  });

  it('turns in the middle of a stand, and not where it only begins or ends', () => {
    const at = (minute: number, levelM: number) => ({ at: clockOf(minute), levelM });
    const stood = [at(0, 0), at(60, 1), at(120, 1), at(180, 1), at(240, 0)];
    expect(dayTide(stood).turns).toEqual([{ minute: 120, levelM: 1, kind: 'high' }]);
  });
});

describe('a plan with the course of the tide', () => {
  const plan = (hourlyTide?: ReturnType<typeof levels>) =>
    planDay(
      Conditions.parse({
        discipline: 'inshore',
        date: '2027-06-18',
        window: { from: '06:00', to: '16:00' },
        place: { latitude: 30.1, longitude: -88.9, timeZone: 'America/Chicago' },
        surfaceTempC: 27,
        structures: ['drain-mouth', 'oyster-bar', 'grass-edge'],
        covers: ['oyster', 'submerged-grass'],
        hourlyTide,
      }),
    );

  it('parts its windows where the water turns, and says what the tide does in each', () => {
    const { plan: told, tide } = plan(levels(600));
    expect(tide?.turns.map(({ kind }) => kind)).toEqual(['low', 'high', 'low', 'high']);
    const bounds = told.windows.map(({ from }) => from);
    expect(bounds).toContain('10:00');
    for (const { tide: stage, to } of told.windows) {
      if (to <= '10:00') expect(['rising', 'low-slack', 'high-slack']).toContain(stage);
      else if (to <= '16:00') expect(['falling', 'high-slack', 'low-slack']).toContain(stage);
    }
    expect(told.windows.map(({ tide: stage }) => stage)).toEqual(expect.arrayContaining(['rising', 'falling']));
    expect(told.assumed.map(({ path }) => path)).not.toContain('tide');
  });

  it('has other places first on the fall than on the flood', () => {
    const first = (highMin: number) => plan(levels(highMin)).plan.windows.map(({ holding }) => holding[0]?.structure);
    // High at four in the afternoon: the whole day floods. High at six in the morning: it falls until noon.
    expect(first(360)).toContain('drain-mouth');
    expect(first(360)).not.toEqual(first(730));
  });

  it('tells no tide where none is known', () => {
    const { plan: told, tide } = plan();
    expect(tide).toBeNull();
    expect(told.windows.every(({ tide: stage }) => stage === null)).toBe(true);
  });
});
