import type { Fishing } from '../contract/trips.js';
import { minutesInOrder, minuteWithin } from '../day/windows.js';
import type { UnitSystem } from '../units/units.js';
import { onDeck } from '../plan/on-deck.js';
import type { Candidate } from './evidence/fished.js';
import { moveBetween, nextMove, type MoveAdvice, type Move } from './evidence/next-move.js';
import { rateAt, type Rate } from './evidence/posterior.js';
import { WATER_ANSWERS, latelyOf, type Answer } from './answers.js';
import { blocksOf } from './blocks.js';
import { optionNow, optionsOf, stopsOpen, type Option } from './candidates.js';
import { goTo } from './go-to.js';
import { dayClock, windowAt } from './moment.js';
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

function becauseOf(advice: MoveAdvice, to: Option, answers: readonly Answer[], units: UnitSystem): string[] {
  const told = answers.map(({ text }) => text);
  const counted = advice.because.map((each) => matteringWords(each, units));
  const planned = to.presentation?.because[0]?.text;
  const rest = planned
    ? [`The plan: ${planned}`]
    : ['Of what has been fished it is the likeliest so far; the plan names nothing else.'];
  return [...told, ...counted, ...(told.length + counted.length < 2 ? rest : [])];
}

/** The rate that is as likely too high as too low; the mean of one that is little known is drawn up by what it might be. */
const likely = (rate: Rate): number => rateAt(rate, 0);

/** What the notes so far say, and what is to be done next. The plan is the prior, the notes are the evidence. */
export function findingsOf(ask: FindingsInput): TripFindings {
  const { trip, nowMs, units } = ask;
  const clock = dayClock(trip);
  const atMin = clock.minuteAt(nowMs);
  const hour = clock.hourAt(nowMs);
  const window = trip.plan && windowAt(trip.plan.plan.windows, atMin % 1440);
  // A stop that the tide would not let the boat out of is none to go to; with all shut the plan's kinds of place are left.
  const stops = stopsOpen(trip.begin.stops, trip.plan?.conditions ?? {}, atMin, trip.fishing?.spot ?? null);
  const options = optionsOf(window, stops, trip.fishing, atMin % 1440, hour);
  const blocks = blocksOf(trip, nowMs, clock);
  const now = trip.fishing && optionNow(options, trip.fishing, hour);
  const lately = latelyOf(trip, nowMs);
  const speaking = WATER_ANSWERS.filter(({ when }) => when(lately));
  const byId = new Map(options.map((option) => [option.id, option]));
  const leansOf = (answers: readonly Answer[], to: Candidate): number => {
    const option = byId.get(to.id);
    if (!option || !trip.fishing) return 1;
    const change = { move: moveBetween(now, option), from: trip.fishing, to: option };
    return answers.reduce((factor, { leans }) => factor * leans(change), 1);
  };
  const advice = nextMove({
    blocks,
    candidates: options,
    nowId: now?.id ?? null,
    atMin,
    leftMin: leftOf(trip, atMin % 1440),
    costMin: costOf(ask),
    leaning: (to) => leansOf(speaking, to),
  });
  return {
    next: advice && stepOf(advice),
    matters: advice?.here.map((each) => matteringWords(each, units)) ?? [],
    tips: speaking.map(({ text }) => text),
    bites: blocks.reduce((sum, { bites }) => sum + bites, 0),
    hours: blocks.reduce((sum, { hours }) => sum + hours, 0),
  };

  function stepOf(found: MoveAdvice): NextStep | null {
    const to = byId.get(found.to.id);
    if (!to) return null;
    const { move } = found;
    const stays = move === 'stay' || move === 'turn-back';
    const behind = speaking.filter((answer) => (stays ? answer.keeps : leansOf([answer], to) > 1));
    const stay = found.now && !stays ? `, ${rateWords(likely(found.now))} if you stay` : '';
    const better = found.odds !== null && !stays ? `; better in ${oddsWords(found.odds)}` : '';
    return {
      move,
      text: moveWords(move, trip.fishing, to.fishing, units),
      odds: `${rateWords(likely(found.rate))} bites an hour${stay}${better}.`,
      because: becauseOf(found, to, behind, units),
      guess: found.guess,
      to: to.fishing,
      perHour: likely(found.rate),
    };
  }
}
