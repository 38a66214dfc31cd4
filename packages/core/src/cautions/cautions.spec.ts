import fc from 'fast-check';
import type { Severity } from '../contract/ids.js';
import { Facts, type Known } from '../rules/facts.js';
import { CAUTION_RULES, judgeCautions } from './cautions.js';

const raised = (known: Known) => judgeCautions(Facts.of(known), 'us');
const severityOf = (known: Known, id: string) => raised(known).find((each) => each.id === id)?.severity;
const GRAVITY: Readonly<Record<Severity, number>> = { advice: 1, serious: 2, severe: 3 };
const gravity = (known: Known, id: string) => {
  const severity = severityOf(known, id);
  return severity ? GRAVITY[severity] : 0;
};
const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe('cautions', () => {
  it('that always hold are there on any day, once', () => {
    const ids = raised({}).map(({ id }) => id);
    expect(ids).toEqual(expect.arrayContaining(['rules', 'hooks', 'float-plan', 'release', 'clean']));
    expect(new Set(ids).size).toBe(ids.length);
  });

  it('of a kind only the gravest is told, and the gravest come first', () => {
    const cold = raised({ surfaceTempC: 4, windMps: 13 });
    expect(cold.filter(({ id }) => id === 'cold-water').map(({ severity }) => severity)).toEqual(['severe']);
    const order = cold.map(({ severity }) => GRAVITY[severity]);
    expect(order).toEqual([...order].sort((a, b) => b - a));
  });

  it('tell of cold shock well before the water is winter cold, and of the life jacket in its words', () => {
    expect(severityOf({ surfaceTempC: 18 }, 'cold-water')).toBeUndefined();
    expect(severityOf({ surfaceTempC: 14 }, 'cold-water')).toBe('serious');
    expect(severityOf({ surfaceTempC: 8 }, 'cold-water')).toBe('severe');
    for (const { text } of raised({ surfaceTempC: 8 }).filter(({ id }) => id === 'cold-water'))
      expect(text).toMatch(/life jacket/);
  });

  it('are never graver in warmer water for cold, nor lighter in more wind', () => {
    fc.assert(
      fc.property(number(0, 32), number(0, 10), number(0, 20), number(0, 10), (tempC, warmer, windMps, stronger) => {
        expect(gravity({ surfaceTempC: tempC + warmer }, 'cold-water')).toBeLessThanOrEqual(
          gravity({ surfaceTempC: tempC }, 'cold-water'),
        );
        expect(gravity({ windMps: windMps + stronger }, 'wind')).toBeGreaterThanOrEqual(gravity({ windMps }, 'wind'));
      }),
    );
  });

  it.each<[string, Known, string, Severity]>([
    ['a front that goes through in warm weather', { 'front:passing': 1, surfaceTempC: 22 }, 'lightning', 'severe'],
    ['rain in warm weather', { 'sky:rain': 1, surfaceTempC: 24 }, 'lightning', 'serious'],
    ['fog', { 'sky:fog': 1 }, 'fog', 'serious'],
    ['the dark', { 'day:night': 1 }, 'dark-running', 'serious'],
    ['fish that lie deep', { holdingDepthM: 11 }, 'deep-fish', 'advice'],
    ['docks', { 'structure:dock': 1 }, 'docks', 'serious'],
    ['a dam', { 'structure:dam-face': 1 }, 'dam', 'serious'],
    ['the spawn', { 'phase:spawn': 0.8 }, 'bedding-fish', 'advice'],
    ['ebb in the marsh', { 'discipline:inshore': 1, 'tide:falling': 1 }, 'low-water', 'advice'],
    ['rising mud', { 'level:rising': 1, 'regime:mud-rising': 1 }, 'high-water', 'severe'],
  ])('are raised by %s', (_, known, id, severity) => expect(severityOf(known, id)).toBe(severity));

  it('a front in winter brings no thunder, and half a suspicion raises nothing', () => {
    expect(severityOf({ 'front:passing': 1, surfaceTempC: 5 }, 'lightning')).toBeUndefined();
    expect(severityOf({ 'phase:spawn': 0.4 }, 'bedding-fish')).toBeUndefined();
  });

  it('are told in the units of whoever reads them, with nothing left to fill in', () => {
    for (const units of ['us', 'metric'] as const) {
      const known = { surfaceTempC: 3, windMps: 13, 'front:passing': 1, holdingDepthM: 12 } satisfies Known;
      for (const { text } of judgeCautions(Facts.of(known), units)) expect(text).not.toMatch(/[{}]/);
    }
    const [us, metric] = (['us', 'metric'] as const).map((units) =>
      judgeCautions(Facts.of({ windMps: 13 }), units).find(({ id }) => id === 'wind'),
    );
    expect([us?.text, metric?.text]).toEqual([expect.stringMatching(/mph|kn/), expect.stringMatching(/m\/s|km\/h/)]);
  });

  it('have ids of their own by kind and severity', () => {
    const ids = CAUTION_RULES.map(({ id }) => id);
    expect(new Set(ids).size).toBe(ids.length);
  });
});
