import { isHourlyLayout, readHourlyLayout } from './hourly-layout.js';

const CONTEXT = { timeZone: 'America/Chicago', now: '2027-03-13T18:00:00Z' };
const HOURS = 72;
/** Hours from midnight on the water's own clock, which is six hours behind UTC. */
const times = Array.from({ length: HOURS }, (_, hour) =>
  new Date(Date.parse('2027-03-12T00:00:00Z') + hour * 3_600_000).toISOString().slice(0, 16),
);
const column = <T>(value: T): T[] => new Array<T>(HOURS).fill(value);
const body = (hourly: Record<string, unknown> = {}, units: Record<string, string> = {}, more = {}) => ({
  latitude: 35.9,
  utc_offset_seconds: -6 * 3600,
  hourly_units: { time: 'iso8601', temperature_2m: '°C', wind_speed_10m: 'km/h', cloud_cover: '%', ...units },
  hourly: {
    time: times,
    temperature_2m: column(12),
    dew_point_2m: column(5),
    wind_speed_10m: column(18),
    wind_direction_10m: column(200),
    cloud_cover: column(40),
    pressure_msl: column(1013.2),
    precipitation: column(0.5),
    shortwave_radiation: column(150),
    ...hourly,
  },
  ...more,
});
const days = (given: unknown) => {
  const read = readHourlyLayout(given, CONTEXT);
  if (!read.ok) throw new Error(read.words);
  return read.days;
};
const words = (given: unknown) => {
  const read = readHourlyLayout(given, CONTEXT);
  return read.ok ? null : read.words;
};

it('reads days on the clock of the water, with what is forecast', () => {
  expect(days(body())).toEqual(
    ['2027-03-12', '2027-03-13', '2027-03-14'].map((date) => ({
      date,
      kind: date === '2027-03-12' || date === '2027-03-13' ? 'observed' : 'forecast',
      airTempC: 12,
      dewPointC: 5,
      windMps: 5,
      windFromDeg: 200,
      cloudFraction: 0.4,
      pressureHpa: 1013.2,
      // On the 14th the clock is put forward: an hour is missing.
      rainMm: date === '2027-03-14' ? 11.5 : 12,
      solarWm2: 150,
    })),
  );
});

it('honours the units that stand with the figures', () => {
  const [day] = days(
    body(
      { temperature_2m: column(50), dew_point_2m: column(41), wind_speed_10m: column(10), precipitation: column(0.1) },
      { temperature_2m: '°F', dew_point_2m: '°F', wind_speed_10m: 'mp/h', precipitation: 'inch' },
    ),
  );
  expect(day).toMatchObject({ airTempC: 10, dewPointC: 5, windMps: 4.5, rainMm: 60.96 });
  // Nothing stated is in SI, however warm or fast it looks.
  expect(days({ ...body(), hourly_units: undefined })[0]).toMatchObject({ windMps: 18, cloudFraction: 0.4 });
});

it('takes times as seconds since 1970, and those with an offset of their own', () => {
  const seconds = times.map((time) => Date.parse(`${time}-06:00`) / 1000);
  expect(days(body({ time: seconds }))).toEqual(days(body()));
  const own = times.map((time) => `${time}-06:00`);
  expect(days(body({ time: own }, {}, { utc_offset_seconds: 0 }))).toEqual(days(body()));
});

it('passes over gusts, felt air, soil and chances, whatever stands first', () => {
  const { time, ...figures } = body().hourly;
  const others = {
    apparent_temperature: column(-20),
    soil_temperature_6cm: column(30),
    wind_gusts_10m: column(90),
    precipitation_probability: column(100),
    cloud_cover_low: column(0),
  };
  expect(days({ ...body(), hourly: { time, ...others, ...figures } })).toEqual(days(body()));
});

it('works the dew point out from humidity, and goes on without hours that are missing', () => {
  const { dew_point_2m: _, ...hourly } = body().hourly;
  const [day] = days({ ...body(), hourly: { ...hourly, relative_humidity_2m: column(62) } });
  expect(day?.dewPointC).toBeCloseTo(4.9, 1);
  const airs: (number | null)[] = column(12);
  airs.fill(null, 0, 20);
  expect(days(body({ temperature_2m: airs })).map(({ date }) => date)).toEqual(['2027-03-13', '2027-03-14']);
});

it.each<[string, unknown, string]>([
  ['no times', { hourly: { temperature_2m: [1] } }, 'hourly.time: expected a list of times'],
  ['no air', body({ temperature_2m: undefined }), 'hourly.temperature_2m: expected a list'],
  ['columns of two lengths', body({ cloud_cover: [1, 2] }), 'hourly.cloud_cover: expected as many hours'],
  ['words for figures', body({ temperature_2m: column({}) }), 'hourly.temperature_2m'],
  ['a unit that nobody knows', body({}, { temperature_2m: 'K' }), 'hourly_units.temperature_2m: expected a unit'],
  ['a time that is none', body({ time: column('noon') }), 'hourly, hour 0: expected a day and an hour, got "noon'],
  ['air out of reason', body({ temperature_2m: column(400) }), 'hour 0: no air is at 400 °C'],
])('says what is wrong with %s, and where', (_, given, said) => {
  expect(words(given)).toContain(said);
});

it('knows the layout from others', () => {
  expect(isHourlyLayout(body())).toBe(true);
  expect(isHourlyLayout({ source: 'x', airTempC: [] })).toBe(false);
  expect(isHourlyLayout(null)).toBe(false);
});
