import { Conditions } from '../contract/conditions';
import { categoryOf } from '../lures/categories';
import { judgeDay } from '../plan/judge';
import { usableIn, windowGrounds } from '../plan/window';
import { groundsOf, weighCategories } from '../presentation/score';
import { voicesOn } from '../presentation/voices';
import { preSpawn } from '../testing/trip-log';
import { behindFirst, behindLikeliest, lureTraits, mannerTraits, placeTraits, situationsOf, widthOf } from './traits';

/** The first window of a day, as lures are weighed in it. */
function groundsOfDay(change: object = {}) {
  const day = judgeDay(Conditions.parse({ ...preSpawn, ...change }), 'us');
  const [{ facts, places }] = windowGrounds(day) as [ReturnType<typeof windowGrounds>[number]];
  return groundsOf(places, facts);
}

describe('kinds of water', () => {
  it.each([
    [{ surfaceTempC: 5 }, 'cold', 1],
    [{ surfaceTempC: 16 }, 'mild', 1],
    [{ surfaceTempC: 28 }, 'warm', 1],
    [{ visibilityM: 0.2 }, 'dirty', 1],
    [{ visibilityM: 4 }, 'clear', 1],
    [{ windMps: 0 }, 'calm', 1],
    [{ windMps: 9 }, 'windy', 1],
  ] as const)('%j is %s', (change, situation, degree) => {
    const { all } = situationsOf(groundsOfDay(change).facts);
    expect(all.find(([name]) => name === situation)?.[1] ?? 0).toBeCloseTo(degree, 5);
  });

  it('share a day among them, whatever it is like', () => {
    for (let tempC = 2; tempC < 34; tempC += 1.7) {
      const { warmth, clarity, all } = situationsOf(
        groundsOfDay({ surfaceTempC: tempC, visibilityM: 0.15 * tempC + 0.1, windMps: tempC / 3 }).facts,
      );
      const sum = (degrees: readonly (readonly [string, number])[]) => degrees.reduce((all, [, each]) => all + each, 0);
      expect(sum(warmth)).toBeCloseTo(1, 10);
      expect(sum(clarity)).toBeCloseTo(1, 10);
      expect(sum(all)).toBeCloseTo(4, 10);
    }
  });
});

describe('what bears on a stretch', () => {
  const grounds = groundsOfDay();
  const weighed = weighCategories(usableIn('bass'), grounds);

  it('is believed of beforehand, whatever it is', () => {
    const names = [
      'mean',
      'trust:lures',
      'trust:places',
      ...weighed.flatMap(({ category, place }) => [...lureTraits(category, place, grounds).keys()]),
      ...placeTraits('ditch', 'chunk-rock', grounds.facts).keys(),
      ...mannerTraits(0.4, -1, grounds.facts).keys(),
    ];
    for (const name of new Set(names)) expect(widthOf(name).sd).toBeGreaterThan(0);
    expect(() => widthOf('moon')).toThrow('Nothing is believed of moon beforehand');
  });

  it('is held narrower in one kind of water than altogether, and physics narrower than judgement', () => {
    expect(widthOf('lure:popper|warm').sd).toBeLessThan(widthOf('lure:popper').sd);
    expect(widthOf('rule:its-temperature').sd).toBeLessThan(widthOf('rule:post-front-slow').sd);
    expect(widthOf('depth²').mean).toBeLessThan(0);
  });

  it('stands no farther behind than as good as not there', () => {
    expect(behindFirst(undefined, 2)).toBe(behindFirst(-90, 2));
    expect(behindFirst(1.5, 2)).toBe(-0.5);
    expect(behindLikeliest(undefined, 0.5)).toBe(behindLikeliest(0.0001, 0.5));
    expect(behindLikeliest(0.5, 0.5)).toBe(0);
  });

  it('squares how far depth and pace are off, so that either way is off', () => {
    for (const way of [-1, 1]) {
      const traits = mannerTraits(0.5 * way, way, grounds.facts);
      expect(traits.get('depth²')).toBe(0.25);
      expect(traits.get('pace²')).toBe(1);
      expect(Math.sign(traits.get('depth|cold') ?? 0)).toBe(way);
    }
  });
});

describe('the voices of rules on a lure', () => {
  it('are loud against what the day spoils and for what it is made for', () => {
    const grounds = groundsOfDay({ front: 'post-frontal', surfaceTempC: 9 });
    const [place] = grounds.places.map((each) => each.place);
    const of = (id: Parameters<typeof categoryOf>[0]) => {
      const voices = voicesOn(categoryOf(id), place!, grounds);
      return voices.reduce((sum, { logWeight }) => sum + logWeight, 0);
    };
    expect(of('suspending-jerkbait')).toBeGreaterThan(of('buzzbait'));
    const slow = voicesOn(categoryOf('lipless-crankbait'), place!, grounds).find(
      ({ rule }) => rule === 'post-front-slow',
    );
    expect(slow?.logWeight).toBeLessThan(0);
  });

  it('are silent about the front where there is none', () => {
    const grounds = groundsOfDay({ front: 'stable' });
    const rules = grounds.places.flatMap(({ place }) =>
      voicesOn(categoryOf('lipless-crankbait'), place, grounds).map(({ rule }) => rule),
    );
    expect(rules).not.toContain('post-front-slow');
    expect(rules.length).toBeGreaterThan(0);
  });
});
