import type { WORLD_KINDS } from './index';
import { compareDays, drawWorld, playDay, POLICIES } from './index';

it('draws the same day from the same seed, and another from another', () => {
  const rates = (seed: number) => {
    const { candidates, rate } = drawWorld(seed, 'steady');
    return candidates.map((candidate) => rate(candidate, 500));
  };
  expect(rates(4)).toEqual(rates(4));
  expect(rates(4)).not.toEqual(rates(5));
});

it('draws days that are of their kind', () => {
  const moved = (kind: (typeof WORLD_KINDS)[number]) => {
    const { candidates, rate } = drawWorld(11, kind);
    return candidates.filter((each) => Math.abs(Math.log(rate(each, 800) / rate(each, 719)) + 0.05) > 0.3).length;
  };
  expect(moved('steady')).toBe(0);
  expect(moved('change-at-midday')).toBeGreaterThan(20);
  const empty = (kind: (typeof WORLD_KINDS)[number]) => {
    const spots = new Map<string | null, number>();
    for (let seed = 0; seed < 12; seed++) {
      const { candidates, rate } = drawWorld(seed, kind);
      for (const each of candidates) {
        const key = `${seed} ${each.spot}`;
        spots.set(key, Math.max(spots.get(key) ?? 0, rate(each, 500)));
      }
    }
    return [...spots.values()].filter((best) => best < 0.25).length;
  };
  expect(empty('empty-places')).toBeGreaterThan(empty('steady'));
});

it.each(POLICIES)('plays a day by %s the same twice, within its hours, with effort for every block', (policy) => {
  const world = drawWorld(21, 'steady');
  const [once, again] = [playDay(world, policy, 3), playDay(world, policy, 3)];
  expect(once).toEqual(again);
  const hours = once.blocks.reduce((sum, block) => sum + block.hours, 0);
  expect(hours).toBeGreaterThan(3);
  expect(hours).toBeLessThanOrEqual((world.endMin - world.startMin) / 60);
  expect(once.bites).toBe(once.blocks.reduce((sum, block) => sum + block.bites, 0));
});

it('thins a place out by fishing it, and lets it come back', () => {
  const world = drawWorld(2, 'steady');
  const [candidate] = world.candidates;
  const { id: _, prior: __, ...fished } = candidate!;
  const hour = [{ ...fished, atMin: 420, hours: 1, bites: 0 }];
  expect(world.rested(candidate!, [], 450)).toBe(1);
  expect(world.rested(candidate!, hour, 450)).toBeLessThan(0.7);
  expect(world.rested(candidate!, hour, 800)).toBeGreaterThan(0.95);
});

it('brings more by evidence than by the plan alone, and more by that than by a favourite lure', () => {
  const { perHour, coverage80 } = compareDays(10, 77);
  expect(perHour.evidence / perHour.favourite).toBeGreaterThan(1.3);
  expect(perHour.evidence / perHour.plan).toBeGreaterThan(1.15);
  expect(coverage80).toBeGreaterThan(0.72);
  expect(coverage80).toBeLessThan(0.88);
});
