import { SOUND } from '../testing/tide-station.js';
import { Conditions } from '../contract/conditions.js';
import { makePlan } from '../plan/make-plan.js';
import { calculateTide, tideDay } from './day.js';

const PLACE = { latitude: 30.2, longitude: -88.1, timeZone: 'America/Chicago' };

it('of a coast with hardly a difference between springs and neaps stays within what conditions take', () => {
  const station = {
    ...SOUND,
    constituents: [
      { name: 'M2', amplitudeM: 0.4, phaseDeg: 0 },
      { name: 'N2', amplitudeM: 0.3, phaseDeg: 90 },
      { name: 'S2', amplitudeM: 0.001, phaseDeg: 30 },
    ],
  };
  for (let date = 1; date <= 28; date++) {
    const { springShare } = tideDay(station, `2027-03-${String(date).padStart(2, '0')}`, 'UTC');
    expect(springShare).toBeGreaterThanOrEqual(-2);
    expect(springShare).toBeLessThanOrEqual(3);
  }
});

describe('the tide of a day', () => {
  it('goes from midnight to midnight in quarter hours, and turns where its levels do', () => {
    const { levels, turns, rangeM } = tideDay(SOUND, '2027-06-18', PLACE.timeZone);
    expect(levels).toHaveLength(96);
    expect([levels[0]!.at, levels.at(-1)!.at]).toEqual(['00:00', '23:45']);
    const highest = levels.reduce((a, b) => (b.levelM > a.levelM ? b : a));
    const high = turns.filter(({ kind }) => kind === 'high').reduce((a, b) => (b.levelM > a.levelM ? b : a));
    const [hour, minute] = highest.at.split(':').map(Number) as [number, number];
    expect(Math.abs(hour * 60 + minute - high.minute)).toBeLessThanOrEqual(15);
    expect(rangeM).toBeGreaterThan(0.5);
  });

  it('tells springs near new and full moon, neaps near the quarters', () => {
    // Full moon on 19 June 2027, last quarter on the 27th; the tide follows by a day or two.
    const share = (date: string) => tideDay(SOUND, date, PLACE.timeZone).springShare;
    expect(share('2027-06-20')).toBeGreaterThan(0.6);
    expect(share('2027-06-28')).toBeLessThan(0.45);
  });

  it('is taken by conditions as it stands, over midnight too', () => {
    const { levels } = tideDay(SOUND, '2027-06-18', PLACE.timeZone, { fromMin: 18 * 60, toMin: 30 * 60 });
    expect([levels[0]!.at, levels.at(-1)!.at]).toEqual(['18:00', '06:00']);
    const plan = makePlan(
      Conditions.parse({
        discipline: 'inshore',
        date: '2027-06-18',
        window: { from: '19:00', to: '05:00' },
        place: PLACE,
        surfaceTempC: 28,
        hourlyTide: levels,
      }),
    );
    expect(plan.windows.some(({ night }) => night)).toBe(true);
    expect(plan.assumed.map(({ path }) => path)).not.toContain('hourlyTide');
  });

  it('keeps its instants on the day that clocks go forward', () => {
    const { levels, turns } = tideDay(SOUND, '2027-03-14', PLACE.timeZone);
    expect(levels).toHaveLength(96);
    expect(turns.length).toBeGreaterThanOrEqual(3);
  });
});

describe('a tide that is asked for', () => {
  const asked = { station: SOUND, date: '2027-06-18', timeZone: PLACE.timeZone };
  const withPart = (part: object) => ({ ...asked, station: { ...SOUND, constituents: [part] } });

  it('is worked out', () => {
    const answer = calculateTide(asked);
    expect(answer.ok && answer.value.levels).toEqual(tideDay(SOUND, asked.date, asked.timeZone).levels);
    const written = withPart({ name: 'msf', amplitudeM: 0.1, phaseDeg: 0 });
    expect(calculateTide(written).ok).toBe(true);
  });

  it.each([
    [
      'an unknown constituent',
      withPart({ name: 'Q99X', amplitudeM: 1, phaseDeg: 0 }),
      /constituent, as M2, got "Q99X"/,
    ],
    ['a phase over 360', withPart({ name: 'M2', amplitudeM: 1, phaseDeg: 400 }), /phase in degrees from -360 to 360/],
    ['a range in feet', withPart({ name: 'M2', amplitudeM: 15, phaseDeg: 10 }), /Are they in feet\?/],
    [
      'one twice',
      { ...asked, station: { ...SOUND, constituents: [...SOUND.constituents, SOUND.constituents[0]] } },
      /once/,
    ],
    [
      'highs and lows out of order',
      {
        ...asked,
        station: { ...SOUND, constituents: [], turns: [9, 5].map((h) => ({ atMs: h * 3_600_000, levelM: h / 10 })) },
      },
      /in the order of their times/,
    ],
    [
      'one high alone',
      { ...asked, station: { ...SOUND, constituents: [], turns: [{ atMs: 0, levelM: 1 }] } },
      /from 2 to 6000/,
    ],
    ['no constituents at all', { ...asked, station: { ...SOUND, constituents: [] } }, /at least one constituent/],
    ['a day in 1500', { ...asked, date: '1500-06-18' }, /a date/],
    ['an end before the beginning', { ...asked, fromMin: 600, toMin: 500 }, /an end after the beginning/],
  ])('is refused in one sentence for %s', (_, value, sentence) => {
    const answer = calculateTide(value);
    expect(answer.ok).toBe(false);
    if (answer.ok) return;
    expect(answer.problems).toHaveLength(1);
    expect(answer.problems[0]?.message).toMatch(sentence);
  });
});
