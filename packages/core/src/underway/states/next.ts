import type { CategoryId, Tone } from '../../contract/ids.js';
import { nameOf } from '../../contract/names.js';
import { parse, type Parsed } from '../../contract/problems.js';
import { minutesOf } from '../../day/windows.js';
import { isCluster, preferences } from '../evidence/moves.js';
import type { Belief, Stretch } from './belief.js';
import { decide, hopeOf, type Decision, type Hope, type Question } from './decision.js';
import { beliefOf } from './kept-belief.js';
import { likeThings } from './like-things.js';
import { DaySoFar } from './so-far.js';
import { hoursOf, type NextOption, PlanPrior, SAME_DEPTH } from './options.js';
import { SPEAKS_MIN, statesWords } from './words.js';
import { NextInput, type NextMoveId, type NextPlace, type Pace } from './said.js';

/** What to do next, and what is to be hoped for of it. */
export interface NextAnswer {
  readonly move: NextMoveId;
  readonly place: string;
  readonly category: CategoryId;
  readonly depthM: number;
  readonly pace: Pace;
  readonly tone: Tone;
  readonly bitesPerHour: number;
  /** The rate lies within it in four cases of five; nothing is in it where nothing is likely. */
  readonly range80: readonly [number, number];
  /** Of what was fished last; null before the first note. */
  readonly stayBitesPerHour: number | null;
  /** How likely the place that it leads to is empty. */
  readonly empty: number;
  /** How likely it brings more an hour than what was fished last; null where that goes on. */
  readonly odds: number | null;
  readonly because: readonly string[];
}

/** What could be thrown, and where. */
export interface Thrown {
  readonly place: string;
  readonly category: CategoryId;
  readonly depthM: number;
  readonly pace: Pace;
  readonly tone: Tone;
}

/** Minutes that changes cost where nobody said. Judgement. */
const RETIE_MIN = 4;
const TRIM_MIN = 2;
const RUN_MIN = 10;

const toHundredths = (value: number): number => Math.round(value * 100) / 100;

/** A day as it stands, believed. */
class StandingDay {
  private readonly prior: PlanPrior;
  private readonly belief: Belief;
  private readonly now: NextOption | null;
  private readonly question: Question<NextOption>;

  constructor(private readonly input: NextInput) {
    this.prior = new PlanPrior(input);
    const since = (clock: string) => this.since(clock);
    const stretches = input.notes.map((note): Stretch => ({
      ...this.prior.fished(note.place, note.category, note.depthM, note.pace, note.tone),
      fromMin: since(note.from),
      toMin: since(note.to),
      hours: hoursOf(note),
      bites: note.bites,
      nearMisses:
        note.follows === undefined && note.shortStrikes === undefined
          ? null
          : (note.follows ?? 0) + (note.shortStrikes ?? 0),
    }));
    this.belief = beliefOf(this.prior.priors, 0, stretches);
    this.belief.advance(since(input.now));
    this.now = this.prior.last();
    const options = this.prior.options(this.now, this.likeliestLures());
    const candidates = options.map(({ candidate }) => candidate);
    const blocks = this.prior.blocks(since);
    this.question = {
      belief: this.belief,
      like: likeThings(candidates, blocks, preferences(blocks, candidates), since(input.now)),
      soFar: new DaySoFar(this.belief.ways, stretches, since(input.now)),
      now: this.now,
      options,
      leftMin: since(input.until) - since(input.now),
      costMin: (from, to) => this.costMin(from, to),
    };
  }

  /** Minutes since the day began: over midnight it goes on. */
  private since(clock: string): number {
    return (minutesOf(clock) - minutesOf(this.input.notes[0]?.from ?? this.input.now) + 1440) % 1440;
  }

  /** Minutes that going over costs: running and tying at once, whichever takes longer. */
  private costMin(from: NextOption | null, to: NextOption): number {
    if (!from) return 0;
    const { retieMinutes = RETIE_MIN, moveMinutes = RUN_MIN } = this.input.costs ?? {};
    const tie = from.category !== to.category ? retieMinutes : from.fished.tone !== to.fished.tone ? TRIM_MIN : 0;
    if (from.place === to.place) return tie;
    return Math.max(tie, runMin(from.place, to.place) ?? moveMinutes);
  }

