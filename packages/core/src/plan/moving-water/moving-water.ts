import type { Conditions } from '../../contract/conditions.js';
import type { Structure, TideStage } from '../../contract/ids.js';
import type { Reason } from '../../contract/plan.js';
import { levelAtM } from '../../day/level.js';
import { tideAt, type DayTide } from '../../day/tide.js';
import { clockOf } from '../../day/windows.js';
import { FEEDING_RULES, type FeedingVotes } from '../../food/feeding-rules.js';
import { STRUCTURE_RULES } from '../../place/rules.js';
import type { Facts } from '../../rules/facts.js';
import { fire, ranked, reasonsOf, strongest, tally, type Fired } from '../../rules/rule.js';
import type { UnitSystem } from '../../units/units.js';
import { judgeDay, momentFacts, type JudgedDay } from '../judge.js';

/** Hours that feed, and where. */
export interface FeedingWindow {
  readonly from: string;
  readonly to: string;
  readonly stage: TideStage;
  /** How much it feeds, of the day's best: 1 at the best. */
  readonly worth: number;
  /** How hard it runs meanwhile, of the day's hardest. */
  readonly run: number;
  /** Places of the water that the stage suits, the best first. */
  readonly structures: readonly Structure[];
  readonly because: readonly Reason[];
}

/** What the tide makes of a day: when it turns and stands, which hours feed and where, and when the flats are wet. */
export interface MovingWater {
  readonly rangeM: number;
  /** How far the water stands over its table, by a gauge or by the wind; left out where nothing tells it. */
  readonly overTableM?: number;
  readonly turns: readonly { readonly at: string; readonly kind: 'high' | 'low'; readonly levelM: number }[];
  readonly slack: readonly { readonly from: string; readonly to: string; readonly kind: 'high' | 'low' }[];
  readonly feeding: readonly FeedingWindow[];
  /** Stretches with more than half of the tide on the flat; null where it was so before the hours, or no level tells of its end. */
  readonly flats: readonly { readonly floodsFrom: string | null; readonly offBy: string | null }[];
}

/** From so much of the day's best an hour is one that feeds, and never under so much by itself. Judgement. */
const FEEDS_SHARE = 0.6;
const LEAST_FEEDS = 0.3;
const SHORTEST_MIN = 30;
const PLACES_NAMED = 3;
/** A place that is voted for by less than this share of the best is not named beside it. */
const NAMED_SHARE = 0.5;
const MAX_REASONS = 3;

interface Quarter {
  readonly minute: number;
  readonly stage: TideStage;
  readonly run: number;
  readonly facts: Facts;
  readonly fired: readonly Fired<FeedingVotes>[];
  readonly feeding: number;
}

function quarterOf(day: JudgedDay, tide: DayTide, at: number): Quarter {
  const moment = day.curve[at] as JudgedDay['curve'][number];
  const window = day.windows.find(({ toMin }) => moment.minute <= toMin) ?? day.windows.at(-1);
  const facts = momentFacts(day, moment, window?.light ?? 'high');
  const fired = fire(FEEDING_RULES, facts);
  const { stage, run } = tideAt(tide, moment.minute);
  return { minute: moment.minute, stage, run, facts, fired, feeding: tally<'feeding'>(fired).feeding ?? 0 };
}

/** Stretches of quarter hours that are alike. */
function stretchesOf<T>(items: readonly T[], alike: (a: T, b: T) => boolean): T[][] {
  const found: T[][] = [];
  for (const item of items) {
    const open = found.at(-1);
    if (open && alike(open.at(-1) as T, item)) open.push(item);
    else found.push([item]);
  }
  return found;
}

const mean = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length;
const toHundredths = (value: number): number => Math.round(value * 100) / 100;

function tellFeeding(
  day: JudgedDay,
  quarters: readonly Quarter[],
  best: number,
  units: UnitSystem,
): Omit<FeedingWindow, 'from' | 'to'> {
  const middle = quarters[quarters.length >> 1] as Quarter;
  const votes = tally<Structure>(fire(STRUCTURE_RULES, middle.facts));
  const places = ranked(day.conditions.structures, votes);
  const most = votes[places[0] as Structure] ?? 0;
  return {
    stage: middle.stage,
    worth: toHundredths(mean(quarters.map(({ feeding }) => feeding)) / best),
    run: toHundredths(mean(quarters.map(({ run }) => run))),
    structures: places.filter((place) => (votes[place] ?? 0) >= NAMED_SHARE * most).slice(0, PLACES_NAMED),
    because: strongest(reasonsOf(middle.fired, ({ feeding }, degree) => Math.max(0, feeding) * degree, units)).slice(
      0,
      MAX_REASONS,
    ),
  };
}

