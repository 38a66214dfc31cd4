import { readQuantity } from './numbers';
import { instantAt, localInput } from './local-time';

describe('typed quantities', () => {
  it('takes degrees Fahrenheit to SI', () =>
    expect(readQuantity('50', 'surfaceTempC', 'temp', 'us')).toEqual({ si: 10, problem: null }));

  it('says what was expected, in the units of the user', () => {
    expect(readQuantity('212', 'surfaceTempC', 'temp', 'us').problem).toBe('Expected 28 to 104 °F, got 212 °F.');
    expect(readQuantity('-1', 'visibilityM', 'depth', 'metric').problem).toMatch(/^Expected 0 to 30 m, got -1 m\.$/);
    expect(readQuantity('', 'surfaceTempC', 'temp', 'us', { required: true }).problem).toBe('Expected 28 to 104 °F.');
    expect(readQuantity('', 'visibilityM', 'depth', 'us')).toEqual({ si: undefined, problem: null });
    expect(readQuantity('5', 'visibilityM', 'depth', 'us', { before: 1.53 })).toEqual({ si: 1.53, problem: null });
    expect(readQuantity('5.1', 'visibilityM', 'depth', 'us', { before: 1.53 }).si).toBeCloseTo(1.554, 3);
  });

  it('takes a unit that stands there', () => {
    expect(readQuantity('10 C', 'surfaceTempC', 'temp', 'us')).toEqual({ si: 10, problem: null });
    expect(readQuantity('2 ½ ft', 'visibilityM', 'depth', 'metric').si).toBeCloseTo(0.762, 6);
  });

  it('asks whether Fahrenheit was meant for a lake at 62 °C', () => {
    expect(readQuantity('62', 'surfaceTempC', 'temp', 'metric').problem).toContain('Did you mean °F?');
    expect(readQuantity('400', 'surfaceTempC', 'temp', 'metric').problem).not.toContain('Did you mean');
  });
});

describe('times on the clock of the water', () => {
  it('go to an instant and back, in winter and in summer time', () => {
    for (const local of ['2027-03-13T08:12', '2027-07-01T05:30', '2027-11-07T12:00']) {
      expect(localInput(instantAt(local, 'America/Chicago') ?? '', 'America/Chicago')).toBe(local);
    }
    expect(instantAt('2027-03-13T08:12', 'America/Chicago')).toBe('2027-03-13T14:12:00.000Z');
  });
  it('refuse what is no time', () => {
    expect(instantAt('', 'UTC')).toBeUndefined();
    expect(instantAt('2027-13-01T00:00', 'UTC')).toBeUndefined();
  });
});
