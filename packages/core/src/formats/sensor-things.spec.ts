import { levelsOfSensorThings, readSensorThings } from './sensor-things.js';

const NOW = '2027-03-13T18:00:00Z';
const hours = (results: readonly unknown[], from = '2027-03-12T00:00:00Z') =>
  results.map((result, hour) => ({
    phenomenonTime: new Date(Date.parse(from) + hour * 3_600_000).toISOString(),
    result,
  }));
const stream = (of: string, symbol: string, results: readonly unknown[], more: object = {}) => ({
  name: `Stream of ${of}`,
  unitOfMeasurement: { name: symbol, symbol },
  ObservedProperty: { name: of },
  Observations: hours(results),
  ...more,
});
const read = (...value: object[]) => {
  const found = readSensorThings({ value }, NOW);
  if (!found.ok) throw new Error(found.words);
  return found.hours;
};
const words = (body: unknown) => {
  const found = readSensorThings(body, NOW);
  return found.ok ? null : found.words;
};

it('reads what a gauge observes, in units of its own, into SI', () => {
  const found = read(
    stream('Gauge height', 'ft', [10, 11, 12]),
    stream('Discharge', 'ft3/s', [100, 100, 100]),
    stream('Turbidity', 'FNU', [3, 4, 5]),
    stream('Water temperature', 'degF', [50, 50, 50]),
  );
  expect(found.firstHour).toBe('2027-03-12T00:00:00.000Z');
  expect(found.issuedAt).toBe('2027-03-12T02:00:00.000Z');
  // The level counts from its own median.
  found.levelM.forEach((level, at) => expect(level).toBeCloseTo((at - 1) * 0.3048, 9));
  expect(found.inflowM3s[0]).toBeCloseTo(2.8317, 4);
  expect(found.turbidityNtu).toEqual([3, 4, 5]);
  expect(found.waterTempC?.[0]).toBeCloseTo(10, 9);
});

it('takes the mean of the quarters of an hour, and leaves hours out that have none', () => {
  const quarters = [1, 2, 3, 6].map((result, quarter) => ({
    phenomenonTime: `2027-03-12T05:${String(quarter * 15).padStart(2, '0')}:00Z`,
    result,
  }));
  const later = { phenomenonTime: '2027-03-12T07:00:00Z/2027-03-12T08:00:00Z', result: '9' };
  const found = read(stream('Turbidity', 'NTU', [], { Observations: [...quarters, later] }));
  expect(found.turbidityNtu).toEqual([3, null, 9]);
  expect(found.levelM).toEqual([null, null, null]);
  expect(found.waterTempC).toBeUndefined();
});

it('passes over the air, the battery, a second thermometer, and what lies ahead', () => {
  const found = read(
    stream('Air temperature', '°C', [30, 30]),
    stream('Voltage', 'V', [12, 12]),
    stream('Water temperature', '°C', [9, 9]),
    stream('Water temperature', '°C', [20, 20]),
    stream('Turbidity', 'NTU', [1], { Observations: hours([7], '2027-03-14T00:00:00Z') }),
  );
  expect(found.waterTempC).toEqual([9, 9]);
  expect(found.turbidityNtu).toEqual([null, null]);
});

it.each<[string, unknown, string]>([
  ['no list', { values: [] }, 'value: expected a list of Datastreams'],
  ['a stream without observations', { value: [{ name: 'x', unitOfMeasurement: {} }] }, 'value[0].Observations'],
  ['a unit that nobody knows', { value: [stream('Stage', 'furlong', [1])] }, 'got "furlong"'],
  [
    'a time that is none',
    { value: [stream('Stage', 'm', [], { Observations: [{ phenomenonTime: 'noon', result: 1 }] })] },
    'expected instants, got "noon"',
  ],
  ['nothing that it measures', { value: [stream('Voltage', 'V', [12])] }, 'it has no level'],
])('says what is wrong with %s', (_, body, said) => {
  expect(words(body)).toContain(said);
});

it('reads levels at their instants over the zero of the gauge itself', () => {
  const body = { value: [stream('Turbidity', 'NTU', [3]), stream('Water level', 'ft', [10, '11', 'none', 99.99])] };
  const read = levelsOfSensorThings(body, '2027-03-12T01:30:00Z');
  expect(read).toEqual({
    ok: true,
    levels: [
      { atMs: Date.parse('2027-03-12T00:00:00Z'), levelM: expect.closeTo(3.048, 9) },
      { atMs: Date.parse('2027-03-12T01:00:00Z'), levelM: expect.closeTo(3.3528, 9) },
    ],
  });
  expect(levelsOfSensorThings({ value: [stream('Turbidity', 'NTU', [3])] }, NOW)).toEqual({
    ok: false,
    words: 'it has no level of these days',
  });
});