/** When more than half of the tide is over the flats: between the middle of a rise and that of the next fall. */
function flatsOf(tide: DayTide, fromMin: number, toMin: number): MovingWater['flats'] {
  const [lowM, highM] = [...tide.levels.map(({ levelM }) => levelM)].reduce(
    ([least, most], levelM) => [Math.min(least, levelM), Math.max(most, levelM)],
    [Infinity, -Infinity],
  );
  const middleM = (lowM + highM) / 2 - tide.overM;
  const flats: { floodsFrom: string | null; offBy: string | null }[] = [];
  let wet = false;
  for (let minute = fromMin; minute <= toMin; minute++) {
    const isWet = levelAtM(tide, minute) > middleM;
    if (isWet && !wet) flats.push({ floodsFrom: minute > fromMin ? clockOf(minute) : null, offBy: null });
    if (!isWet && wet) (flats.at(-1) as (typeof flats)[number]).offBy = clockOf(minute);
    wet = isWet;
  }
  // Who stays on them to the end of the hours still wants to know how long they stay wet.
  const lastMin = tide.levels.at(-1)?.minute ?? toMin;
  for (let minute = toMin + 1; wet && minute <= lastMin; minute++) {
    wet = levelAtM(tide, minute) > middleM;
    if (!wet) (flats.at(-1) as (typeof flats)[number]).offBy = clockOf(minute);
  }
  return flats;
}

/**
 * What the tide makes of a day, by rules for moving water and light; null where its course is not known.
 * @example
 * const conditions = Conditions.parse({
 *   discipline: 'bass',
 *   date: '2027-03-13',
 *   surfaceTempC: 10.5,
 *   place: { latitude: 35.9, longitude: -88.4, timeZone: 'America/Chicago' },
 * });
 * movingWater(conditions, 'us') // => null
 */
export function movingWater(given: Conditions, units: UnitSystem): MovingWater | null {
  const day = judgeDay(given, units);
  const { tide, curve } = day;
  const [first, last] = [curve[0], curve.at(-1)];
  if (!tide || !first || !last) return null;
  const quarters = curve.map((_, at) => quarterOf(day, tide, at));
  const best = Math.max(...quarters.map(({ feeding }) => feeding));
  const feeds = ({ feeding }: Quarter) => feeding >= Math.max(LEAST_FEEDS, FEEDS_SHARE * best);
  const alike = (a: Quarter, b: Quarter) => feeds(a) === feeds(b) && a.stage === b.stage;
  const levelsM = tide.levels.map(({ levelM }) => levelM);
  const within = (minute: number) => minute >= first.minute && minute <= last.minute;
  const end = (stretch: readonly Quarter[]) => Math.min(last.minute, (stretch.at(-1) as Quarter).minute + 15);
  const stretches = stretchesOf(quarters, alike).map((stretch) => ({
    stretch,
    fromMin: (stretch[0] as Quarter).minute,
    toMin: end(stretch),
  }));
  const isSlack = ({ stage }: Quarter) => stage === 'high-slack' || stage === 'low-slack';
  return {
    rangeM: toHundredths(Math.max(...levelsM) - Math.min(...levelsM)),
    ...(tide.overM ? { overTableM: toHundredths(tide.overM) } : {}),
    turns: tide.turns
      .filter(({ minute }) => within(minute))
      .map(({ minute, kind, levelM }) => ({ at: clockOf(minute), kind, levelM: toHundredths(levelM) })),
    slack: stretchesOf(quarters, (a, b) => a.stage === b.stage)
      .filter((stretch) => isSlack(stretch[0] as Quarter))
      .map((stretch) => ({
        from: clockOf((stretch[0] as Quarter).minute),
        to: clockOf(end(stretch)),
        kind: (stretch[0] as Quarter).stage === 'high-slack' ? 'high' : 'low',
      })),
    feeding: stretches
      .filter(({ stretch, fromMin, toMin }) => feeds(stretch[0] as Quarter) && toMin - fromMin >= SHORTEST_MIN)
      .map(({ stretch, fromMin, toMin }) => ({
        from: clockOf(fromMin),
        to: clockOf(toMin),
        ...tellFeeding(day, stretch, best, units),
      })),
    flats: flatsOf(tide, first.minute, last.minute),
  };
}
