import {
  nextMove,
  posterior,
  preferenceOf,
  preferences,
  usualLog,
  Z80,
  type Block,
  type Candidate,
} from '@inky-shoal/core/underway/evidence';
import { seeded } from '../random.js';
import type { World } from './world.js';

/** Who fishes a day: what he knows, and what he does with it. */
export const POLICIES = ['favourite', 'random', 'plan', 'evidence'] as const;
export type Policy = (typeof POLICIES)[number];

/** A day as it was fished. */
export interface PlayedDay {
  readonly blocks: readonly Block[];
  readonly bites: number;
  /** Bites an hour of the whole day, running and tying included. */
  readonly perHour: number;
  /** Of the rates that were told with their range of four in five: how many, and how many lay in it. */
  readonly told: number;
  readonly held: number;
}

/** Minutes between one decision and the next; how long a place is fished where nothing is learnt. */
const BLOCK_MIN = 20;
const STAY_BLOCKS = 2;
/** Rates that are told at each hour, to be held against the truth. */
const TOLD = 4;

/** A count with a mean, by Knuth's multiplication of uniform draws. */
function poisson(mean: number, random: () => number): number {
  const limit = Math.exp(-mean);
  let count = 0;
  for (let product = random(); product > limit; product *= random()) count++;
  return count;
}

type Choose = (blocks: readonly Block[], now: Candidate | null, atMin: number) => Candidate;

/** The best of each place by the plan, the best place first. */
function planned(candidates: readonly Candidate[]): Candidate[] {
  const best = new Map<string | null, Candidate>();
  for (const each of candidates) {
    const before = best.get(each.spot);
    if (!before || each.prior > before.prior) best.set(each.spot, each);
  }
  return [...best.values()].sort((a, b) => b.prior - a.prior);
}

function chooser(world: World, policy: Policy, random: () => number): Choose {
  const { candidates } = world;
  const pick = () => candidates[Math.floor(random() * candidates.length)] as Candidate;
  if (policy === 'evidence') {
    return (blocks, now, atMin) => {
      const { endMin, costMin } = world;
      const asked = { blocks, candidates, nowId: now?.id ?? null, atMin, leftMin: endMin - atMin, costMin };
      return nextMove(asked)?.to ?? pick();
    };
  }
  if (policy === 'random') return (blocks, now) => (now && blocks.length % STAY_BLOCKS ? now : pick());
  const { category } = pick();
  const round = planned(policy === 'plan' ? candidates : candidates.filter((each) => each.category === category));
  return (blocks) => round[Math.floor(blocks.length / STAY_BLOCKS) % round.length] as Candidate;
}

/** Fishes a day by a policy. Bites come by chance at the world's true rates; the same seed, the same day. */
export function playDay(world: World, policy: Policy, seed: number): PlayedDay {
  const random = seeded(seed);
  const choose = chooser(world, policy, random);
  const usual = usualLog(world.candidates);
  const blocks: Block[] = [];
  let now: Candidate | null = null;
  let [bites, told, held] = [0, 0, 0];
  for (let atMin = world.startMin; atMin < world.endMin;) {
    const to: Candidate = choose(blocks, now, atMin);
    atMin += world.costMin(now, to);
    now = to;
    const minutes = Math.min(BLOCK_MIN, world.endMin - atMin);
    if (minutes <= 0) break;
    const rate = world.rate(to, atMin) * world.rested(to, blocks, atMin);
    const caught = poisson((rate * minutes) / 60, random);
    bites += caught;
    const { id: _, prior: __, ...fished } = to;
    blocks.push({ ...fished, atMin: atMin + minutes / 2, hours: minutes / 60, bites: caught });
    atMin += minutes;
    if (policy !== 'evidence' || blocks.length % 3) continue;
    const known = posterior(blocks, preferences(blocks, world.candidates));
    for (let each = 0; each < TOLD; each++) {
      const asked = world.candidates[Math.floor(random() * world.candidates.length)] as Candidate;
      const { logMean, logSd } = known.rate({ fished: asked, preference: preferenceOf(asked.prior, usual) }, atMin);
      told++;
      if (Math.abs(Math.log(world.rate(asked, atMin) * world.rested(asked, blocks, atMin)) - logMean) <= Z80 * logSd)
        held++;
    }
  }
  return { blocks, bites, perHour: (bites * 60) / (world.endMin - world.startMin), told, held };
}
