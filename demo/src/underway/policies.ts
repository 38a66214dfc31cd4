import type { Block, Candidate } from '@inky-shoal/core/underway/evidence';
import { decide, hopeOf, statesOf, type Question, type StateOption } from '@inky-shoal/core/underway/states';
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

/** The day so far, as it is asked what to do next. */
function asked(world: World, blocks: readonly Block[], now: Candidate | null, atMin: number): Question<StateOption> {
  const { options, ...known } = statesOf(world.candidates, blocks, atMin);
  return {
    ...known,
    options,
    now: options.find(({ candidate }) => candidate === now) ?? null,
    leftMin: world.endMin - atMin,
    costMin: (from, to) => world.costMin(from?.candidate ?? null, to.candidate),
  };
}

function chooser(world: World, policy: Policy, random: () => number): Choose {
  const { candidates } = world;
  const pick = () => candidates[Math.floor(random() * candidates.length)] as Candidate;
  if (policy === 'evidence') {
    return (blocks, now, atMin) => decide(asked(world, blocks, now, atMin))?.to.option.candidate ?? pick();
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
    const question = asked(world, blocks, now, atMin);
    for (let each = 0; each < TOLD; each++) {
      const option = question.options[Math.floor(random() * question.options.length)] as StateOption;
      const { range80 } = hopeOf(question, option);
      const rate = world.rate(option.candidate, atMin) * world.rested(option.candidate, blocks, atMin);
      told++;
      if (rate >= range80[0] && rate <= range80[1]) held++;
    }
  }
  return { blocks, bites, perHour: (bites * 60) / (world.endMin - world.startMin), told, held };
}
