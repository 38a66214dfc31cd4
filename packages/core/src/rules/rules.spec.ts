import fc from 'fast-check';
import { CAUTION_RULES } from '../cautions/cautions.js';
import { FOOD_RULES } from '../food/rules.js';
import { GROUP_DEPTH_RULES, GROUP_RULES, PLACE_GROUP_RULES, REGIME_GROUP_RULES } from '../place/group-rules.js';
import { COVER_RULES, POSITION_RULES, STRUCTURE_RULES } from '../place/rules.js';
import { OCCASION_RULES } from '../presentation/occasions/index.js';
import { QUESTION_RULES } from '../presentation/questions.js';
import { APPROACH_RULES } from '../technique/retrieve/approach.js';
import { OVERLAY_RULES } from '../season/overlays.js';
import { BASS_PHASE_RULES, FISH_SIGN_RULES, INSHORE_PHASE_RULES } from '../season/phases.js';
import {
  BLADE_RULES,
  FAMILY_RULES,
  FINISH_RULES,
  SIZE_RULES,
  SOUND_RULES,
  TONE_RULES,
} from '../technique/trim/rules.js';
import { SCHOOL_SIDES } from '../contract/ids.js';
import { Facts, Statement } from './facts.js';
import { above, all, any, below, between, degreeOf, interpolate, is, mentions, not, trapezoid } from './fuzzy.js';
import { fire, ranked, reasonOf, strongest, tally, votesFor, type Rule } from './rule.js';

const at = (surfaceTempC: number) => Facts.of({ surfaceTempC });

describe('facts', () => {
  it('stand on what was known before, and what is stated anew wins', () => {
    const base = Facts.of({ surfaceTempC: 10, 'phase:winter': 0.4 });
    const more = base.with({ surfaceTempC: 12, windMps: 3 });
    expect(more.figure('surfaceTempC')).toBe(12);
    expect(more.degree('phase:winter')).toBe(0.4);
    expect(base.figure('surfaceTempC')).toBe(10);
    expect(base.figure('windMps')).toBeUndefined();
    expect(base.degree('cover:pads')).toBe(0);
  });
});

describe('a statement', () => {
  it('states facts one by one: the later wins, and what is not known is left as it was', () => {
    const stated = new Statement();
    stated.put('windMps', 3);
    stated.put('windMps', 5);
    stated.put('light', undefined);
    stated.put('tideRun', null);
    stated.all('sign', undefined);
    stated.of('sky', null);
    stated.of('front', 'passing', 0.5);
    stated.all('cover', ['pads', 'reeds']);
    const before = Facts.of({ windMps: 1, light: 0.4 });
    const facts = before.withStatement(stated);
    expect([facts.figure('windMps'), facts.figure('light'), facts.figure('tideRun')]).toEqual([5, 0.4, undefined]);
    expect([facts.degree('cover:pads'), facts.degree('cover:reeds'), facts.degree('cover:stump')]).toEqual([1, 1, 0]);
    expect(facts.degree('front:passing')).toBe(0.5);
    expect(before.figure('windMps')).toBe(1);
  });
});

describe('fuzzy conditions', () => {
  it('ramp up, down and over a range', () => {
    expect(degreeOf(above('surfaceTempC', 10, 14), at(12))).toBe(0.5);
    expect(degreeOf(below('surfaceTempC', 10, 14), at(11))).toBe(0.75);
    expect(degreeOf(between('surfaceTempC', 8, 10, 12, 14), at(13))).toBe(0.5);
    expect(degreeOf(between('surfaceTempC', 8, 10, 12, 14), at(20))).toBe(0);
  });

  it('say nothing of a figure that is missing', () => {
    expect(degreeOf(above('windMps', 0, 1), at(12))).toBe(0);
    expect(degreeOf(below('windMps', 0, 1), at(12))).toBe(0);
  });

  it('take the least of all, the greatest of any, the complement of not', () => {
    const facts = Facts.of({ 'phase:winter': 0.3, 'phase:staging': 0.7 });
    const [winter, staging] = [is('phase:winter'), is('phase:staging')];
    expect(degreeOf(all(winter, staging), facts)).toBe(0.3);
    expect(degreeOf(any(winter, staging), facts)).toBe(0.7);
    expect(degreeOf(not(winter), facts)).toBe(0.7);
    expect(degreeOf(all(), facts)).toBe(1);
    expect(degreeOf(any(), facts)).toBe(0);
  });

  it('know what they look at', () => {
    const condition = all(above('windMps', 1, 2), any(is('cover:pads'), not(is('phase:winter'))));
    expect(mentions(condition, /^cover:/)).toBe(true);
    expect(mentions(condition, /^structure:/)).toBe(false);
  });

  it('stay between 0 and 1', () => {
    fc.assert(
      fc.property(fc.double({ min: -100, max: 100, noNaN: true }), (tempC) => {
        const degree = degreeOf(between('surfaceTempC', 5, 8, 12, 20), at(tempC));
        return degree >= 0 && degree <= 1;
      }),
    );
  });

  it('interpolate between points and stay flat beyond them', () => {
    const points = [
      [0, 1],
      [10, 2],
    ] as const;
    expect([-5, 0, 5, 10, 20].map((x) => interpolate(points, x))).toEqual([1, 1, 1.5, 2, 2]);
    expect(trapezoid(9, [8, 10, 12, 14])).toBe(0.5);
  });
});

