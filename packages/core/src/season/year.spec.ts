import { DEEP, LAKE, MIDDLE, plainWeather, reading, SHALLOW } from '../testing/lake.js';
import type { GaugeDay } from '../contract/outside.js';
import type { Reading } from '../contract/records.js';
import { moonMarks } from '../day/moon.js';
import { dateOf, dayNumber } from '../day/calendar.js';
import { sayComing, sayDay, sayDays, seasonAnswer } from './answer/index.js';
import { frontFacts, gaugeFacts } from './fronts.js';
import { conditionsOn, phaseOn, phaseShares } from './plan-day.js';
import { seasonYear, type SeasonInput } from './year.js';

const NOW = '2027-03-13T14:00:00Z';
const season = (more: Partial<SeasonInput> = {}) =>
  seasonYear({ water: LAKE, readings: [], weather: [], gauge: [], now: NOW, units: 'us', ...more });
const WEATHER = [...plainWeather('2025-10-01', '2027-03-13'), ...plainWeather('2027-03-14', '2027-03-23', 'forecast')];

describe('the season of a water', () => {
  it('is that of the latitude with no reading and no weather, says so, and doubts widely', () => {
    const year = season();
    expect(year.notes.join(' ')).toContain('No reading yet');
    expect(year.notes.join(' ')).toContain('No weather is known');
    expect(year.forecastTo).toBeNull();
    for (const zone of year.zones) {
      expect(zone.sdC[year.today - year.firstDay]).toBeGreaterThan(1.2);
      expect(['winter', 'staging', 'pre-spawn']).toContain(phaseOn(zone, year.today));
    }
  });

  it('has wide doubt with one reading, and less with many', () => {
    const one = season({ readings: [reading('2027-03-10', 9, MIDDLE)] });
    const many = season({
      weather: WEATHER,
      readings: Array.from({ length: 40 }, (_, at) =>
        reading(dateOf(dayNumber('2027-03-12') - at * 2), 9 - at * 0.05, MIDDLE),
      ),
    });
    const sd = (year: typeof one) => year.zones[1]!.sdC[year.today - year.firstDay]!;
    expect(one.notes.join(' ')).toContain('One reading only');
    expect(sd(many)).toBeLessThan(sd(one));
    expect(many.notes.join(' ')).toContain('Too few readings to know Arm and Basin by');
    expect(many.forecastTo).toBe(dayNumber('2027-03-23'));
  });

  it('knows how far the doubts of its zones go together: wholly with itself, less the further they lie apart', () => {
    const year = season({ weather: WEATHER, readings: [reading('2027-02-20', 8, MIDDLE)] });
    const at = year.today - year.firstDay;
    const alike = (a: number, b: number) => year.zones[a]!.alike[b]![at]!;
    for (const a of year.zones.keys()) {
      expect(alike(a, a)).toBeCloseTo(1, 4);
      for (const b of year.zones.keys()) {
        expect(alike(a, b)).toBeCloseTo(alike(b, a), 4);
        expect(Math.abs(alike(a, b))).toBeLessThanOrEqual(1);
      }
    }
    expect(alike(0, 1)).toBeGreaterThan(alike(0, 2));
  });

  it('has the arm ahead and the basin behind in spring', () => {
    const year = season({ weather: WEATHER });
    const at = year.today - year.firstDay;
    expect(year.zones[0]!.surfaceC[at]).toBeGreaterThan(year.zones[2]!.surfaceC[at]!);
  });

  it('takes a water without zones as one, and one south of the equator half a year later', () => {
    const { zones: _, ...plain } = LAKE;
    const south = { ...plain, place: { ...plain.place, latitude: -36, timeZone: 'UTC' } };
    const year = season({ water: south });
    expect(year.zones).toHaveLength(1);
    expect(['summer', 'early-fall']).toContain(phaseOn(year.zones[0]!, year.today));
    expect(year.notes.join(' ')).toContain('no zones yet');
  });

  it('takes ten years of readings', () => {
    const readings = Array.from({ length: 3650 }, (_, at) => {
      const day = dayNumber('2027-03-12') - at;
      return reading(dateOf(day), 16 - 11 * Math.cos(((day - dayNumber('2026-01-28')) / 365.25) * 2 * Math.PI), MIDDLE);
    });
    const year = season({ readings, weather: WEATHER });
    expect(year.zones[1]!.recorded).toBe(3650);
    expect(year.zones[1]!.readings.length).toBeLessThan(300);
    expect(year.zones[1]!.lastYear).not.toBeNull();
  });

  it('draws suspects and odd ones apart, and leaves suspects out', () => {
    const suspect = reading('2027-03-10', 30, MIDDLE, { suspect: true });
    const year = season({ readings: [suspect, reading('2027-03-11', 9, MIDDLE)], weather: WEATHER });
    expect(year.zones[1]!.readings.map(({ doubt }) => doubt).sort()).toEqual([null, 'suspect']);
    expect(year.zones[1]!.surfaceC[year.today - year.firstDay]).toBeLessThan(13);
  });

  it('sees the basin turn over in the fall, after it floated all summer', () => {
    const { zones, firstDay } = season({
      now: '2026-12-20T14:00:00Z',
      weather: plainWeather('2025-06-01', '2026-12-20'),
      readings: [reading('2026-07-20', 27, DEEP), reading('2026-09-20', 23, DEEP)],
    });
    const { turnover } = zones[2]!;
    expect(zones[0]!.turnover).toBeNull();
    expect(dateOf(turnover!.from) > '2026-08-20').toBe(true);
    expect(dateOf(turnover!.to) < '2026-12-15').toBe(true);
    expect(zones[2]!.overlays.turnover[turnover!.from + 3 - firstDay]).toBeGreaterThan(0.5);
  });

  it('knows the thermocline of a fresh profile, and none of an old one', () => {
    const profile = [0, 3, 6, 9].map((depthM) => ({ depthM, tempC: depthM < 5 ? 26 : 14 }));
    const at = (date: string) =>
      season({ now: '2026-08-01T18:00:00Z', readings: [reading(date, 26, DEEP, { profile })] }).zones[2]!.thermoclineM;
    expect(at('2026-07-25')).toBe(4.5);
    expect(at('2026-05-25')).toBeNull();
  });

  it('lays last year along this one, and says by how much it is ahead', () => {
    const warm = plainWeather('2026-12-15', '2027-03-13', 'observed', 3);
    const usual = plainWeather('2025-06-01', '2026-12-14');
    const { lastYear } = season({ weather: [...usual, ...warm] }).zones[0]!;
    expect(lastYear!.aheadDays).toBeGreaterThan(2);
  });

  it('has bands of food in their order, from the rules', () => {
    const year = season({ weather: WEATHER });
    const shad = year.zones[1]!.food.filter(({ kind }) => kind === 'shad').map(({ stage }) => stage);
    expect(shad.indexOf('off points')).toBeLessThan(shad.indexOf('creek run'));
    expect(shad).toContain('spawn');
    expect(year.zones[1]!.food.some(({ kind, stage }) => kind === 'crayfish' && stage === 'moulting')).toBe(true);
    for (const { from, to, activity } of year.zones[1]!.food) {
      expect(from).toBeLessThanOrEqual(to);
      expect(activity).toBeLessThanOrEqual(1);
    }
  });

  it('has inshore food by temperature', () => {
    const year = season({ water: { ...LAKE, discipline: 'inshore', waterKind: 'estuary' } });
    expect(new Set(year.zones[1]!.food.map(({ kind }) => kind))).toEqual(
      new Set(['shrimp', 'mullet', 'menhaden', 'crab', 'pinfish']),
    );
  });
});

