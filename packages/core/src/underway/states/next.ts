import type { CategoryId, Tone } from '../../contract/ids.js';
import { nameOf } from '../../contract/names.js';
import { parse, type Parsed } from '../../contract/problems.js';
import { clockOf, minutesOf } from '../../day/windows.js';
import { Belief, chanceOf, EMPTY_RATE, type Rates } from './belief.js';
import { hoursOf, type NextOption, PlanPrior } from './options.js';
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

/** Minutes that changes cost where nobody said. Judgement. */
const RETIE_MIN = 4;
const TRIM_MIN = 2;
const RUN_MIN = 10;
/** A trial is so long; what is learnt in it is of use for so long. */
const TRIAL_MIN = 25;
const AHEAD_MIN = 100;
/** So many of the likeliest options are looked ahead from, and to. */
const LOOKED_AT = 22;
/** To be worth a change, something must be better by so much. */
const WORTH_CHANGING = 1.04;
/** The same of a run to a place of which less is to be expected, on the hope that it is better than that. */
const WORTH_HOPING = 1.3;
/** Several bites in so short a stretch call for the same stretch again. */
const CLUSTER_BITES = 2;
const CLUSTER_HOURS = 0.6;
/** A place is spoken of as empty, and as put down, from so much on. */
const SAID_EMPTY = 0.6;
const SAID_PUT_DOWN = 0.6;
const SAID_FEEDING = 0.65;
const SAID_RESTING = 0.3;

const toHundredths = (value: number): number => Math.round(value * 100) / 100;

/** Rates of an option in every way and state, some minutes from now. */
interface Outlook extends Rates {
  readonly option: NextOption;
  readonly costMin: number;
  readonly mean: number;
}

/** What is believed after a trial that went one way. */
interface Outcome {
  readonly weight: Float64Array;
  readonly fed: Float64Array;
  readonly held: Float64Array;
}
const outcome = (ways: number): Outcome => ({
  weight: new Float64Array(ways),
  fed: new Float64Array(ways),
  held: new Float64Array(ways),
});

/** A day as it stands, believed and looked ahead in. */
class NextDecision {
  private readonly prior: PlanPrior;
  private readonly belief: Belief;
  private readonly now: NextOption | null;
  private readonly leftMin: number;

  constructor(private readonly input: NextInput) {
    this.prior = new PlanPrior(input);
    const begin = minutesOf(input.notes[0]?.from ?? input.now);
    const since = (clock: string) => (minutesOf(clock) - begin + 1440) % 1440;
    this.belief = new Belief(this.prior.priors, 0);
    for (const note of input.notes) {
      this.belief.observe({
        ...this.prior.fished(note.place, note.category, note.depthM, note.pace, note.tone),
        fromMin: since(note.from),
        toMin: since(note.to),
        hours: hoursOf(note),
        bites: note.bites,
        nearMisses: (note.follows ?? 0) + (note.shortStrikes ?? 0),
      });
    }
    this.belief.advance(since(input.now));
    this.leftMin = since(input.until) - since(input.now);
    this.now = this.prior.last();
  }

  /** Minutes that going over costs: running and tying at once, whichever takes longer. */
  private costMin(from: NextOption | null, to: NextOption): number {
    if (!from) return 0;
    const { retieMinutes = RETIE_MIN, moveMinutes = RUN_MIN } = this.input.costs ?? {};
    const tie = from.category !== to.category ? retieMinutes : from.fished.tone !== to.fished.tone ? TRIM_MIN : 0;
    if (from.place === to.place) return tie;
    return Math.max(tie, this.runMin(from.place, to.place) ?? moveMinutes);
  }

  private runMin(from: NextPlace, to: NextPlace): number | undefined {
    return from.minutesTo?.[to.id] ?? to.minutesTo?.[from.id];
  }

  private outlook(option: NextOption): Outlook {
    const { belief } = this;
    const costMin = this.costMin(this.now, option);
    const look = {
      option,
      costMin,
      ...belief.rates(option.fished, belief.rememberedIn(option.fished.place, costMin)),
    };
    return { ...look, mean: belief.mean((way) => this.rateIn(look, way, this.fed(way), this.held(option, way))) };
  }

  private fed(way: number): number {
    return this.belief.feeds[way] as number;
  }
  private held({ fished }: NextOption, way: number): number {
    return (this.belief.holds[fished.place] as Float64Array)[way] as number;
  }
  private rateIn({ feeding, resting }: Rates, way: number, fed: number, held: number): number {
    return held * (fed * (feeding[way] as number) + (1 - fed) * (resting[way] as number)) + (1 - held) * EMPTY_RATE;
  }

