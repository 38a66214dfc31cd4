import { NextInput } from '@inky-shoal/core/underway/states';
import {
  comparePatchyDays,
  drawPatchyWorld,
  PATCHY_KINDS,
  PATCHY_POLICIES,
  playPatchyDay,
  type PatchyWorld,
} from './index';

const HOURS_MIN = [400, 480, 560, 640, 720, 800] as const;

/** True bites an hour of the plan's lures at all places and some hours, the plan's own way. */
const ratesOf = (world: PatchyWorld): number[] =>
  HOURS_MIN.flatMap((atMin) =>
    world.places.flatMap((place) =>
      world.planned.lures.map((lure) => world.rates(world.plannedTackle(place, lure), atMin).bites),
    ),
  );
const worlds = (kind: (typeof PATCHY_KINDS)[number], count: number): PatchyWorld[] =>
  Array.from({ length: count }, (_, seed) => drawPatchyWorld(seed, kind));

it('draws the same day from the same seed, and another from another', () => {
  expect(ratesOf(drawPatchyWorld(4, 'plain'))).toEqual(ratesOf(drawPatchyWorld(4, 'plain')));
  expect(ratesOf(drawPatchyWorld(4, 'plain'))).not.toEqual(ratesOf(drawPatchyWorld(5, 'plain')));
});

it('has most of what could be thrown dead or nearly so, and the fish at few places', () => {
  const rates = worlds('plain', 20).flatMap(ratesOf);
  const dead = rates.filter((rate) => rate < 0.1).length / rates.length;
  expect(dead).toBeGreaterThan(0.3);
  expect(dead).toBeLessThan(0.6);
  expect(Math.max(...rates)).toBeGreaterThan(3);
});

it('has schools that roam where they do, and stay where they do not', () => {
  const moved = (kind: (typeof PATCHY_KINDS)[number]) =>
    worlds(kind, 12).filter((world) => {
      const [lure] = world.planned.lures;
      const live = (atMin: number) =>
        world.places.map((place) => world.rates(world.plannedTackle(place, lure!), atMin).nearMisses > 0.3).join();
      return live(400) !== live(880);
    }).length;
  expect(moved('roaming')).toBeGreaterThan(moved('plain'));
});

it('takes fish only within their depths, and less outside where these are narrow', () => {
  const lost = (kind: (typeof PATCHY_KINDS)[number]) => {
    const shares = worlds(kind, 12).flatMap((world) =>
      world.places.flatMap((place) => {
        const tackle = world.plannedTackle(place, world.planned.lures[0]!);
        const all = [0.4, 0.6, 0.8, 1, 1.25, 1.6, 2.4].map(
          (times) => world.rates({ ...tackle, depthM: tackle.depthM * times }, 500).bites,
        );
        const most = Math.max(...all);
        return most > 0.3 ? [Math.min(...all) / most] : [];
      }),
    );
    return shares.reduce((sum, share) => sum + share, 0) / shares.length;
  };
  expect(lost('plain')).toBeLessThan(0.6);
  expect(lost('narrow')).toBeLessThan(lost('plain'));
});

it.each(PATCHY_POLICIES)('plays a day by %s the same twice, with notes that the command takes', (policy) => {
  const world = drawPatchyWorld(21, 'rough-notes');
  const [once, again] = [playPatchyDay(world, policy, 3), playPatchyDay(world, policy, 3)];
  expect(once).toEqual(again);
  const { conditions, places } = world;
  const day = { conditions, places, notes: once.notes, now: '15:00', until: '16:00' };
  expect(NextInput.safeParse(day).success).toBe(true);
  expect(once.notes.length).toBeGreaterThan(8);
  const noted = once.notes.reduce((sum, { bites }) => sum + bites, 0);
  expect(noted).toBeLessThanOrEqual(once.bites);
});

it('compares policies on the same days: none catches more than one who knows, and next more than simple rules', () => {
  const { days, perHour, byKind, worseThanPlan, coverage80, oddsGap, loops } = comparePatchyDays(2, 31_000);
  expect(days).toBe(2 * PATCHY_KINDS.length);
  for (const policy of PATCHY_POLICIES) expect(perHour[policy]).toBeLessThanOrEqual(perHour.oracle);
  const mean = PATCHY_KINDS.reduce((sum, kind) => sum + byKind[kind].states, 0) / PATCHY_KINDS.length;
  expect(mean).toBeCloseTo(perHour.states, 9);
  expect(perHour.states).toBeGreaterThan(Math.max(perHour.plan, perHour.human, perHour.favourite));
  for (const share of [worseThanPlan, coverage80, oddsGap, loops]) {
    expect(share).toBeGreaterThanOrEqual(0);
    expect(share).toBeLessThanOrEqual(1);
  }
});