  private likeliestLures(): number[] {
    const { lures } = this.prior;
    const [place] = this.input.places;
    const rate = lures.map((lure) => {
      const option = this.prior.planned(this.now?.place ?? (place as NextPlace), lure);
      const { feeding } = this.belief.rates(option.fished, 0);
      return this.belief.mean((way) => feeding[way] as number);
    });
    return lures.map((_, at) => at).sort((a, b) => (rate[b] as number) - (rate[a] as number));
  }

  /** What is to be hoped for of anything that could be thrown at one of the places. */
  hopeOf({ place, category, depthM, pace, tone }: Thrown): Hope<NextOption> | null {
    const at = this.input.places.find(({ id }) => id === place);
    if (!at || !this.prior.lures.some((lure) => lure.category === category)) return null;
    return hopeOf(this.question, this.prior.option(at, category, depthM, pace, tone));
  }

  answer(): NextAnswer {
    // There is at least one place, and the plan has a lure for it: something can always be done.
    const { to, stay, odds } = decide(this.question) as Decision<NextOption>;
    const { place, category, depthM, pace, tone } = to.option;
    return {
      move: this.moveTo(to.option),
      place: place.id,
      category,
      depthM: toHundredths(depthM),
      pace,
      tone,
      bitesPerHour: toHundredths(to.perHour),
      range80: [toHundredths(to.range80[0]), toHundredths(to.range80[1])],
      stayBitesPerHour: stay && toHundredths(stay.perHour),
      empty: toHundredths(to.empty),
      odds: odds === null ? null : toHundredths(odds),
      because: this.because(to, stay),
    };
  }

  private moveTo(to: NextOption): NextMoveId {
    const { now } = this;
    if (!now || now.place !== to.place) return 'place';
    if (now.category !== to.category) return 'lure';
    if (Math.abs(now.fished.depthLog - to.fished.depthLog) > SAME_DEPTH) return 'depth';
    if (now.pace !== to.pace) return 'pace';
    if (now.fished.tone !== to.fished.tone) return 'trim';
    const last = this.input.notes.at(-1);
    return last && isCluster({ bites: last.bites, hours: hoursOf(last) }) ? 'turn-back' : 'stay';
  }

  private because(to: Hope<NextOption>, stay: Hope<NextOption> | null): string[] {
    const { now } = this;
    const goesOn = !!stay && to.option === stay.option;
    const said = statesWords({
      belief: this.belief,
      here: now && stay && { at: now.fished.place, empty: stay.empty },
      goesOn,
      nearMisses: this.input.notes
        .filter(({ place, to }) => place === now?.place.id && this.since(this.input.now) - this.since(to) <= SPEAKS_MIN)
        .reduce((sum, { follows = 0, shortStrikes = 0 }) => sum + follows + shortStrikes, 0),
      nowMin: minutesOf(this.input.now),
    });
    if (!now) said.push('Nothing was fished yet: it is a guess, by the plan.');
    else if (stay && !goesOn)
      said.push(`Staying is worth ${stay.perHour.toFixed(1)} bites an hour, this ${to.perHour.toFixed(1)}.`);
    const planned = this.prior.lures[to.option.fished.lure]?.because;
    if (planned) said.push(`The plan has the ${nameOf(to.option.category)}: ${planned}`);
    return said;
  }
}

/** Minutes of running from place to place, where either says so. */
const runMin = (from: NextPlace, to: NextPlace): number | undefined =>
  from.minutesTo?.[to.id] ?? to.minutesTo?.[from.id];

/**
 * A day as it stands: what to do next, and what is to be hoped for of anything that could be thrown; null where nothing is
 * known of it. Never throws on bad input: refusals come back as problems.
 * @param value conditions, now, until, places and notes: see `NextInput`
 */
export function standingDay(value: unknown): Parsed<{
  readonly answer: () => NextAnswer;
  readonly hopeOf: (thrown: Thrown) => Hope<NextOption> | null;
}> {
  const checked = parse(NextInput, value);
  if (!checked.ok) return checked;
  const day = new StandingDay(checked.value);
  return { ok: true, value: { answer: () => day.answer(), hopeOf: (thrown) => day.hopeOf(thrown) } };
}

/** What to do next on a day as it stands: see `standingDay`. */
export function calculateNext(value: unknown): Parsed<NextAnswer> {
  const day = standingDay(value);
  return day.ok ? { ok: true, value: day.value.answer() } : day;
}