describe('the answer', () => {
  it('says what, where it is ahead and behind, and what is coming', () => {
    const spring: Reading[] = [
      ...['01', '05', '09', '12'].map((day, at) => reading(`2027-03-${day}`, 10.5 + at, SHALLOW)),
      ...['01', '05', '09', '12'].map((day, at) => reading(`2027-03-${day}`, 5.8 + at * 0.1, DEEP)),
      reading('2027-03-12', 9.3, MIDDLE),
    ];
    const words = seasonAnswer(season({ readings: spring, weather: WEATHER }), 'Test lake');
    expect(words).toMatch(/^[A-Z].* in .*Middle/);
    expect(words).toMatch(/Arm.*(ahead, already in|in)/);
    expect(words).toContain('Basin');
    expect(words).toMatch(/should reach .* (March|April|May)/);
  });
  it('says one thing of a water that is all alike', () => {
    expect(seasonAnswer(season({ now: '2027-07-20T14:00:00Z' }), 'Test lake')).toMatch(/^Summer all over Test lake\./);
  });
  it('tells days as one says them', () => {
    const day = dayNumber('2027-03-28');
    expect(sayDay(day)).toBe('28 March');
    expect(sayDays(day, day + 2)).toBe('28 to 30 March');
    expect(sayDays(day, day + 7)).toBe('28 March to 4 April');
    expect(sayDays(day, day)).toBe('28 March');
  });
  it.each([
    [{ earliest: 20_900, likely: 20_904, latest: 20_910 }, 'between 23 March and 2 April, likely 27 March'],
    [{ earliest: 20_900, likely: 20_901, latest: 20_901 }, 'about 24 March'],
    [{ earliest: 20_900, likely: null, latest: null }, 'on 23 March at the earliest'],
    [{ earliest: null, likely: null, latest: null }, null],
  ])('tells what is coming: %j', (dates, words) => {
    const zone = { ...season().zones[0]!, coming: { phase: 'spawn' as const, ...dates } };
    const said = sayComing(zone, dayNumber('2027-03-13'));
    if (words === null) expect(said).toBeNull();
    else expect(said).toBe(`spawn ${words}`);
  });
});

