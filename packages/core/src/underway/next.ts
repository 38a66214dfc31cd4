import type { Fishing } from '../contract/trips.js';
import { minutesInOrder, minuteWithin } from '../day/windows.js';
import type { UnitSystem } from '../units/units.js';
import { onDeck } from '../plan/on-deck.js';
import type { Block, Candidate } from './evidence/fished.js';
import { isCluster, moveBetween, type Mattering, type Move } from './evidence/moves.js';
import { WATER_ANSWERS, latelyOf, type Answer } from './answers.js';
import { blocksOf } from './blocks.js';
import { optionNow, optionsOf, stopsOpen, type Option } from './candidates.js';
import { hasFailed, rankedWindow } from './failed.js';
import { goTo } from './go-to.js';
import { dayClock, windowAt } from './moment.js';
import { decide, type Decision } from './states/decision.js';
import { statesOf, type StateOption } from './states/of-candidates.js';
import { SPEAKS_MIN, statesWords } from './states/words.js';
import type { Trip } from './trip.js';
import { matteringWords, moveWords, oddsWords, rateWords } from './words.js';

/** What to do next, in words and as it would be noted. */
export interface NextStep {
  readonly move: Move;
  readonly text: string;
  /** Bites an hour of it and of staying, with the odds. */
  readonly odds: string;
  readonly because: readonly string[];
  /** Too little was fished for more than a guess. */
  readonly guess: boolean;
  readonly to: Fishing;
  readonly perHour: number;
}

/** What the water has shown so far. */
export interface TripFindings {
  readonly next: NextStep | null;
  /** What matters so far, in words, whatever is done next. */
  readonly matters: readonly string[];
  /** First answers to what was seen lately, in words. */
  readonly tips: readonly string[];
  readonly bites: number;
  readonly hours: number;
}

/** Minutes that changes cost. Judgement: a rod that lies ready is taken up, another lure is tied on. */
const TAKE_UP_MIN = 1;
const TIE_ON_MIN = 4;
const TRIM_MIN = 3;
/** Running without knowing how far; settling in at a place. */
const SOME_WAY_MIN = 10;
const SETTLE_MIN = 3;
/** How fast the boat runs where nobody said. */
const USUAL_SPEED_MPS = 11;
/** What is left where no plan says when the day ends. */
const OPEN_END_MIN = 180;
const MIN_LEFT_MIN = 30;
/** Less effort than this, in hours, is a guess. */
const GUESS_HOURS = 1;

export interface FindingsInput {
  readonly trip: Trip;
  readonly nowMs: number;
  readonly units: UnitSystem;
  readonly lonLat?: readonly [number, number] | null;
  readonly speedMps?: number;
}

function costOf({ trip, lonLat, speedMps = USUAL_SPEED_MPS }: FindingsInput) {
  const { windows = [] } = trip.plan?.plan ?? {};
  // What the plan names first in its windows lies ready on deck.
  const ready = new Set<string>(onDeck(windows, trip.plan?.conditions.maxRods).map(({ category }) => category));
  const stops = new Map(trip.begin.stops.map((stop) => [stop.name, stop]));
  const at = (option: Candidate | null): readonly [number, number] | null =>
    (option?.spot ? stops.get(option.spot)?.lonLat : null) ?? null;
  return (from: Candidate | null, to: Candidate): number => {
    if (!from) return 0;
    const lure = from.category === to.category ? 0 : ready.has(to.category) ? TAKE_UP_MIN : TIE_ON_MIN;
    const trim = from.category === to.category && from.trim !== to.trim ? TRIM_MIN : 0;
    if (from.spot === to.spot && from.structure === to.structure && from.cover === to.cover) return lure + trim;
    const [a, b] = [lonLat ?? at(from), at(to)];
    const way = a && b ? goTo(a, b).distanceM / speedMps / 60 : SOME_WAY_MIN;
    return Math.max(lure + trim, way + SETTLE_MIN);
  };
}

function leftOf({ plan }: Trip, minute: number): number {
  const hours = minutesInOrder(plan?.plan.windows ?? []);
  const [first, last] = [hours[0], hours.at(-1)];
  if (!first || !last) return OPEN_END_MIN;
  return Math.max(MIN_LEFT_MIN, last.toMin - minuteWithin(minute, first.fromMin, last.toMin));
}

/** What can be told of it: what is seen first, then what the water is believed to be, what matters, and the plan. */
function becauseOf(
  words: readonly string[],
  answers: readonly Answer[],
  matters: readonly Mattering[],
  to: Option,
  units: UnitSystem,
): string[] {
  const told = [...answers.map(({ text }) => text), ...words];
  const counted = matters.map((each) => matteringWords(each, units));
  const planned = to.presentation?.because[0]?.text;
  const rest = planned
    ? [`The plan: ${planned}`]
    : ['Of what has been fished it is the likeliest so far; the plan names nothing else.'];
  return [...told, ...counted, ...(told.length + counted.length < 2 ? rest : [])];
}

