import { Facts, type Known } from '../rules/facts.js';
import { judgeOverlays } from '../season/overlays.js';
import { judgeFood } from './food.js';
import type { Conditions } from '../contract/conditions.js';

const bass = (known: Known) => Facts.of({ 'discipline:bass': 1, ...known });
const activity = (known: Known, said: Pick<Conditions, 'forage' | 'signs'> = {}) =>
  Object.fromEntries(judgeFood(said, bass(known), 'us').food.map(({ kind, activity: value }) => [kind, value]));

describe('food', () => {
  it('has crayfish scarce in the cold, courting as bass move up, and back in fall', () => {
    expect(activity({ surfaceTempC: 6, 'phase:winter': 1 })['crayfish']).toBeLessThan(0.2);
    expect(activity({ surfaceTempC: 14, 'phase:pre-spawn': 1 })['crayfish']).toBeGreaterThan(0.7);
    expect(activity({ surfaceTempC: 18, 'phase:fall': 1 })['crayfish']).toBeGreaterThan(0.4);
  });

  it('has shad run in fall, most of all, and small crayfish in summer', () => {
    const fall = activity({ surfaceTempC: 18, 'phase:fall': 1 });
    expect(fall['shad']).toBeGreaterThan(fall['crayfish'] ?? 0);
    const summer = judgeFood({}, bass({ surfaceTempC: 27, 'phase:summer': 1 }), 'us').food.find(
      ({ kind }) => kind === 'crayfish',
    );
    expect(summer?.lengthMm[0]).toBeLessThan(40);
  });

  it('lets what was seen beat what is supposed', () => {
    const chased = activity({ surfaceTempC: 6, 'phase:winter': 1 }, { forage: [{ kind: 'shad', seen: ['chased'] }] });
    expect(chased['shad']).toBe(1);
    expect(activity({ surfaceTempC: 6, 'phase:winter': 1 }, { signs: ['crayfish-in-mouth'] })['crayfish']).toBe(1);
  });

  it('takes the length that was said', () => {
    const [shad] = judgeFood(
      { forage: [{ kind: 'shad', lengthMm: 70 }] },
      bass({ 'phase:fall': 1, surfaceTempC: 18 }),
      'us',
    ).food;
    expect(shad?.lengthMm[0]).toBeCloseTo(63, 6);
    expect(shad?.lengthMm[1]).toBeCloseTo(77, 6);
  });

  it('stays with the discipline', () => {
    const inshore = judgeFood(
      {},
      Facts.of({ 'discipline:inshore': 1, surfaceTempC: 22, 'phase:fall-run': 1 }),
      'us',
    ).food.map(({ kind }) => kind);
    expect(inshore).toContain('mullet');
    expect(inshore).not.toContain('crayfish');
  });
});

describe('overlays', () => {
  const ids = (known: Known, discipline: 'bass' | 'inshore' = 'bass') =>
    judgeOverlays(Facts.of(known), discipline, 'us').overlays.map(({ id }) => id);

  it.each([
    ['shad-spawn', { surfaceTempC: 21.5, 'phase:post-spawn': 1 }],
    ['shad-spawn', { surfaceTempC: 17.5, 'phase:spawn': 1, 'sign:birds-on-bank': 1 }],
    ['turnover', { surfaceTempC: 15, tempTrendCPerDay: -0.4, 'phase:fall': 1 }],
    ['cold-front', { 'front:post-frontal': 1 }],
    ['run-off', { 'level:rising': 1, relativeClarity: 0.3 }],
    ['run-off', { 'inflow:warmer': 1 }],
  ] as [string, Known][])('%s has its trigger', (id, known) => expect(ids(known)).toContain(id));

  it.each([
    ['bait-leaving', { surfaceTempC: 21, tempTrendCPerDay: -0.3, 'phase:fall-run': 1 }],
    ['flood-on-grass', { surfaceTempC: 26, springShare: 1, 'structure:marsh-point': 1 }],
    ['flood-on-grass', { surfaceTempC: 26, overTableM: 0.35, 'cover:emergent-grass': 1 }],
    ['cold-kill', { surfaceTempC: 6 }],
    ['cold-kill', { surfaceTempC: 8.8, tempTrendCPerDay: -1.6 }],
  ] as [string, Known][])('%s has its trigger on tidal water', (id, known) =>
    expect(ids(known, 'inshore')).toEqual([id]),
  );

  it('do not come without theirs', () => {
    expect(ids({ surfaceTempC: 21.5, 'phase:fall': 1, tempTrendCPerDay: -0.3 })).not.toContain('shad-spawn');
    expect(ids({ surfaceTempC: 15, tempTrendCPerDay: 0.3, 'phase:spawn': 1 })).toEqual([]);
    expect(
      ids({ surfaceTempC: 15, tempTrendCPerDay: 0.1, springShare: 0.1, 'front:post-frontal': 1 }, 'inshore'),
    ).toEqual([]);
    expect(ids({ surfaceTempC: 5, springShare: 1.2, 'cover:emergent-grass': 1 })).toEqual([]);
  });
});
