import fc from 'fast-check';
import { figureOf, inUnits, say, sayRange, toShown, toSi, UNIT_SYSTEMS, type Measure } from './units.js';

const MEASURES: Measure[] = [
  'temp',
  'tempChange',
  'depth',
  'wind',
  'speed',
  'length',
  'weight',
  'test',
  'rodLength',
  'fishLength',
  'fishWeight',
];

describe('units', () => {
  it('go there and back without loss', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...MEASURES),
        fc.constantFrom(...UNIT_SYSTEMS),
        fc.double({ min: -50, max: 500, noNaN: true }),
        (measure, units, si) => {
          expect(toSi(measure, toShown(measure, si, units), units)).toBeCloseTo(si, 6);
        },
      ),
    );
  });

  it.each([
    ['temp', 10, 'us', '50 °F'],
    ['temp', 10, 'metric', '10 °C'],
    ['depth', 1.3716, 'us', '4½ ft'],
    ['depth', 6.1, 'us', '20 ft'],
    ['depth', 1.37, 'metric', '1.4 m'],
    ['wind', 3.576, 'us', '8 mph'],
    ['weight', 10.6, 'us', '⅜ oz'],
    ['weight', 10.6, 'metric', '11 g'],
    ['length', 101.6, 'us', '4 in'],
    ['length', 114.3, 'us', '4½ in'],
    ['test', 12, 'us', '12 lb'],
    ['test', 12, 'metric', '5 kg'],
    ['tempChange', -0.3, 'us', '-0.5 °F'],
    ['fishLength', 432, 'us', '17 in'],
    ['fishLength', 432, 'metric', '43.2 cm'],
    ['fishWeight', 1134, 'us', '2.5 lb'],
  ] as const)('%s of %s in %s is %s', (measure, si, units, words) => expect(say(measure, si, units)).toBe(words));

  it('say a range once where both ends read alike', () => {
    expect(sayRange('depth', [1.3716, 1.8288], 'us')).toBe('4½ to 6 ft');
    expect(sayRange('depth', [1.3, 1.31], 'metric')).toBe('1.3 m');
  });

  it('fill the quantities in words', () => {
    expect(inUnits('Under {temp:10} and {depth:0.6} with {wind:8}', 'us')).toBe('Under 50 °F and 2 ft with 18 mph');
    expect(inUnits('Under {temp:10}', 'metric')).toBe('Under 10 °C');
    expect(inUnits('No figures here', 'us')).toBe('No figures here');
  });

  it('never shows a minus without a figure', () => expect(figureOf('depth', -0.3048, 'us')).toBe('-1'));
});