  /**
   * Bites to be hoped for of a trial and of the best that can be done after it, whether it brought something or nothing (the
   * knowledge gradient, Frazier et al. 2008, over an outcome of two).
   */
  private worth(of: Outlook, all: readonly Outlook[]): number {
    const { belief } = this;
    const { weights, ways } = belief;
    const trialMin = Math.min(TRIAL_MIN, Math.max(0, this.leftMin - of.costMin));
    if (trialMin <= 0) return 0;
    const hours = trialMin / 60;
    const restMin = Math.min(AHEAD_MIN, this.leftMin - of.costMin - trialMin);
    const trial = of.mean * hours;
    if (restMin <= 0) return trial;
    // After nothing, and after something: the weight of each way, and in it that fish feed and that the place holds them.
    const [none, some] = [outcome(ways), outcome(ways)];
    let chance = 0;
    for (let way = 0; way < ways; way++) {
      const [fed, held] = [this.fed(way), this.held(of.option, way)];
      const feeding = chanceOf(0, (of.feeding[way] as number) * hours);
      const resting = chanceOf(0, (of.resting[way] as number) * hours);
      const empty = chanceOf(0, EMPTY_RATE * hours);
      const total = held * (fed * feeding + (1 - fed) * resting) + (1 - held) * empty;
      const weight = weights[way] as number;
      none.weight[way] = weight * total;
      some.weight[way] = weight * (1 - total);
      none.held[way] = (held * (fed * feeding + (1 - fed) * resting)) / total;
      none.fed[way] = (fed * (held * feeding + (1 - held) * empty)) / total;
      some.held[way] = after(held, none.held[way] as number, total);
      some.fed[way] = after(fed, none.fed[way] as number, total);
      chance += weight * total;
    }
    /** Bites of the best that can be done after an outcome, over the hours that are left for it, times its chance. */
    const bestAfter = ({ weight, fed, held }: Outcome): number => {
      let best = 0;
      for (const next of all) {
        const costMin = next === of ? 0 : this.costMin(of.option, next.option);
        const same = next.option.fished.place === of.option.fished.place;
        const holds = same ? held : (belief.holds[next.option.fished.place] as Float64Array);
        const { feeding, resting } = next;
        let sum = 0;
        for (let way = 0; way < ways; way++) {
          const f = fed[way] as number;
          const h = holds[way] as number;
          const there = f * (feeding[way] as number) + (1 - f) * (resting[way] as number);
          sum += (weight[way] as number) * (h * there + (1 - h) * EMPTY_RATE);
        }
        best = Math.max(best, (sum * Math.max(0, restMin - costMin)) / 60);
      }
      return best;
    };
    return trial + bestAfter(none) + (chance < 1 ? bestAfter(some) : 0);
  }

  /** How likely one thing brings more an hour than another, over all ways and states. */
  private oddsOf(to: Outlook, stay: Outlook): number {
    const same = to.option.place === stay.option.place;
    return this.belief.mean((way) => {
      let odds = 0;
      for (const [fed, isFeeding] of [
        [this.fed(way), true],
        [1 - this.fed(way), false],
      ] as const) {
        const [a, b] = [
          (isFeeding ? to.feeding : to.resting)[way] as number,
          (isFeeding ? stay.feeding : stay.resting)[way] as number,
        ];
        const [heldTo, heldStay] = [this.held(to.option, way), this.held(stay.option, way)];
        const better = a > b ? 1 : a === b ? 0.5 : 0;
        odds +=
          fed *
          (same
            ? heldTo * better + (1 - heldTo) * 0.5
            : heldTo * heldStay * better + heldTo * (1 - heldStay) + (1 - heldTo) * (1 - heldStay) * 0.5);
      }
      return odds;
    });
  }

