import fc from 'fast-check';
import { CATALOGUE } from '../../lures/categories.js';
import { speedMps, styleOf } from '../../lures/pace.js';
import { Facts, type Known } from '../../rules/facts.js';
import { pauseS, retrieve } from './retrieve.js';

const anyCategory = fc.constantFrom(...CATALOGUE);
const tempC = fc.double({ min: 1, max: 33, noNaN: true });
const warmer = fc.double({ min: 0, max: 15, noNaN: true });
const facts = (surfaceTempC: number, more: Known = {}) => Facts.of({ surfaceTempC, 'discipline:bass': 1, ...more });

describe('how a lure is retrieved', () => {
  it('is never faster in colder water, and stays within what the lure can do', () => {
    fc.assert(
      fc.property(anyCategory, tempC, warmer, (category, coldC, riseC) => {
        for (const { style } of category.styles) {
          const [cold, warm] = [coldC, coldC + riseC].map((at) => speedMps(category, style, facts(at))) as [
            [number, number],
            [number, number],
          ];
          expect(cold[0]).toBeLessThanOrEqual(warm[0]);
          expect(cold[1]).toBeLessThanOrEqual(warm[1]);
          for (const speed of [...cold, ...warm]) {
            expect(speed).toBeGreaterThanOrEqual(category.paceMps[0]);
            expect(speed).toBeLessThanOrEqual(category.paceMps[1]);
          }
        }
      }),
    );
  });

  it('waits never less in colder water, and a range of waits is in order', () => {
    fc.assert(
      fc.property(anyCategory, tempC, warmer, (category, coldC, riseC) => {
        for (const { style } of category.styles) {
          const [cold, warm] = [coldC, coldC + riseC].map((at) => pauseS(style, facts(at)));
          expect(cold === null).toBe(warm === null);
          if (!cold || !warm) continue;
          expect(cold[0]).toBeGreaterThanOrEqual(warm[0]);
          expect(cold[1]).toBeGreaterThanOrEqual(warm[1]);
          for (const [from, to] of [cold, warm]) expect(from).toBeLessThanOrEqual(to);
        }
      }),
    );
  });

  it('of a suspended lure lies a quarter to half a minute in ice water, and hardly stops in summer', () => {
    expect(pauseS('twitch-pause', facts(3))).toEqual([15, 30]);
    expect(pauseS('twitch-pause', facts(25))).toEqual([0.5, 2]);
    expect(pauseS('steady', facts(3))).toBeNull();
  });

  it('slows down the day after a front', () => {
    const fast = CATALOGUE.find(({ id }) => id === 'lipless-crankbait')!;
    const style = fast.styles[0].style;
    const [before, after] = [{}, { 'front:post-frontal': 1 }].map((more) =>
      speedMps(fast, style, facts(16, more as Known)),
    );
    expect(after![1]).toBeLessThan(before![1]);
  });

  it.each(CATALOGUE.map((category) => [category.id, category] as const))(
    '%s is told whole, in both units',
    (_, category) => {
      const here = facts(14);
      for (const units of ['us', 'metric'] as const) {
        const told = retrieve(category, [1, 2], here, units);
        expect(told.style).toBe(styleOf(category, here));
        expect(told.text).toMatch(/^[A-Z].*\.$/s);
        expect(told.text).toContain(units === 'us' ? 'ft a second' : 'm a second');
        expect(told.text).not.toMatch(/[{}]|undefined|NaN/);
        expect(told.text).toContain(category.hook === 'treble' ? 'Lean into the fish' : 'Set the hook');
      }
      const barely = retrieve(category, [1, 2], facts(14, { 'feedback:barely-hooked': 1 }), 'us').text;
      expect(barely).toContain('barely hooked');
    },
  );
});
