import { rejudge } from '../plan/judge.js';
import { firstChoice } from '../plan/window.js';
import { day } from '../testing/days.js';
import { drawScene } from './scene.js';
import { gradeSpot, underThumb } from './spot.js';
import { gradeTurn, turnPlaces, turnRound, turnWords, type TurnKey } from './turn.js';
import { keyOf } from './key.js';
import { strokesOf } from './strokes.js';

const turned: readonly TurnKey[] = [2, 5, 9].flatMap((seed) => turnRound(drawScene(seed, 'bass'), seed, 'us') ?? []);
const middle = ([from, to]: readonly [number, number]) => (from + to) / 2;

describe('a day turned round', () => {
  it('asks for a lure that does not come first on it, and comes first in the water that is told', () => {
    expect(turned.length).toBeGreaterThan(1);
    for (const { day: judged, index, category, tempC, visibilityM } of turned) {
      const window = judged.windows[index]!;
      expect(firstChoice(judged, window)?.category.id).not.toBe(category);
      for (const surfaceTempC of [tempC[0] + 0.01, tempC[1] - 0.01]) {
        // At the edges of what was found, in the visibility in which it was found.
        const found = [0.2, 0.5, 1.2, 2.6, 5].some((each) => {
          const other = rejudge(judged, { surfaceTempC, visibilityM: each });
          return firstChoice(other, other.windows[index]!)?.category.id === category;
        });
        expect(found).toBe(true);
      }
      expect(visibilityM[0]).toBeLessThanOrEqual(visibilityM[1]);
    }
  });

  it('gives the same lure for the same seed', () => {
    expect(turnRound(drawScene(2, 'bass'), 2, 'us')?.category).toBe(turned[0]?.category);
  });

  it('gives full marks for the water and place where it comes first, and less for what is far from it', () => {
    for (const key of turned) {
      const [place] = key.places;
      if (!place) continue;
      const visibilityM = Math.sqrt(key.visibilityM[0] * key.visibilityM[1]);
      const right = gradeTurn(key, { surfaceTempC: middle(key.tempC), visibilityM, ...place });
      expect(right.score).toBeGreaterThan(0.8);
      expect(right.best).toBe(turnWords(key));
      expect(right.best).toMatch(/°F.*that one sees .* into/);
    }
    const scores = turned.flatMap((key) =>
      [2, 14, 30].map((surfaceTempC) => {
        const { structures, covers } = turnPlaces({ conditions: key.day.given, at: 0 });
        return gradeTurn(key, { surfaceTempC, visibilityM: 0.15, structure: structures[0]!, cover: covers[0]! }).score;
      }),
    );
    expect(Math.min(...scores)).toBeLessThan(0.5);
    expect(scores.every((score) => score >= 0 && score <= 1)).toBe(true);
  });
});

describe('a spot on a chart', () => {
  const heat = new Uint8Array(100);
  heat[55] = 255;
  heat[11] = 100;
  const best = { zone: 'Long Arm', structure: 'bluff-end' as const, because: ['Wind blows onto it'] };
  const grade = (cell: number | null, off = false) => gradeSpot({ heat, cols: 10, best }, cell, off);

  it('counts by what the scan gives it beside the best, under a thumb', () => {
    expect(underThumb(heat, 10, 33)).toBe(55);
    expect(underThumb(heat, 10, 0)).toBe(11);
    expect(underThumb(heat, 10, 99, 0)).toBe(99);
    expect(grade(55)).toMatchObject({
      score: 1,
      best: 'Bluff end, Long Arm',
      because: ['Wind blows onto it'],
      against: [],
    });
    expect(grade(0).score).toBeCloseTo(100 / 255 / 0.85, 6);
    expect(grade(8)).toMatchObject({ score: 0, against: ['No better than the usual water of this chart'] });
  });

  it('says that the minute was over, or that there is no water, and goes on', () => {
    expect(grade(null)).toMatchObject({ score: 0, against: ['The minute was over'] });
    expect(grade(5, true)).toMatchObject({ score: 0, against: ['There is no water'] });
  });
});

describe('strokes over the hours', () => {
  const key = keyOf({ conditions: day({ surfaceTempC: 8, visibilityM: 2 }), at: 0.5 }, 'us');

  it("has one's own lure where it truly runs over one's own band, and the planner's over its own", () => {
    const bandsM = key.hours.map((_, at): [number, number] | null => (at ? [2, 4] : null));
    const strokes = strokesOf(key, 'lipless-crankbait', bandsM);
    expect(strokes).toHaveLength(key.hours.length);
    expect(strokes[0]?.ownM).toBeNull();
    for (const { ownM, plannedM, planned } of strokes.slice(1)) {
      expect(ownM![0]).toBeLessThanOrEqual(ownM![1]);
      expect(ownM![1]).toBeLessThanOrEqual(6);
      expect(plannedM).not.toBeNull();
      expect(planned).toMatch(/^[a-z]/);
    }
    expect(strokes[key.index]?.planned).toBe(key.told.presentations[0]?.category.replaceAll('-', ' '));
  });

  it('keeps a lure of the top at the top, whatever band it is drawn over', () => {
    const [stroke] = strokesOf(key, 'buzzbait', [[8, 9]]);
    expect(stroke!.ownM![1]).toBeLessThan(0.5);
  });
});
