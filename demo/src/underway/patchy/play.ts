import { clockOf } from '@inky-shoal/core';
import { PACES, type NextNote } from '@inky-shoal/core/underway/states';
import { normal, seeded } from '../../random.js';
import { poisson } from './chance.js';
import { chooserOf, type Choice, type Choose, type PatchyPolicy, type Told } from './policies.js';
import type { PatchyWorld, Tackle } from './world.js';

/** A day as it was fished. */
export interface PatchyDay {
  readonly bites: number;
  readonly perHour: number;
  readonly notes: readonly NextNote[];
  /** Odds that were said of a change, and whether it was better. */
  readonly odds: readonly { readonly said: number; readonly isTrue: boolean }[];
  /** Rates that were told with a range of four in five: how many, and how many lay in it. */
  readonly told: number;
  readonly held: number;
  /** Minutes from the last bite at a place that had gone dead until it was left. */
  readonly deadMin: readonly number[];
  readonly changes: number;
  /** Changes that went back to what had been fished in vain within the hour. */
  readonly loops: number;
}

/** Minutes between one decision and the next. */
const BLOCK_MIN = 20;
const TIE_MIN = 4;
const TRIM_MIN = 2;
const CASTS_AN_HOUR = 45;
/** Catches come in bunches: shape of the gamma that spreads each stretch's rate. */
const BUNCHES = 1.6;
/** What is so little is nothing. */
const NEXT_TO_NOTHING = 0.02;
/** Under this many bites an hour a place is dead. */
const DEAD_PER_HOUR = 0.5;
const LOOP_MIN = 60;

/** A gamma draw with mean 1, as a sum of exponentials of a rounded shape and a uniform rest. */
function bunched(random: () => number): number {
  // Marsaglia and Tsang 2000, for a shape of 1 and more.
  const d = BUNCHES - 1 / 3;
  const c = 1 / Math.sqrt(9 * d);
  for (;;) {
    const x = normal(random);
    const v = (1 + c * x) ** 3;
    if (v > 0 && Math.log(random()) < 0.5 * x * x + d - d * v + d * Math.log(v)) return (d * v) / BUNCHES;
  }
}

/** Minutes that going over from one thing to another costs. */
export function costMin(from: Tackle | null, to: Tackle): number {
  if (!from) return 0;
  const tie = from.category !== to.category ? TIE_MIN : from.tone !== to.tone ? TRIM_MIN : 0;
  if (from.place === to.place) return tie;
  return Math.max(tie, from.place.minutesTo?.[to.place.id] ?? 0);
}

/** Whether two things are fished alike, as far as one would notice. */
const isAlike = (a: Tackle, b: Tackle): boolean =>
  a.place === b.place &&
  a.category === b.category &&
  a.pace === b.pace &&
  a.tone === b.tone &&
  Math.abs(Math.log(a.depthM / b.depthM)) < 0.15;

/** Which places are put down, and what that leaves of their fish. */
class Rest {
  private readonly until = new Map<string, number>();
  private readonly lately = new Map<string, number[]>();

  constructor(
    private readonly world: PatchyWorld,
    private readonly random: () => number,
  ) {}

  leaves(place: string, atMin: number): number {
    return atMin < (this.until.get(place) ?? 0) ? 0.15 : 1;
  }

  add(place: string, bites: number, atMin: number): void {
    const all = [...(this.lately.get(place) ?? []), ...Array.from({ length: bites }, () => atMin)];
    const within = all.filter((each) => atMin - each < 60);
    const isDown = within.length >= this.world.bears;
    this.lately.set(place, isDown ? [] : within);
    if (isDown) this.until.set(place, atMin + this.world.putDownMin(this.random));
  }
}

/** The note of a stretch, as somebody writes it who fishes: a little wrong. */
function noteOf(
  world: PatchyWorld,
  tackle: Tackle,
  fromMin: number,
  toMin: number,
  caught: number,
  near: number,
  random: () => number,
): NextNote {
  const isRough = world.kind === 'rough-notes';
  const missed = isRough ? 0.1 : 0.03;
  const bites = Array.from({ length: caught }).filter(() => random() >= missed).length;
  const follows = Array.from({ length: near }).filter(() => random() < 0.5).length;
  const step = isRough && random() < 0.15 ? (random() < 0.5 ? -1 : 1) : 0;
  return {
    from: clockOf(fromMin),
    to: clockOf(toMin),
    place: tackle.place.id,
    category: tackle.category,
    depthM: Math.round(tackle.depthM * Math.exp((isRough ? 0.25 : 0.1) * normal(random)) * 10) / 10,
    pace: PACES[Math.min(2, Math.max(0, PACES.indexOf(tackle.pace) + step))] ?? tackle.pace,
    tone: tackle.tone,
    casts: Math.max(
      1,
      Math.round((CASTS_AN_HOUR * (toMin - fromMin) * Math.exp((isRough ? 0.35 : 0.15) * normal(random))) / 60),
    ),
    bites,
    follows,
    shortStrikes: near - follows,
  };
}

