import type { Competition } from '../contract/competition.js';
import type { Conditions } from '../contract/conditions.js';
import type { Species } from '../contract/ids.js';
import { dayNumber } from '../day/calendar.js';
import { DAY_MIN, minutesInOrder, minutesOf } from '../day/windows.js';
import { dayOfTrip } from '../logbook/stretches.js';
import { dayClock, advisedAt } from '../underway/moment.js';
import type { Trip } from '../underway/trip.js';
import type { UnitSystem } from '../units/units.js';
import { believe, holdsSince, otherWay, WAYS, type Way, type WayBelief, type WayEvidence } from './belief.js';
import { boxOf, type Box } from './box.js';
import { changeOver, type ChangeOver, type ChangeOverOptions } from './change-over.js';
import { countedFish, evidenceOf, type CountedFish } from './evidence.js';
import { expected, leastOf } from './expect.js';
import { practiceFor, type Practice } from './practice.js';
import { waysOf, wayOfLure, type WaysOfDay } from './ways.js';

/** A day that counts, as far as it has come. */
export interface DayThatCounts {
  readonly rules: Competition;
  readonly ways: WaysOfDay;
  /** How the day is fished at present; before it, how it should begin. */
  readonly way: Way;
  readonly beliefs: Readonly<Record<Way, WayBelief>>;
  readonly fish: readonly CountedFish[];
  readonly box: Box;
  /** Fish that count and of which nobody said how large they are: they are taken as usual. */
  readonly unmeasured: number;
  readonly nowMin: number;
  readonly endMin: number;
  /** Null once the day is over. */
  readonly change: ChangeOver | null;
  readonly practice: Practice;
}

export interface CompetitionDay {
  /** Must have its `competition`. */
  readonly conditions: Conditions;
  readonly units: UnitSystem;
  /** Trips of the past, among them the practice. */
  readonly trips: readonly Trip[];
  readonly waterId?: string | undefined;
  /** The trip of the day itself and the time on its clock; none on the evening before. */
  readonly underway?: { readonly trip: Trip; readonly nowMs: number } | undefined;
}

/** A limit comes first, unless the other order promises so much more. */
export const BIG_FIRST = 1.03;

const USUAL_SPECIES = { bass: 'largemouth', inshore: 'red-drum' } as const satisfies Record<string, Species>;
/** All that the record has of a water counts as so many hours at most: days differ more than years of them tell. */
const RECORD_HOURS = 4;

/** The hours of a day that counts, minutes of its day: over midnight the end is past 1440. */
export function hoursOf({ windows }: WaysOfDay, { backBy }: Competition): readonly [fromMin: number, endMin: number] {
  const hours = minutesInOrder(windows);
  const [fromMin, toMin] = [hours[0]?.fromMin ?? 0, hours.at(-1)?.toMin ?? DAY_MIN];
  if (backBy === undefined) return [fromMin, toMin];
  const back = minutesOf(backBy);
  return [fromMin, back > fromMin ? back : back + DAY_MIN];
}

/** What older trips on the water tell, drawn together to a few hours. */
function recordEvidence(
  { trips, waterId, conditions, units }: CompetitionDay,
  rules: Competition,
  species: Species,
): WayEvidence[] {
  const day = dayNumber(conditions.date);
  const ways = waysOf(conditions, units);
  const { practiceDays = 0 } = rules;
  const older = trips.filter(
    (trip) => waterId !== undefined && trip.begin.waterId === waterId && day - dayOfTrip(trip) > practiceDays,
  );
  const told = older.flatMap((trip) =>
    evidenceOf(trip, ways, countedFish(trip, ways, rules, species), trip.stoppedMs ?? trip.startMs, () => 1),
  );
  return WAYS.flatMap((way) => {
    const own = told.filter((each) => each.way === way);
    const hours = own.reduce((sum, each) => sum + each.hours, 0);
    const holds = hours > 0 ? Math.min(1, RECORD_HOURS / hours) : 0;
    return own.map((each) => ({ ...each, holds }));
  });
}

/**
 * A day that counts: what is in the box, what the next fish must beat, and when to leave the fish that fill the box for a
 * big one. Null where the conditions have no competition.
 */
export function dayThatCounts(asked: CompetitionDay, options: ChangeOverOptions = {}): DayThatCounts | null {
  const { conditions, units, trips, waterId, underway } = asked;
  const { competition: rules } = conditions;
  if (!rules) return null;
  const species = conditions.species ?? USUAL_SPECIES[conditions.discipline];
  const ways = waysOf(conditions, units);
  const [fromMin, endMin] = hoursOf(ways, rules);
  const others = trips.filter(({ id }) => id !== underway?.trip.id);
  const practice = practiceFor(rules, conditions, waterId, others);
  const evidence = [
    ...recordEvidence({ ...asked, trips: others }, rules, species),
    ...practice.trips.flatMap(({ trip, holds }) =>
      evidenceOf(trip, ways, countedFish(trip, ways, rules, species), trip.stoppedMs ?? trip.startMs, () => holds),
    ),
  ];
  let [nowMin, fish]: [number, CountedFish[]] = [fromMin, []];
  if (underway) {
    const { trip, nowMs } = underway;
    const clock = dayClock(trip).minuteAt(nowMs);
    nowMin = Math.max(fromMin, clock < fromMin && clock + DAY_MIN < endMin ? clock + DAY_MIN : clock);
    fish = countedFish(trip, ways, rules, species);
    evidence.push(...evidenceOf(trip, ways, fish, nowMs, (atMin) => holdsSince(atMin, nowMin)));
  }
  const prior = expected(rules, species);
  const beliefs = Object.fromEntries(
    WAYS.map((way) => [
      way,
      believe(
        prior[way],
        evidence.filter((each) => each.way === way),
      ),
    ]),
  ) as Record<Way, WayBelief>;
  const usual = (way: Way) => Math.exp(beliefs[way].size.logMean);
  const sizes = fish.map(({ size, way }) => size ?? usual(way));
  const { limit, culling } = rules;
  const decide = (way: Way) =>
    changeOver({ sizes, limit, culling, nowMin, endMin, way, beliefs, minimum: leastOf(rules, species) }, options);
  const fishing = underway && (underway.trip.fishing ?? advisedAt(underway.trip, underway.nowMs));
  let way: Way = fishing ? wayOfLure(ways, fishing.category) : 'limit';
  let change = nowMin < endMin ? decide(way) : null;
  if (change && !fishing) {
    // Before the day nothing is fished yet: it may begin with either.
    const turned = decide(otherWay(way));
    if (turned.best.mean > BIG_FIRST * change.best.mean) [way, change] = [turned.from, turned];
  }
  return {
    rules,
    ways,
    way,
    beliefs,
    fish,
    box: boxOf(sizes, limit, culling),
    unmeasured: fish.filter(({ size }) => size === null).length,
    nowMin,
    endMin,
    change,
    practice,
  };
}
