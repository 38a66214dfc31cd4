import { ternHollow } from '../waters';
import { gaugeError } from './gauge-error';
import { TERN_CLIMATE } from './places';

it('is off by 0.6 of the table at most, six hours ahead, over sixty days, and knows how far it may be off', () => {
  const { tableM, expectedM, within80 } = gaugeError(TERN_CLIMATE, ternHollow.tideStation!, {
    startMs: Date.UTC(2027, 2, 1, 5),
    days: 60,
    timeZone: 'America/Chicago',
    hasWind: true,
  });
  expect(tableM).toBeGreaterThan(0.05);
  expect(expectedM / tableM).toBeLessThanOrEqual(0.6);
  expect(within80).toBeGreaterThan(0.7);
});