describe('a situation that many rules share', () => {
  it('is judged once for the same facts, and anew where something is tried', () => {
    const shared = all(is('cover:pads'), above('surfaceTempC', 10, 14));
    const rules = [1, 2, 3].map((n): Rule<number> => ({
      id: `r${n}`,
      when: any(shared, is('phase:winter')),
      effect: n,
      text: 'Words of it',
    }));
    const facts = Facts.of({ surfaceTempC: 12 });
    expect(fire(rules, facts)).toEqual([]);
    expect(facts.withTemporary(['cover:pads'], (here) => fire(rules, here))).toHaveLength(3);
    expect(fire(rules, facts)).toEqual([]);
    expect(fire(rules, facts.with({ 'cover:pads': 1 })).map(({ degree }) => degree)).toEqual([0.5, 0.5, 0.5]);
  });
});

describe('rules', () => {
  const rule: Rule<{ a?: number; b?: number }> = {
    id: 'cold',
    when: below('surfaceTempC', 8, 12),
    effect: { a: 1, b: -2 },
    text: 'Under {temp:8}',
    against: 'Too warm a lure',
  };

  it('hold by degree, and add up as votes', () => {
    expect(fire([rule], at(10))).toEqual([{ rule, degree: 0.5 }]);
    expect(fire([rule], at(20))).toEqual([]);
    const fired = fire([rule, rule], at(10));
    expect(tally(fired)).toEqual({ a: 1, b: -2 });
    expect([votesFor(fired, 'a'), votesFor(fired, 'b')]).toEqual([1, -2]);
    const silent: typeof rule = { ...rule, effect: { a: 1 } };
    expect(votesFor(fire([silent], at(10)), 'b')).toBe(0);
  });

  it('of a school are silent while another side is taken', () => {
    const schooled: typeof rule = { ...rule, school: ['claws', 'out'] };
    expect(fire([schooled], Facts.of({ surfaceTempC: 5 }))).toEqual([]);
    expect(fire([schooled], Facts.of({ surfaceTempC: 5, 'school:claws:out': 1 }))).toHaveLength(1);
  });

  it('give the other words where they speak against', () => {
    expect(reasonOf(rule, 0.5, 'us')).toMatchObject({ text: 'Under 46 °F', weight: 0.5, school: null });
    expect(reasonOf(rule, -0.5, 'us')).toMatchObject({ text: 'Too warm a lure', weight: 0.5 });
  });

  it('rank options by votes, ties in their own order; reasons by weight, trifles left out', () => {
    expect(ranked(['x', 'y', 'z'], { z: 1 })).toEqual(['z', 'x', 'y']);
    const reason = (weight: number) => ({ rule: String(weight), text: '', weight, school: null });
    expect(strongest([reason(0.1), reason(0.9), reason(0.01)]).map(({ weight }) => weight)).toEqual([0.9, 0.1]);
  });
});

describe('the rules that ship', () => {
  const groups: Record<string, readonly Rule<unknown>[]> = {
    phases: [...BASS_PHASE_RULES, ...FISH_SIGN_RULES, ...INSHORE_PHASE_RULES],
    overlays: OVERLAY_RULES,
    food: FOOD_RULES,
    groups: [...GROUP_RULES, ...PLACE_GROUP_RULES, ...REGIME_GROUP_RULES, ...GROUP_DEPTH_RULES],
    places: [...STRUCTURE_RULES, ...COVER_RULES, ...POSITION_RULES],
    questions: QUESTION_RULES,
    lures: OCCASION_RULES,
    trim: [...TONE_RULES, ...FAMILY_RULES, ...BLADE_RULES, ...FINISH_RULES, ...SIZE_RULES, ...SOUND_RULES],
    approach: APPROACH_RULES,
    cautions: CAUTION_RULES,
  };

  it('have an id of their own each, over all steps', () => {
    const ids = Object.values(groups).flatMap((rules) => rules.map(({ id }) => id));
    expect(ids.filter((id, index) => ids.indexOf(id) !== index)).toEqual([]);
    expect(ids.length).toBeGreaterThan(500);
  });

  it.each(Object.entries(groups))(
    'of %s have words, no quantity without its unit, and sides that exist',
    (_, rules) => {
      for (const { id, text, against, school } of rules) {
        for (const words of [text, against ?? text]) {
          expect([id, words]).toEqual([id, expect.stringMatching(/^[A-Z].{5,}/)]);
          expect([id, words.replace(/\{\w+:[\d.]+\}/g, '')]).toEqual([
            id,
            expect.not.stringMatching(/\d ?(°|ft|m|mph|C|F)\b|[{}]/),
          ]);
        }
        if (school) expect(SCHOOL_SIDES[school[0]]).toContain(school[1]);
      }
    },
  );
});
