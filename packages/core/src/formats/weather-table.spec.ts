import { readTable } from './table.js';
import { guessWeatherMapping, type WeatherMapping } from './weather-mapping.js';
import { dewPointC, readWeather } from './weather-table.js';
import type { UnitSystem } from '../units/units.js';

const NOW = '2027-03-13T14:00:00Z';
const context = { timeZone: 'America/Chicago', now: NOW };
const read = (text: string, units: UnitSystem = 'metric', change: Partial<WeatherMapping> = {}) => {
  const table = readTable(text);
  const mapping = { ...guessWeatherMapping(table, units), ...change };
  return { mapping, ...readWeather(table, mapping, context) };
};
const hourly = (titles: string, row: string, day = '2027-03-01') =>
  [titles, ...Array.from({ length: 24 }, (_, hour) => `${day} ${String(hour).padStart(2, '0')}:00,${row}`)].join('\n');

describe('a table of weather by the hour', () => {
  it('turns units that stand in the titles, and humidity to dew point', () => {
    const titles = 'time,temp (F),humidity %,wind mph,cloud cover %,pressure inHg,rain in';
    const { days, problems, notes, daily } = read(hourly(titles, '50,60,10,50,30,0.1'));
    expect([problems, notes, daily]).toEqual([[], [], false]);
    expect(days).toHaveLength(1);
    expect(days[0]!.airTempC).toBeCloseTo(10, 2);
    expect(days[0]!.dewPointC).toBeCloseTo(2.6, 1);
    expect(days[0]!.windMps).toBeCloseTo(4.5, 2);
    expect(days[0]!.cloudFraction).toBeCloseTo(0.5, 2);
    expect(days[0]!.pressureHpa).toBeCloseTo(1015.9, 1);
    expect(days[0]!.rainMm).toBeCloseTo(24 * 2.54, 1);
  });

  it('takes the units of the user where none stand there, and another one when it is told', () => {
    const text = hourly('time,temp,humidity,wind', '50,60,10');
    expect(read(text, 'us').mapping.units).toMatchObject({ temp: '°F', wind: 'mph' });
    expect(read(text, 'us').days[0]!.airTempC).toBeCloseTo(10, 2);
    expect(read(text).mapping.units).toMatchObject({ temp: '°C', wind: 'm/s' });
    const units = { ...read(text).mapping.units, temp: '°F', wind: 'km/h' } as const;
    const [day] = read(text, 'metric', { units }).days;
    expect(day!.airTempC).toBeCloseTo(10, 2);
    expect(day!.windMps).toBeCloseTo(2.8, 2);
  });

  it('takes degrees Fahrenheit for what no air is in Celsius', () => {
    expect(read(hourly('time,temp,humidity,wind', '88,60,3')).mapping.units.temp).toBe('°F');
  });

  it('says what stands in for what is missing', () => {
    const { days, notes } = read(hourly('time,air C', '10'));
    expect(days[0]).toMatchObject({ airTempC: 10, dewPointC: 10, windMps: 2, cloudFraction: 0.5 });
    expect(notes.join(' ')).toMatch(/No wind.*No dew point.*No cloud/);
  });

  it('lists lines that cannot be read, and reads the others', () => {
    const { days, problems } = read(
      `${hourly('time,air C,dew C,wind', '10,5,3')}\nnoon,1,2,3\n2027-03-02 00:00,99,2,3`,
    );
    expect(days).toHaveLength(1);
    expect(problems).toEqual([
      { line: 26, message: 'expected a day and an hour, got "noon"' },
      { line: 27, message: 'no air is at 99 °C' },
    ]);
  });

  it('leaves out days with few hours, and says so', () => {
    const rows = [1, 2, 3, 4].map((day) => `2027-03-0${day} 06:00,10,5,3\n2027-03-0${day} 07:00,10,5,3`);
    const { days, notes } = read(['time,air C,dew C,wind m/s', ...rows].join('\n'));
    expect(days).toEqual([]);
    expect(notes).toContain('Of 4 days 0 have twelve hours or more; the others are left out.');
  });
});

describe('a table of weather by the day', () => {
  it('makes the mean of high and low, the dew point of the low, and keeps the rain', () => {
    const text = 'DATE,TMAX,TMIN,PRCP,AWND\n2027-03-01,60,40,0.1,5\n2027-03-02,66,44,0,8\n2027-03-20,70,50,0,4';
    const { days, daily, mapping } = read(text, 'us');
    expect(daily).toBe(true);
    expect(mapping.roles).toEqual(['date', 'high', 'low', 'rain', 'wind']);
    expect(days.map(({ date, kind, airTempC }) => [date, kind, airTempC])).toEqual([
      ['2027-03-01', 'observed', 10],
      ['2027-03-02', 'observed', 12.78],
      ['2027-03-20', 'forecast', 15.56],
    ]);
    expect(days[0]).toMatchObject({ dewPointC: 4.44, rainMm: 2.54, windMps: 2.24 });
  });

  it('reads German figures after a preamble', () => {
    const text = 'Wetterstation am Damm;;\n\nDatum;Temperatur °C;Wind km/h\n01.03.2027;9,5;18\n02.03.2027;10,5;9';
    const { days, daily } = read(text);
    expect(daily).toBe(true);
    expect(days.map(({ date, airTempC, windMps }) => [date, airTempC, windMps])).toEqual([
      ['2027-03-01', 9.5, 5],
      ['2027-03-02', 10.5, 2.5],
    ]);
  });
});

describe('a table that is none of weather', () => {
  it.each([
    ['no days', 'air,dew,wind\n1,2,3\n2,3,4', 'say which column holds the day'],
    ['no air', 'time,dew,wind\n2027-03-01 00:00,1,2\n2027-03-01 01:00,1,2', 'say which column holds the air'],
  ])('is told what it lacks: %s', (_, text, words) => {
    const { days, problems } = read(text);
    expect(days).toEqual([]);
    expect(problems[0]?.message).toContain(words);
  });
});

it('the dew point is the air temperature when the air is full', () => {
  expect(dewPointC(18, 100)).toBeCloseTo(18, 6);
  // Alduchov & Eskridge 1996: 20 C at 50 percent is 9.3 C.
  expect(dewPointC(20, 50)).toBeCloseTo(9.3, 1);
});
