import { Conditions, planDay, type PlanWindow } from '@inky-shoal/core';
import { pictureOf, describe as inWords } from './chart/picture';
import { compassOf, degreesOf, sayClock, sayHours, sayList, sayTrend, sayWind, windowName } from './words';

describe('words', () => {
  it.each([
    ['00:05', '12:05 am'],
    ['06:00', '6 am'],
    ['12:30', '12:30 pm'],
    ['18:45', '6:45 pm'],
  ])('%s is %s', (clock, words) => expect(sayClock(clock)).toBe(words));

  it('says hours with one am or pm where one is enough', () => {
    expect(sayHours('06:00', '08:30')).toBe('6 to 8:30 am');
    expect(sayHours('11:00', '15:00')).toBe('11 am to 3 pm');
    expect(sayHours('22:00', '01:30')).toBe('10 pm to 1:30 am');
    expect(sayHours('06:00', '05:00')).toBe('6 am to 5 am');
  });

  it('says winds, trends and lists', () => {
    expect(sayWind(3.6, 225, 'us')).toBe('SW 8 mph');
    expect(sayWind(0.1, 225, 'us')).toBe('calm');
    expect(sayWind(3, undefined, 'metric')).toBe('3 m/s');
    expect(sayTrend(0.3, 'us')).toBe('up 0.5 °F a day');
    expect(sayTrend(-0.3, 'metric')).toBe('down 0.3 °C a day');
    expect(sayTrend(0.01, 'us')).toBe('steady');
    expect(sayList(['secondary-point', 'flat', 'ditch', 'pocket'])).toBe('secondary point, flat, ditch and 1 more');
    expect(compassOf(degreesOf('SW'))).toBe('SW');
    expect(compassOf(359)).toBe('N');
  });

  const window = (light: PlanWindow['light'], from: string, to: string): PlanWindow => ({
    id: from,
    from,
    to,
    light,
    night: false,
    tide: null,
    holding: [],
    presentations: [],
  });

  it('names windows by light and by their place in the day', () => {
    const day = [
      window('low', '05:30', '07:00'),
      window('rising', '07:00', '10:00'),
      window('high', '10:00', '15:00'),
      window('falling', '15:00', '18:00'),
      window('low', '18:00', '19:00'),
    ];
    expect(day.map((each) => windowName(each, day))).toEqual([
      'First light',
      'Morning',
      'High sun',
      'Afternoon',
      'Last light',
    ]);
  });

  it('names the night, with last light before it and first light after', () => {
    const hours = [
      window('low', '19:30', '21:00'),
      { ...window('low', '21:00', '04:30'), night: true },
      window('low', '04:30', '06:00'),
    ];
    expect(hours.map((each) => windowName(each, hours))).toEqual(['Last light', 'Night', 'First light']);
  });
});

describe('the picture', () => {
  const conditions = Conditions.parse({
    discipline: 'bass',
    date: '2027-03-13',
    place: { latitude: 35.9, longitude: -88.4, timeZone: 'America/Chicago' },
    surfaceTempC: 11,
    maxDepthM: 4,
    visibilityM: 2,
  });
  const day = planDay(conditions);

  it('is in the units of the user, and holds every stroke and the whole band', () => {
    const [us, metric] = [pictureOf(day, 'us'), pictureOf(day, 'metric')];
    expect(us.groups[0]?.band[0]?.low).toBeCloseTo((metric.groups[0]?.band[0]?.low ?? 0) / 0.3048, 6);
    for (const picture of [us, metric]) {
      for (const { band } of picture.groups) {
        for (const { low, share } of band) if (share >= 0.12) expect(low).toBeLessThanOrEqual(picture.deepest);
      }
      expect(picture.strokes.filter(({ first }) => first)).toHaveLength(day.plan.windows.length);
      expect(picture.bottom).not.toBeNull();
    }
  });

  it('draws lines of equal light deeper at noon than at dawn, brighter ones above darker ones', () => {
    const { isolights, minutes } = pictureOf(day, 'metric');
    const noon = minutes.findIndex((minute) => minute >= 720);
    for (const line of isolights) expect(line[noon]).toBeGreaterThanOrEqual(line[0] ?? 0);
    isolights.slice(1).forEach((line, index) => expect(line[noon]).toBeGreaterThan(isolights[index]?.[noon] ?? 0));
  });

  it('holds two groups of fish and more where there are as many, each at its own depth all day', () => {
    const { groups, minutes } = pictureOf(day, 'metric');
    const seen = groups.filter(({ band }) => band.some(({ share }) => share > 0.15));
    expect(seen.length).toBeGreaterThanOrEqual(2);
    for (const { band } of groups) {
      expect(band.map(({ x }) => x)).toEqual(minutes);
      for (const { top, low } of band) expect(top).toBeLessThanOrEqual(low);
    }
    const noon = minutes.findIndex((minute) => minute >= 720);
    const shares = groups.reduce((sum, { band }) => sum + (band[noon]?.share ?? 0), 0);
    expect(shares).toBeGreaterThan(0.9);
    expect(shares).toBeLessThanOrEqual(1 + 1e-9);
  });

  it('is told in words, window by window', () => {
    expect(inWords(day, 'us').split('. ')).toHaveLength(day.plan.windows.length);
    expect(inWords(day, 'us')).toContain('fish at');
  });
});