/** Whether one thing was fished today, and nothing came of it: what it was hoped to change, it did not. */
const failedToday = (blocks: readonly Block[], to: Candidate): boolean =>
  blocks.some((block) => !block.bites && moveBetween(block, to) === 'stay');

/** What the notes so far say, and what is to be done next. The plan is the prior, the notes are the evidence. */
export function findingsOf(ask: FindingsInput): TripFindings {
  const { trip, nowMs, units } = ask;
  const clock = dayClock(trip);
  const atMin = clock.minuteAt(nowMs);
  const hour = clock.hourAt(nowMs);
  const window = trip.plan && windowAt(trip.plan.plan.windows, atMin % 1440);
  // A stop that the tide would not let the boat out of is none to go to; with all shut the plan's kinds of place are left.
  const stops = stopsOpen(trip.begin.stops, trip.plan?.conditions ?? {}, atMin, trip.fishing?.spot ?? null);
  const blocks = blocksOf(trip, nowMs, clock);
  const others = trip.plan && hasFailed(blocks) ? rankedWindow(trip.plan.conditions, atMin % 1440).others : [];
  const options = optionsOf(window, stops, trip.fishing, atMin % 1440, hour, others);
  const now = trip.fishing && optionNow(options, trip.fishing, hour);
  const lately = latelyOf(trip, nowMs);
  const speaking = WATER_ANSWERS.filter(({ when }) => when(lately));
  const byId = new Map(options.map((option) => [option.id, option]));
  const leansOf = (answers: readonly Answer[], to: Candidate): number => {
    const option = byId.get(to.id);
    if (!option || !trip.fishing || failedToday(blocks, to)) return 1;
    const change = { move: moveBetween(now, option), from: trip.fishing, to: option };
    return answers.reduce((factor, { leans }) => factor * leans(change), 1);
  };
  const states = statesOf(options, blocks, atMin);
  const here = states.options.find(({ candidate }) => candidate.id === now?.id) ?? null;
  const costMin = costOf(ask);
  const decision = decide({
    ...states,
    now: here,
    leftMin: leftOf(trip, atMin % 1440),
    costMin: (from, to) => costMin(from?.candidate ?? null, to.candidate),
    leaning: ({ candidate }) => leansOf(speaking, candidate),
  });
  const hours = blocks.reduce((sum, block) => sum + block.hours, 0);
  return {
    next: decision && stepOf(decision),
    matters: now ? states.like.matters(now).map((each) => matteringWords(each, units)) : [],
    tips: speaking.map(({ text }) => text),
    bites: blocks.reduce((sum, { bites }) => sum + bites, 0),
    hours,
  };

  function stepOf({ to, stay, odds }: Decision<StateOption>): NextStep | null {
    const option = byId.get(to.option.candidate.id);
    if (!option) return null;
    const goesOn = !!stay && to.option === stay.option;
    const move = moveOf(now, option, blocks);
    const behind = speaking.filter((answer) => (goesOn ? answer.keeps : leansOf([answer], option) > 1));
    const words = statesWords({
      belief: states.belief,
      here: stay && { at: stay.option.fished.place, empty: stay.empty },
      goesOn,
      nearMisses: blocks
        .filter((block) => now && moveBetween(block, now) !== 'move' && atMin - block.atMin <= SPEAKS_MIN)
        .reduce((sum, { nearMisses = 0 }) => sum + nearMisses, 0),
      nowMin: atMin,
    });
    const range = `likely ${rateWords(to.range80[0])} to ${rateWords(to.range80[1])}`;
    const staying = stay && !goesOn ? `, ${rateWords(stay.perHour)} if you stay` : '';
    const better = odds === null ? '' : `; better in ${oddsWords(odds)}`;
    // By the count alone one would stay: who reads that is told that it is meant.
    const isTry = stay && !goesOn && to.perHour <= stay.perHour;
    return {
      move,
      text: moveWords(move, trip.fishing, option.fishing, units),
      odds: `${rateWords(to.perHour)} bites an hour, ${range}${staying}${better}.${isTry ? ' Worth a try.' : ''}`,
      because: becauseOf(words, behind, states.like.matters(option), option, units),
      guess: hours < GUESS_HOURS,
      to: option.fishing,
      perHour: to.perHour,
    };
  }
}

/** What one changes by going over; several bites in a short stretch call for the same stretch again. */
function moveOf(now: Option | null, to: Option, blocks: readonly Block[]): Move {
  const move = moveBetween(now, to);
  const last = blocks.at(-1);
  return move === 'stay' && last && last.spot === now?.spot && isCluster(last) ? 'turn-back' : move;
}