  /** Bounds of a rate in four cases of five, over all ways and states: the empty place is one of them. */
  private range80(of: Outlook): readonly [number, number] {
    const cases: (readonly [rate: number, weight: number])[] = [];
    for (let way = 0; way < this.belief.ways; way++) {
      const weight = this.belief.weights[way] as number;
      const [fed, held] = [this.fed(way), this.held(of.option, way)];
      cases.push([of.feeding[way] as number, weight * held * fed]);
      cases.push([of.resting[way] as number, weight * held * (1 - fed)]);
      cases.push([0, weight * (1 - held)]);
    }
    cases.sort((a, b) => a[0] - b[0]);
    const at = (share: number): number => {
      let sum = 0;
      for (const [rate, weight] of cases) if ((sum += weight) >= share) return toHundredths(rate);
      return toHundredths(cases.at(-1)?.[0] ?? 0);
    };
    return [at(0.1), at(0.9)];
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

  answer(): NextAnswer {
    const looks = this.prior.options(this.likeliestLures()).map((option) => this.outlook(option));
    const stay = this.now ? (looks[0] as Outlook) : null;
    const byHope = (look: Outlook) => look.mean * Math.max(0, this.leftMin - look.costMin);
    const others = looks.filter((look) => look !== stay).sort((a, b) => byHope(b) - byHope(a));
    const looked = [...(stay ? [stay] : []), ...others.slice(0, LOOKED_AT)];
    const worths = looked.map((look) => this.worth(look, looked));
    // What goes on is worth what it is. To leave a place on hope alone, for one that brings less by what is known, is dear.
    const price = (look: Outlook): number => {
      if (!stay || look === stay) return 1;
      const onHope = look.option.place !== stay.option.place && look.mean < stay.mean;
      return onHope ? WORTH_HOPING : WORTH_CHANGING;
    };
    let best = 0;
    const net = worths.map((worth, at) => worth / price(looked[at] as Outlook));
    net.forEach((worth, at) => {
      if (worth > (net[best] as number)) best = at;
    });
    const to = looked[best] as Outlook;
    const { place, category, depthM, pace, tone } = to.option;
    return {
      move: this.moveTo(to.option),
      place: place.id,
      category,
      depthM: toHundredths(depthM),
      pace,
      tone,
      bitesPerHour: toHundredths(to.mean),
      range80: this.range80(to),
      stayBitesPerHour: stay && toHundredths(stay.mean),
      empty: toHundredths(this.belief.mean((way) => 1 - this.held(to.option, way))),
      odds: stay && to !== stay ? toHundredths(this.oddsOf(to, stay)) : null,
      because: this.because(to, stay),
    };
  }

  private moveTo(to: NextOption): NextMoveId {
    const { now } = this;
    if (!now || now.place !== to.place) return 'place';
    if (now.category !== to.category) return 'lure';
    if (Math.abs(now.fished.depthLog - to.fished.depthLog) > 0.05) return 'depth';
    if (now.pace !== to.pace) return 'pace';
    if (now.fished.tone !== to.fished.tone) return 'trim';
    const last = this.input.notes.at(-1);
    return last && last.bites >= CLUSTER_BITES && hoursOf(last) <= CLUSTER_HOURS ? 'turn-back' : 'stay';
  }

  private because(to: Outlook, stay: Outlook | null): string[] {
    const { belief, now } = this;
    const said: string[] = [];
    const feeds = belief.mean((way) => this.fed(way));
    if (now) {
      const empty = belief.mean((way) => 1 - this.held(now, way));
      const rested = belief.rested(now.fished.place);
      if (empty >= SAID_EMPTY) said.push(`${now.place.id} is likely empty (${tenths(empty)}).`);
      else if (rested <= SAID_PUT_DOWN) {
        const back = minutesOf(this.input.now) + belief.minutesUntilRested(now.fished.place);
        said.push(`They were at ${now.place.id} and are put down: back at ${clockOf(back)}.`);
      }
      const misses = this.input.notes
        .filter(({ place }) => place === now.place.id)
        .reduce((sum, { follows = 0, shortStrikes = 0 }) => sum + follows + shortStrikes, 0);
      if (misses && empty < SAID_EMPTY)
        said.push(`${misses} came and did not take it: fish are there, and something is off.`);
      if (to !== stay && stay)
        said.push(`Staying is worth ${stay.mean.toFixed(1)} bites an hour, this ${to.mean.toFixed(1)}.`);
    } else said.push('Nothing was fished yet: it is a guess, by the plan.');
    if (feeds >= SAID_FEEDING) said.push(to === stay ? 'They feed now: stay.' : 'They feed now.');
    else if (now && feeds <= SAID_RESTING) said.push('They hardly feed now.');
    const planned = this.prior.lures[to.option.fished.lure]?.because;
    if (planned) said.push(`The plan has the ${nameOf(to.option.category)}: ${planned}`);
    return said;
  }
}

const tenths = (share: number): string => `${Math.round(share * 10)} in 10`;
/** What a chance is in the other outcome of two, from what it was and what it is in the one. */
const after = (before: number, inOne: number, chanceOfOne: number): number =>
  chanceOfOne < 1 ? Math.min(1, Math.max(0, (before - chanceOfOne * inOne) / (1 - chanceOfOne))) : before;

/**
 * What to do next on a day as it stands. Never throws on bad input: refusals come back as problems.
 * @param value conditions, now, until, places and notes: see `NextInput`
 */
export function calculateNext(value: unknown): Parsed<NextAnswer> {
  const checked = parse(NextInput, value);
  return checked.ok ? { ok: true, value: new NextDecision(checked.value).answer() } : checked;
}
