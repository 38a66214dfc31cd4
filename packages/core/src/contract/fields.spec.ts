import fc from 'fast-check';
import * as z from 'zod';
import {
  calendarDate,
  clientId,
  clockTime,
  instant,
  maybe,
  oneOf,
  quantity,
  record,
  shortText,
  someOf,
  timeZone,
} from './fields.js';
import { parse } from './problems.js';

const refusal = (schema: z.ZodType, value: unknown) => {
  const parsed = parse(schema, value);
  return parsed.ok ? null : parsed.problems[0]?.message;
};
const accepted = (schema: z.ZodType, value: unknown) => parse(schema, value).ok;

describe('a quantity', () => {
  const depth = quantity('a depth in metres', 0, 300);
  it('is within its bounds, both of them in', () => {
    fc.assert(
      fc.property(fc.double({ min: -400, max: 700, noNaN: true }), (value) =>
        expect(accepted(depth, value)).toBe(value >= 0 && value <= 300),
      ),
    );
    expect([accepted(depth, 0), accepted(depth, 300)]).toEqual([true, true]);
  });
  it.each([
    [undefined, 'nothing'],
    [null, 'null'],
    ['3', '"3"'],
    [[1, 2], 'a list of 2'],
    [{ deep: { deeper: 1 } }, 'an object'],
    ['x'.repeat(5000), `"${'x'.repeat(36)}...`],
  ])('that is %p is refused with what was got, never more than a line of it', (value, got) =>
    expect(refusal(depth, value)).toBe(`expected a depth in metres from 0 to 300, got ${got}`),
  );
  it.each([NaN, Infinity, -Infinity])('is no %p', (value) => expect(accepted(depth, value)).toBe(false));
});

describe('a calendar date', () => {
  it('exists', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1900, max: 2199 }),
        fc.integer({ min: 0, max: 13 }),
        fc.integer({ min: 0, max: 32 }),
        (year, month, dayOfMonth) => {
          const text = `${year}-${String(month).padStart(2, '0')}-${String(dayOfMonth).padStart(2, '0')}`;
          const days = new Date(Date.UTC(year, month, 0)).getUTCDate();
          expect(accepted(calendarDate, text)).toBe(month >= 1 && month <= 12 && dayOfMonth >= 1 && dayOfMonth <= days);
        },
      ),
    );
  });
  it.each(['2027-2-3', '27-02-03', '2027-02-30', '2026-02-29', '2027/02/03', ' 2027-02-03', '2027-02-03T00:00'])(
    'is not %s',
    (text) =>
      expect(refusal(calendarDate, text)).toBe(
        `expected a date that exists, from 1900 to 2199, as YYYY-MM-DD, got "${text}"`,
      ),
  );
});

describe('a time of day', () => {
  it('is of this clock, every minute of it and no other', () => {
    for (let minute = 0; minute < 1440; minute++) {
      const text = `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`;
      expect(accepted(clockTime, text)).toBe(true);
    }
    for (const text of ['24:00', '7:30', '07:60', '07.30', '7am', '']) expect(accepted(clockTime, text)).toBe(false);
  });
});

describe('a moment', () => {
  it.each(['2027-03-01T14:00:00-06:00', '2027-03-01T14:00Z', '2027-03-01T14:00:00.123456789Z'])('is %s', (text) =>
    expect(accepted(instant, text)).toBe(true),
  );
  it.each(['2027-03-01T14:00:00', '2027-02-30T14:00Z', '2027-03-01 14:00Z', '2027-03-01T25:00Z', '2027-03-01'])(
    'without an offset, or that is none, is refused: %s',
    (text) => expect(accepted(instant, text)).toBe(false),
  );
});

describe('texts and ids', () => {
  it('are trimmed, not empty, bounded, and hold no NUL', () => {
    const name = shortText('a name', 5);
    expect(parse(name, '  bend ')).toEqual({ ok: true, value: 'bend' });
    expect(['', '   ', 'longer', 'a\u0000b'].map((text) => accepted(name, text))).toEqual([false, false, false, false]);
  });
  it('of a client have one letter case', () => {
    const id = '019A0000-0000-7000-8000-00000000ABCD';
    expect(parse(clientId, id)).toEqual({ ok: true, value: id.toLowerCase() });
    expect(accepted(clientId, 'x')).toBe(false);
  });
  it('name a time zone that this machine knows', () => {
    expect([accepted(timeZone, 'America/Chicago'), accepted(timeZone, 'Nowhere/Lost')]).toEqual([true, false]);
  });
});

describe('choices', () => {
  const sky = oneOf('a sky', ['clear', 'fog'] as const);
  it('are of their list, which the refusal tells', () =>
    expect(refusal(sky, 'pink')).toBe('expected a sky: clear, fog, got "pink"'));
  it('of several are kept once, in their order, and not without end', () => {
    const skies = someOf('skies', ['clear', 'fog'] as const);
    expect(parse(skies, ['fog', 'clear', 'fog'])).toEqual({ ok: true, value: ['fog', 'clear'] });
    expect(accepted(skies, Array(5).fill('fog'))).toBe(false);
  });
});

describe('records', () => {
  const Place = record('a place', { latitude: quantity('a latitude', -90, 90), name: maybe(shortText('a name', 9)) });
  it('take null for a field that is not known, and know no others', () => {
    expect(parse(Place, { latitude: 3, name: null })).toEqual({ ok: true, value: { latitude: 3, name: undefined } });
    expect(parse(Place, { latitude: 3, depth: 1, mood: 2 })).toEqual({
      ok: false,
      problems: ['depth', 'mood'].map((path) => ({ path, message: 'expected no such field: it is not known here' })),
    });
    expect(refusal(Place, 7)).toBe('expected a place, got 7');
  });
  it('say where in lists and records something is wrong, and stop at fifty', () => {
    const Trip = z.strictObject({ stops: z.array(Place) });
    const stops = Array.from({ length: 80 }, () => ({ latitude: 99 }));
    const parsed = parse(Trip, { stops });
    expect(parsed.ok ? [] : parsed.problems.length).toBe(50);
    expect(parsed.ok ? '' : parsed.problems[7]?.path).toBe('stops[7].latitude');
  });
});