describe('planning a day of the season', () => {
  it('takes the figures of the zone and the weather of the day', () => {
    const year = season({ weather: WEATHER });
    const zone = year.zones[0]!;
    const soon = conditionsOn(year, zone, year.today + 2, WEATHER);
    expect(soon).toMatchObject({
      date: '2027-03-15',
      windMps: 3,
      windFromDeg: 200,
      sky: 'partly-cloudy',
      front: 'stable',
    });
    expect(soon.surfaceTempC).toBeCloseTo(zone.surfaceC[year.today + 2 - year.firstDay]!, 1);
    const later = conditionsOn(year, zone, year.today + 60, WEATHER);
    expect(later.sky).toBeUndefined();
    // A day two years on is as the same time of the year that is known, and keeps its own date.
    const far = conditionsOn(year, zone, year.today + 2 * 365, WEATHER);
    expect(far).toMatchObject({ date: '2029-03-12' });
    expect(far.surfaceTempC).toBeCloseTo(zone.surfaceC[year.today - year.firstDay]!, 1);
    const before = conditionsOn(year, zone, year.firstDay - 30, WEATHER);
    expect(before.surfaceTempC).toBeCloseTo(zone.surfaceC[335]!, 1);
    expect(phaseShares(zone, year.today).reduce((sum, { probability }) => sum + probability, 0)).toBeGreaterThan(0.9);
  });
});

describe('fronts and gauge', () => {
  const cold = plainWeather('2027-03-01', '2027-03-10').map((day) =>
    day.date === '2027-03-06' ? { ...day, airTempC: day.airTempC - 9, pressureHpa: 1027 } : day,
  );
  const weather = new Map(cold.map((day) => [day.date, day]));
  it('a front is coming the day before, there on its day, and wears off', () => {
    const on = (date: string) => frontFacts(weather, dayNumber(date));
    expect(on('2027-03-05')['front:approaching']).toBeGreaterThan(0.5);
    expect(on('2027-03-06')['front:post-frontal']).toBe(1);
    expect(on('2027-03-08')['front:post-frontal']).toBeLessThan(0.5);
    expect(on('2027-03-10')['front:post-frontal']).toBe(0);
  });
  it('a gauge tells of rising and dirty water', () => {
    const gauge = new Map<string, GaugeDay>();
    for (let day = dayNumber('2027-02-01'); day <= dayNumber('2027-03-10'); day++) {
      const flood = day >= dayNumber('2027-03-09');
      gauge.set(dateOf(day), {
        date: dateOf(day),
        levelM: flood ? 0.5 : 0,
        inflowM3s: 9,
        turbidityNtu: flood ? 60 : 4,
      });
    }
    expect(gaugeFacts(gauge, dayNumber('2027-03-09'))).toMatchObject({ 'level:rising': 1 });
    expect(gaugeFacts(gauge, dayNumber('2027-03-09')).relativeClarity).toBeLessThan(0.3);
    expect(gaugeFacts(gauge, dayNumber('2027-03-08'))).toMatchObject({ 'level:rising': 0 });
    expect(gaugeFacts(gauge, dayNumber('2028-01-01'))).toEqual({});
  });
});

describe('the moon', () => {
  it('is new and full by turns, a fortnight apart', () => {
    const marks = moonMarks(dayNumber('2027-01-01'), dayNumber('2027-12-31'));
    expect(marks.length).toBeGreaterThanOrEqual(24);
    marks.forEach(({ kind, day }, at) => {
      const before = marks[at - 1];
      if (!before) return;
      expect(kind).not.toBe(before.kind);
      expect(Math.abs(day - before.day - 14.77)).toBeLessThan(2.3);
    });
    // Full moon of March 2027: the 22nd, by the independent ephemeris of the sun and moon fixture's year.
    expect(marks.filter(({ kind }) => kind === 'full').map(({ day }) => dateOf(day))).toContain('2027-03-22');
  });
});
