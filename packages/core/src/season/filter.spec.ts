import fc from 'fast-check';
import { dateOf, dayNumber, localTimes, yearDayOf } from '../day/calendar.js';
import { comingPhase } from './coming.js';
import { followPhases, likeliest, phasesOn, phaseSpans, stepPhases } from './phase-filter.js';
import { alignYears } from './align.js';
import { yearLowsC } from './year-low.js';

const FIRST = dayNumber('2026-01-01');
/** A smooth year from 5 to 27 degrees, so many days late. */
const year = (days = 365, late = 0) =>
  Float32Array.from({ length: days }, (_, at) => 16 - 11 * Math.cos(((at - 28 - late) / 365.25) * 2 * Math.PI));
const follow = (surfaceC: Float32Array, sd = 0.4, discipline: 'bass' | 'inshore' = 'bass') =>
  followPhases({
    discipline,
    place: { latitude: 36, longitude: -88, timeZone: 'UTC' },
    firstDay: FIRST,
    surfaceC,
    sdC: new Float32Array(surfaceC.length).fill(sd),
    yearLowC: new Float32Array(surfaceC.length).fill(5),
    from: 0,
  });
const phaseOn = (course: ReturnType<typeof follow>, date: string) =>
  course.phases[likeliest(phasesOn(course, dayNumber(date)))];

describe('phases over a year', () => {
  it('come in their order, each once', () => {
    expect(phaseSpans(follow(year())).map(({ phase }) => phase)).toEqual([
      'winter',
      'staging',
      'pre-spawn',
      'spawn',
      'post-spawn',
      'summer',
      'early-fall',
      'fall',
      'late-fall',
      'winter',
    ]);
    expect(phaseSpans(follow(year(), 0.4, 'inshore')).map(({ phase }) => phase)).toEqual([
      'winter-refuge',
      'spring-rise',
      'summer-heat',
      'fall-run',
      'winter-refuge',
    ]);
  });

  it('do not go back from the beds to winter for a cold night, nor for three', () => {
    const cold = year();
    const at = dayNumber('2026-05-01') - FIRST;
    expect(phaseOn(follow(year()), '2026-05-01')).toBe('spawn');
    for (let day = at; day < at + 3; day++) cold[day] = cold[day]! - 7;
    for (const date of ['2026-05-01', '2026-05-02', '2026-05-03', '2026-05-08']) {
      expect(['spawn', 'pre-spawn', 'post-spawn']).toContain(phaseOn(follow(cold), date));
    }
  });

  it('are told apart at one temperature by its way: 16 C in April and in October', () => {
    const course = follow(year());
    const temps = year();
    const [april, october] = [
      temps.findIndex((c) => c >= 16),
      temps.length - 1 - [...temps].reverse().findIndex((c) => c >= 16),
    ];
    expect(phaseOn(course, dateOf(FIRST + april))).toBe('spawn');
    expect(phaseOn(course, dateOf(FIRST + october))).toBe('fall');
  });

  it('are doubted where the temperature is', () => {
    const date = dayNumber('2026-04-15');
    const most = (sd: number) => Math.max(...phasesOn(follow(year(), sd), date));
    expect(most(3)).toBeLessThan(most(0.3));
  });

  it('sum to one on every day, whatever the water does', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0, max: 35, noNaN: true }), { minLength: 5, maxLength: 60 }), (temps) => {
        const { probabilities, phases } = follow(Float32Array.from(temps), 1);
        for (let day = 0; day < temps.length; day++) {
          const own = probabilities.subarray(day * phases.length, (day + 1) * phases.length);
          expect(own.reduce((sum, p) => sum + p, 0)).toBeCloseTo(1, 4);
          expect(own.every((p) => p >= 0)).toBe(true);
        }
      }),
      { numRuns: 40 },
    );
  });

  it('step along the ring: most stay, some go on, few go back', () => {
    const next = new Float64Array(5);
    stepPhases(Float64Array.from([0, 1, 0, 0, 0]), next);
    expect(next[1]).toBeGreaterThan(0.9);
    expect(next[2]).toBeGreaterThan(next[0]! * 3);
    expect(next.reduce((sum, p) => sum + p, 0)).toBeCloseTo(1, 9);
  });

  it('give a day outside the course no opinion', () => {
    expect(new Set(phasesOn(follow(year(30)), FIRST + 400))).toEqual(new Set([1 / 9]));
  });
});

describe('what is coming', () => {
  it('is a range from the warm edge to the cool one, about the likely day', () => {
    const today = dayNumber('2026-04-08');
    const [warm, likely, cool] = [-8, 0, 8].map((late) => follow(year(365, late)));
    const coming = comingPhase(likely!, [warm!, cool!], today);
    expect(coming.phase).toBe('spawn');
    expect(coming.earliest).toBeLessThanOrEqual(coming.likely!);
    expect(coming.latest).toBeGreaterThanOrEqual(coming.likely!);
    expect(coming.earliest).toBeGreaterThan(today);
  });
  it('has no end where the cool edge does not get there', () => {
    const today = dayNumber('2026-04-08');
    const never = follow(Float32Array.from(year(), (tempC, at) => (at > today - FIRST ? 11 : tempC)));
    expect(comingPhase(follow(year()), [follow(year(365, -8)), never], today).latest).toBeNull();
  });
});

describe('the low of the year', () => {
  it('is the coldest five days of the past three hundred, not one cold night', () => {
    const temps = year(400);
    temps[40] = 0;
    const lows = yearLowsC(temps, 4);
    expect(lows[399]).toBeGreaterThan(4);
    expect(lows[399]).toBeLessThan(5.2);
  });
  it('is what is usual until enough is known', () => {
    expect(yearLowsC(Float32Array.from([12, 12, 12]), 4)[2]).toBe(4);
    expect(yearLowsC(Float32Array.from([2, 2, 2]), 4)[2]).toBe(2);
  });
});

describe('two years laid along one another', () => {
  it('finds by how many days one is ahead', () => {
    const [now, then] = [year(200, -12), year(200, 0)];
    const at = alignYears(now, then);
    const lag = at.slice(80, 170).reduce((sum, day, index) => sum + day - (index + 80), 0) / 90;
    expect(lag).toBeGreaterThan(8);
    expect(lag).toBeLessThan(16);
  });
  it('never runs backwards', () => {
    const at = alignYears(year(150, 5), year(150));
    at.forEach((day, index) => index && expect(day).toBeGreaterThanOrEqual(at[index - 1]! - 1e-9));
  });
});

describe('days', () => {
  it.each(['1999-12-31', '2024-02-29', '2027-03-13'])('%s is counted and named', (date) => {
    expect(dateOf(dayNumber(date))).toBe(date);
  });
  it('knows the day of the year', () => {
    expect([yearDayOf(dayNumber('2027-01-01')), yearDayOf(dayNumber('2024-12-31'))]).toEqual([1, 366]);
  });
  it.each([
    ['2027-03-14T07:59:00Z', '2027-03-14', 1.983],
    ['2027-03-14T08:01:00Z', '2027-03-14', 3.016],
    ['2027-11-07T07:30:00Z', '2027-11-07', 1.5],
    ['2027-07-01T03:00:00Z', '2027-06-30', 22],
  ])('the clock in Chicago at %s', (instant, date, hour) => {
    const local = localTimes('America/Chicago')(Date.parse(instant));
    expect(dateOf(local.day)).toBe(date);
    expect(local.hour).toBeCloseTo(hour, 2);
  });
});