/** What is counted of a day: how far what was said was true, and what was changed for nothing. */
class Tally {
  readonly odds: { readonly said: number; readonly isTrue: boolean }[] = [];
  readonly deadMin: number[] = [];
  told = 0;
  held = 0;
  changes = 0;
  loops = 0;
  private readonly fished: { readonly tackle: Tackle; readonly bites: number; readonly toMin: number }[] = [];
  private deadSince: number | null = null;
  private bitesHere = 0;

  constructor(private readonly trueBites: (tackle: Tackle, atMin: number) => number) {}

  /** What was said with a choice. */
  heard({ odds, ranges }: Told, from: Tackle | null, to: Tackle, atMin: number): void {
    if (from && odds !== null) {
      this.odds.push({ said: odds, isTrue: this.trueBites(to, atMin) > this.trueBites(from, atMin) });
    }
    for (const { tackle, range80 } of ranges) {
      const rate = this.trueBites(tackle, atMin);
      this.told++;
      if (rate >= range80[0] - NEXT_TO_NOTHING && rate <= range80[1] + NEXT_TO_NOTHING) this.held++;
    }
  }

  wentOver(from: Tackle, to: Tackle, atMin: number): void {
    if (isAlike(from, to)) return;
    this.changes++;
    const inVain = this.fished.some(
      ({ tackle, toMin, bites }) => atMin - toMin < LOOP_MIN && bites === 0 && isAlike(tackle, to),
    );
    if (inVain) this.loops++;
    if (from.place !== to.place) this.left(atMin);
  }

  /** A place is left, or the day is over: a place that bit and is dead was stayed at for so long. */
  left(atMin: number): void {
    if (this.deadSince !== null && this.bitesHere >= 2) this.deadMin.push(atMin - this.deadSince);
    [this.deadSince, this.bitesHere] = [null, 0];
  }

  stretch(tackle: Tackle, bites: number, toMin: number): void {
    this.fished.push({ tackle, bites, toMin });
    this.bitesHere += bites;
    const isDead = this.trueBites(tackle, toMin) < DEAD_PER_HOUR;
    if (!isDead) this.deadSince = null;
    else if (this.deadSince === null || bites) this.deadSince = toMin;
  }
}

/** Fishes a day by a policy; the same seed, the same luck as far as the same is fished. */
export function playPatchyDay(world: PatchyWorld, policy: PatchyPolicy, seed: number): PatchyDay {
  const random = seeded(seed);
  const rest = new Rest(world, random);
  const trueBites = (tackle: Tackle, atMin: number) =>
    world.rates(tackle, atMin).bites * rest.leaves(tackle.place.id, atMin);
  const choose: Choose = chooserOf(world, policy, { random: seeded(seed + 1), trueBites, costMin });
  const tally = new Tally(trueBites);
  const notes: NextNote[] = [];
  let now: Tackle | null = null;
  let bites = 0;
  for (let atMin = world.startMin; atMin < world.endMin;) {
    const from: Tackle | null = now;
    const { to, told }: Choice = choose({ notes, now, atMin });
    if (told) tally.heard(told, from, to, atMin);
    if (from) tally.wentOver(from, to, atMin);
    atMin += Math.round(costMin(from, to));
    now = to;
    const toMin = Math.min(world.endMin, atMin + BLOCK_MIN);
    if (toMin <= atMin) break;
    const hours = (toMin - atMin) / 60;
    const mid = (atMin + toMin) / 2;
    const { nearMisses } = world.rates(to, mid);
    const caught = poisson(trueBites(to, mid) * hours * bunched(random), random);
    const near = poisson(nearMisses * rest.leaves(to.place.id, mid) * hours, random);
    bites += caught;
    if (caught) rest.add(to.place.id, caught, mid);
    tally.stretch(to, caught, toMin);
    notes.push(noteOf(world, to, atMin, toMin, caught, near, random));
    atMin = toMin;
  }
  tally.left(world.endMin);
  const { odds, told, held, deadMin, changes, loops } = tally;
  const perHour = (bites * 60) / (world.endMin - world.startMin);
  return { bites, perHour, notes, odds, told, held, deadMin, changes, loops };
}
