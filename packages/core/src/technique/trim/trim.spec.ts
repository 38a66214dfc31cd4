import { categoryOf } from '../../lures/categories.js';
import { speedMps, styleOf } from '../../lures/pace.js';
import { retrieve, pauseS } from '../retrieve/retrieve.js';
import { rig } from '../rig/rig.js';
import { Facts, type Known } from '../../rules/facts.js';
import { trim } from './trim.js';

const facts = (known: Known) =>
  Facts.of({
    surfaceTempC: 15,
    visibilityM: 1.5,
    effectiveVisibilityM: 1.5,
    relativeClarity: 1,
    'clarity:clear': 1,
    ...known,
  });
const mud = {
  visibilityM: 0.2,
  effectiveVisibilityM: 0.2,
  relativeClarity: 0.2,
  'clarity:clear': 0,
  'clarity:muddy': 1,
} as const;
const of = (id: Parameters<typeof categoryOf>[0], known: Known = {}) => trim(categoryOf(id), facts(known), null, 'us');

describe('trim', () => {
  it.each([
    ['clear', {}, ['natural']],
    ['very clear', { 'clarity:clear': 0, 'clarity:very-clear': 1, effectiveVisibilityM: 4 }, ['translucent']],
    ['cold and clear', { surfaceTempC: 6 }, ['muted']],
    ['mud', mud, ['dark', 'bold']],
    ['dirty', { 'clarity:clear': 0, 'clarity:dirty': 1, effectiveVisibilityM: 0.45 }, ['bold']],
    ['stained', { 'clarity:clear': 0, 'clarity:stained': 1, effectiveVisibilityM: 0.9 }, ['natural']],
  ] as [string, Known, string[]][])('in %s water takes the tone of the field', (_, known, tones) =>
    expect(tones).toContain(of('spinnerbait', known).colour.tone),
  );

  it('keeps to the colours a category comes in', () => {
    for (const id of ['spinnerbait', 'football-jig', 'walking-topwater', 'drop-shot'] as const) {
      for (const known of [{}, mud, { 'forage:crayfish': 1, 'phase:pre-spawn': 1 } as Known]) {
        for (const family of of(id, known).colour.families) expect(categoryOf(id).families).toContain(family);
      }
    }
  });

  it('goes red and orange when crayfish are out in spring, white and silver on shad', () => {
    expect(
      of('lipless-crankbait', { 'forage:crayfish': 1, 'phase:pre-spawn': 1, 'clarity:clear': 0, 'clarity:stained': 1 })
        .colour.families,
    ).toEqual(expect.arrayContaining([expect.stringMatching(/red|orange|brown/)]));
    expect(of('paddle-tail-swimbait', { 'forage:shad': 1 }).colour.families).toEqual(
      expect.arrayContaining(['silver']),
    );
  });

  it('puts round blades in cold mud, two long in clear, one of each in stain; silver in sun, painted in mud', () => {
    expect(of('spinnerbait', { ...mud, 'school:mud-blade:round': 1 }).blades?.shapes).toEqual(['round', 'round']);
    expect(of('spinnerbait', { ...mud, 'school:mud-blade:long': 1 }).blades?.shapes).toEqual(['long', 'long']);
    expect(of('spinnerbait', { effectiveVisibilityM: 2, 'sky:clear': 1 }).blades).toEqual({
      shapes: ['long', 'long'],
      finish: 'silver',
    });
    expect(of('spinnerbait', { effectiveVisibilityM: 0.8 }).blades?.shapes).toEqual(['round', 'long']);
    expect(of('spinnerbait', { ...mud, 'school:mud-blade:round': 1 }).blades?.finish).toMatch(/^painted/);
    expect(of('football-jig').blades).toBeNull();
  });

  it('stills and slims the trailer in the cold, and gives none to what carries none', () => {
    expect(
      of('finesse-jig', { surfaceTempC: 8, 'school:cold-trailer:still': 1, 'school:claws:tucked': 1 }).trailer,
    ).toEqual({ action: 'still', bulk: 'slim' });
    expect(
      of('bladed-jig', { surfaceTempC: 22, effectiveVisibilityM: 0.9, 'school:cold-trailer:kicking': 1 }).trailer,
    ).toEqual({ action: 'kicking', bulk: 'full' });
    expect(of('drop-shot').trailer).toBeNull();
  });

  it('makes it smaller in the cold and after a front, larger in mud and for one big fish, within what there is', () => {
    const length = (known: Known) => of('suspending-jerkbait', known).size.lengthMm[0];
    expect(length({ surfaceTempC: 5 })).toBeLessThan(length({}));
    expect(length({ 'front:post-frontal': 1 })).toBeLessThan(length({}));
    expect(length({ 'goal:big-fish': 1 })).toBeGreaterThan(length({}));
    const { lengthMm } = of('suspending-jerkbait', { surfaceTempC: 3, 'front:post-frontal': 1 }).size;
    expect(lengthMm[0]).toBeGreaterThanOrEqual(categoryOf('suspending-jerkbait').lengthMm[0]);
  });
});

