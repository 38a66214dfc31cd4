import { readNumber, readQuantityIn, readRatio } from './typed.js';
import type { Measure, UnitSystem } from './units.js';

describe('a number as people write it', () => {
  it.each([
    ['51', 51],
    [' 51,5 ', 51.5],
    ['.5', 0.5],
    ['-3', -3],
    ['−3', -3],
    ['3/8', 0.375],
    ['1 1/4', 1.25],
    ['1-1/4', 1.25],
    ['2½', 2.5],
    ['⅜', 0.375],
    ['-½', -0.5],
    ['1,25', 1.25],
  ])('reads %s', (text, value) => expect(readNumber(text)).toBe(value));
  it.each(['', 'warm', '5 ft', '1.2.3', '0x10', '1e3', 'Infinity', '3/0', '1 1', '1,2,3'])('does not read %s', (text) =>
    expect(readNumber(text)).toBeUndefined(),
  );
  it('reads thousands where they are written so', () => {
    expect(readNumber('1,150', 'us')).toBe(1150);
    expect(readNumber('1,150.5', 'us')).toBe(1150.5);
    expect(readNumber('1,150', 'metric')).toBe(1.15);
    expect(readNumber('0,375', 'us')).toBe(0.375);
  });
});

describe('a quantity as anglers type it', () => {
  it.each<[string, Measure, UnitSystem, number]>([
    ['3/8', 'weight', 'us', 10.631],
    ['⅜ oz', 'weight', 'metric', 10.631],
    ['1 1/4 oz', 'weight', 'us', 35.437],
    ['10 g', 'weight', 'us', 10],
    ['10', 'weight', 'metric', 10],
    [`7'0"`, 'rodLength', 'metric', 2.1336],
    ['7’6”', 'rodLength', 'us', 2.286],
    ["7'", 'rodLength', 'us', 2.1336],
    ['7 ft 2', 'rodLength', 'us', 2.1844],
    ['7ft 2in', 'rodLength', 'us', 2.1844],
    ['84 in', 'rodLength', 'us', 2.1336],
    ['2,13 m', 'rodLength', 'us', 2.13],
    ['12 lb', 'test', 'metric', 12],
    ['12 lb.', 'test', 'us', 12],
    ['5 kg', 'test', 'us', 11.0231],
    ['5 lb 3 oz', 'fishWeight', 'metric', 2353.01],
    ['5lb3', 'fishWeight', 'us', 2353.01],
    ['2,4 kg', 'fishWeight', 'us', 2400],
    ['15 1/2"', 'fishLength', 'metric', 393.7],
    ['40 cm', 'fishLength', 'us', 400],
    ['54F', 'temp', 'metric', 12.222],
    ['12 °C', 'temp', 'us', 12],
    ['-2 C', 'temp', 'us', -2],
    ['8 kn', 'wind', 'us', 4.1156],
    ['18 km/h', 'wind', 'us', 5],
    ['10 mph', 'wind', 'metric', 4.4704],
    ['6 feet', 'depth', 'metric', 1.8288],
  ])('reads %s as a %s', (text, measure, units, si) => expect(readQuantityIn(text, measure, units)).toBeCloseTo(si, 2));

  it.each<[string, Measure]>([
    ['12 lb', 'depth'],
    ['6 ft', 'weight'],
    ['7 in 2', 'rodLength'],
    ['5 lb 3 in', 'fishWeight'],
    ['5 oz 3', 'fishWeight'],
    ['deep', 'depth'],
    ['3-4', 'depth'],
    ['5 ft 2 in 1', 'depth'],
    ['', 'depth'],
  ])('does not read %s as a %s', (text, measure) => expect(readQuantityIn(text, measure, 'us')).toBeUndefined());
});

it('reads the gear of a reel', () => {
  expect(readRatio('6.3:1')).toBe(6.3);
  expect(readRatio('7,1 : 1')).toBe(7.1);
  expect(readRatio('8')).toBe(8);
  expect(readRatio('1:6.3')).toBeUndefined();
});
