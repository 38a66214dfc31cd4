import fc from 'fast-check';
import { readPosition, sayPosition } from './index.js';

describe('a place as people write it', () => {
  it.each<[string, number, number]>([
    ['34.93, -88.12', 34.93, -88.12],
    ['34.93 -88.12', 34.93, -88.12],
    ['34.93;-88.12', 34.93, -88.12],
    ['34,93 -88,12', 34.93, -88.12],
    ['34,93; -88,12', 34.93, -88.12],
    ['34,93, -88,12', 34.93, -88.12],
    ['34, -88', 34, -88],
    ['geo:34.93,-88.12', 34.93, -88.12],
    ['lat 34.93 lon -88.12', 34.93, -88.12],
    ['(34.93, −88.12)', 34.93, -88.12],
    ['34.93N, 88.12W', 34.93, -88.12],
    ['N34.93 W88.12', 34.93, -88.12],
    ['88.12W 34.93N', 34.93, -88.12],
    ["34°56'N 88°07'W", 34.93333, -88.11667],
    ["34°56'N, 88°07'W", 34.93333, -88.11667],
    ['34°56.5′ N 88°7.25′ W', 34.94167, -88.12083],
    ['34°56’10”N 88°7’12”W', 34.93611, -88.12],
    ['34 56 10 N 88 7 12 W', 34.93611, -88.12],
    ['34 56 -88 7', 34.93333, -88.11667],
    ['33.9 South, 18.4 East', -33.9, 18.4],
  ])('reads %s', (text, latitude, longitude) => {
    const read = readPosition(text);
    expect(read).toMatchObject({ ok: true });
    if (!read.ok) return;
    expect(read.position.latitude).toBeCloseTo(latitude, 5);
    expect(read.position.longitude).toBeCloseTo(longitude, 5);
  });

  it.each<[string, RegExp]>([
    ['', /^Expected a place as .*W\.$/],
    ['34.93', /got "34\.93"\.$/],
    ['the old bridge', /got "the old bridge"/],
    ["34°56'N", /^Expected a place/],
    ['34.93N, 88.12', /^Expected a place/],
    ['34.93N, 35.12N', /^Expected a place/],
    ['1 2 3', /^Expected a place/],
    ['1, 2, 3', /^Expected a place/],
    ['134.93, -88.12', /latitude from -90 to 90 degrees, got 134.93. Is the longitude first\?$/],
    ['34.93, -188.12', /longitude from -180 to 180 degrees, got -188.12\.$/],
    ["34°72'N 88°07'W", /Expected minutes from 0 to 59, got 72\./],
    ['34 56 70 N 88 7 12 W', /Expected seconds from 0 to 59, got 70\./],
  ])('says what is wrong with "%s"', (text, problem) => {
    const read = readPosition(text);
    expect(read.ok ? '' : read.problem).toMatch(problem);
  });

  it('reads back what it says', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -90, max: 90, noNaN: true }),
        fc.double({ min: -180, max: 180, noNaN: true }),
        (latitude, longitude) => {
          const read = readPosition(sayPosition({ latitude, longitude }));
          expect(read.ok && Math.abs(read.position.latitude - latitude)).toBeLessThanOrEqual(0.00006);
          expect(read.ok && Math.abs(read.position.longitude - longitude)).toBeLessThanOrEqual(0.00006);
        },
      ),
    );
  });
  it('says the side of the equator and of the meridian', () => {
    expect(sayPosition({ latitude: -34.936113, longitude: 88.12 })).toBe('34.9361° S, 88.12° E');
  });
});