describe('retrieve', () => {
  const jerkbait = categoryOf('suspending-jerkbait');

  it.each([
    [3, [15, 30]],
    [6, [8, 15]],
    [9, [4, 8]],
    [12, [2, 4]],
    [16, [0.5, 2]],
  ])('at %s °C waits %s seconds with the jerkbait', (surfaceTempC, wait) =>
    expect(pauseS('twitch-pause', facts({ surfaceTempC }))).toEqual(wait),
  );

  it('waits less over grass above 50 °F, and not less under it', () => {
    expect(
      pauseS('twitch-pause', facts({ surfaceTempC: 12, 'ground:grass': 1, 'discipline:bass': 1 }))![1],
    ).toBeLessThan(4);
    expect(pauseS('twitch-pause', facts({ surfaceTempC: 9, 'ground:grass': 1, 'discipline:bass': 1 }))).toEqual([4, 8]);
  });

  it('never goes faster as it gets colder, nor past what the lure can do', () => {
    for (const id of ['spinnerbait', 'buzzbait', 'finesse-jig', 'lipless-crankbait'] as const) {
      const category = categoryOf(id);
      let before = 0;
      for (let surfaceTempC = 2; surfaceTempC < 32; surfaceTempC += 0.5) {
        const [from, to] = speedMps(category, 'steady', facts({ surfaceTempC }));
        expect(to).toBeGreaterThanOrEqual(before);
        expect(from).toBeGreaterThanOrEqual(category.paceMps[0]);
        expect(to).toBeLessThanOrEqual(category.paceMps[1]);
        before = to;
      }
    }
  });

  it('picks the style by ground and cold', () => {
    expect(styleOf(categoryOf('lipless-crankbait'), facts({ 'ground:grass': 1 }))).toBe('rip');
    expect(styleOf(categoryOf('lipless-crankbait'), facts({ surfaceTempC: 8 }))).toBe('yo-yo');
    expect(styleOf(categoryOf('lipless-crankbait'), facts({ surfaceTempC: 24 }))).toBe('burn');
    expect(styleOf(categoryOf('spinnerbait'), facts({ surfaceTempC: 8 }))).toBe('slow-roll');
    expect(styleOf(categoryOf('finesse-jig'), facts({ surfaceTempC: 8, cold: 1 }))).toBe('drag');
  });

  it('says how to strike', () => {
    expect(retrieve(jerkbait, [1, 2], facts({}), 'us').text).toContain('Lean into the fish');
    expect(retrieve(categoryOf('finesse-jig'), [1, 2], facts({}), 'us').text).toContain('Set the hook firmly');
  });
});

describe('rig', () => {
  it('goes heavier in wood and mud, lighter in very clear water, never off the shelf of usual tests', () => {
    const test = (known: Known) => rig(categoryOf('finesse-jig'), facts(known)).line.testLb;
    expect(test({ 'ground:wood': 1 })).toBeGreaterThan(test({}));
    expect(test({ 'clarity:muddy': 1 })).toBeGreaterThan(test({}));
    expect(test({ 'clarity:very-clear': 1 })).toBeLessThan(test({}));
  });

  it('softens the rod for cold treble lures', () => {
    expect(rig(categoryOf('square-bill'), facts({ surfaceTempC: 8 })).rod.power).toBe('medium');
    expect(rig(categoryOf('square-bill'), facts({ surfaceTempC: 22 })).rod.power).toBe('medium-heavy');
  });

  it('follows the schools of gear, line and rod', () => {
    const jerkbait = categoryOf('suspending-jerkbait');
    expect(rig(jerkbait, facts({ 'school:jerkbait-gear:low': 1 })).reel.ratio).toBe(5.4);
    expect(rig(jerkbait, facts({ 'school:jerkbait-gear:high': 1 })).reel.ratio).toBe(7.1);
    // A lure that hangs is fished on nylon where it is to rise, or where the angler chose so.
    const line = (known: Known) =>
      rig(jerkbait, facts({ 'school:cold-line:nylon': 1, holdingDepthM: 1.5, ...known })).line.material;
    expect(line({ tempTrendCPerDay: 0.35 })).toBe('nylon');
    expect(line({ tempTrendCPerDay: 0 })).toBe('fluorocarbon');
    expect(line({ tempTrendCPerDay: 0, holdingDepthM: 4, 'school:cold-line:chosen': 1 })).toBe('nylon');
    expect(rig(categoryOf('flat-sided-crankbait'), facts({ 'school:crank-rod:spinning': 1 })).reel.kind).toBe(
      'spinning',
    );
    expect(rig(categoryOf('deep-diver'), facts({ 'school:crank-rod:spinning': 1 })).reel.kind).toBe('casting');
  });

  it('gives frogs braid and finesse a leader', () => {
    expect(rig(categoryOf('hollow-frog'), facts({})).line).toEqual({ material: 'braid', testLb: 65, leader: null });
    expect(rig(categoryOf('drop-shot'), facts({})).line.leader).toMatchObject({ material: 'fluorocarbon' });
  });
});
