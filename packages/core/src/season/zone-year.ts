import type { Conditions } from '../contract/conditions.js';
import { OVERLAYS, type OverlayId } from '../contract/ids.js';
import type { Plan } from '../contract/plan.js';
import type { Reading, Water } from '../contract/records.js';
import { foodCalendar, type FoodBand } from '../food/calendar.js';
import type { Lake, LakeZone } from './heat/lake.js';
import type { Facts, Known } from '../rules/facts.js';
import { fire } from '../rules/rule.js';
import type { UnitSystem } from '../units/units.js';
import { thermoclineOf } from '../water/profile.js';
import { localTimes } from '../day/calendar.js';
import { climateLowC } from './climate.js';
import { comingPhase, EDGE_SD, type Coming } from './coming.js';
import { lastYearOf, type LastYear } from './last-year.js';
import { judgeOverlays, overlayRulesFor } from './overlays.js';
import { followPhases, phasesOn, phaseSpans, type PhaseCourse, type PhaseSpan } from './phase-filter.js';
import { trendOf } from './trend.js';
import { turnoverOf, type Turnover } from './turnover.js';
import { yearLowsC } from './year-low.js';
import { factsOn } from './zone-facts.js';

/** Phases are followed from this long before today: a whole year and its winter. */
const PHASES_BACK_DAYS = 430;
/** A profile older than this says nothing of today's thermocline. */
const PROFILE_DAYS = 30;

/** A reading as it is drawn: its day with the fraction of the hour. */
export interface SeasonReading {
  readonly id: string;
  readonly day: number;
  readonly tempC: number;
  /** Left out of the reckoning by the user, or hardly believed by the filter. */
  readonly doubt: 'suspect' | 'odd' | null;
}

/** Days are counted from `firstDay` of the year; series have one figure a day. Temperatures in degrees Celsius. */
export interface SeasonZone {
  readonly id: string;
  readonly name: string;
  readonly surfaceC: Float32Array;
  readonly sdC: Float32Array;
  /** How far what is not known of it goes with that of every zone, in the zones' order: correlations, 1 with itself. */
  readonly alike: readonly Float32Array[];
  readonly deepC: Float32Array;
  /** The water under the mixed layer is followed apart from it. */
  readonly deep: boolean;
  readonly trendCPerDay: Float32Array;
  readonly yearLowC: Float32Array;
  readonly readings: readonly SeasonReading[];
  /** Readings that the whole record of this zone holds. */
  readonly recorded: number;
  readonly phases: PhaseCourse;
  readonly spans: readonly PhaseSpan[];
  readonly coming: Coming;
  readonly overlays: Readonly<Record<OverlayId, Float32Array>>;
  /** What lies over today, with its reasons. */
  readonly overlaysNow: Plan['overlays'];
  /** The stretch of the shown year in which this zone turns over. */
  readonly turnover: Turnover | null;
  readonly food: readonly FoodBand[];
  readonly thermoclineM: number | null;
  readonly lastYear: LastYear | null;
}

/** What all zones of a water share while their year is worked out. */
export interface ZoneScope {
  readonly water: Water;
  readonly readings: readonly Reading[];
  readonly species?: Conditions['species'];
  readonly units: UnitSystem;
  readonly lake: Lake;
  /** First day shown, today, and the last day shown. */
  readonly firstDay: number;
  readonly today: number;
  readonly lastDay: number;
  /** Last year is laid along this one up to this day. */
  readonly comparedTo: number;
  /** Facts of a day that hold all over the water. */
  readonly shared: (day: number) => Facts;
}

/** Taken in the zone; or anywhere, where the water is one zone. */
const takenIn = ({ zoneId }: Reading, zone: LakeZone, { lake }: ZoneScope): boolean =>
  zoneId === zone.zone.id || lake.zones.length === 1;

/** The phases from today on along the warm edge of what may be, or the cool one. */
function edgePhases(
  zone: LakeZone,
  lows: Float32Array,
  phases: PhaseCourse,
  side: 1 | -1,
  scope: ZoneScope,
): PhaseCourse {
  const { water, species, lake, today } = scope;
  const now = today - lake.firstDay;
  return followPhases({
    discipline: water.discipline,
    species,
    place: water.place,
    firstDay: lake.firstDay,
    yearLowC: lows,
    // Up to today the course is what it was; from then on it runs along the edge.
    surfaceC: zone.surfaceC.map((tempC, at) =>
      at <= now ? tempC : Math.max(0, tempC + side * EDGE_SD * (zone.sdC[at] as number)),
    ),
    sdC: new Float32Array(zone.sdC.length),
    from: now + 1,
    start: phasesOn(phases, today),
  });
}

/** Overlays day by day, and the facts of each day with them. */
function overlayDays(factsOf: (day: number) => Facts, { water, firstDay, lastDay }: ZoneScope) {
  const overlays = Object.fromEntries(OVERLAYS.map((id) => [id, new Float32Array(lastDay - firstDay + 1)])) as Record<
    OverlayId,
    Float32Array
  >;
  const rules = overlayRulesFor(water.discipline);
  const facts: Facts[] = [];
  for (let day = firstDay; day <= lastDay; day++) {
    const known = factsOf(day);
    const strengths: Known = {};
    for (const { rule, degree } of fire(rules, known, 0.1)) {
      const series = overlays[rule.effect];
      const strength = Math.max(series[day - firstDay] as number, degree);
      series[day - firstDay] = strength;
      strengths[`overlay:${rule.effect}`] = strength;
    }
    facts.push(Object.keys(strengths).length ? known.with(strengths) : known);
  }
  return { overlays, facts };
}

/** Readings of a zone as they are drawn, and how many its whole record holds. */
function drawnReadings(zone: LakeZone, index: number, scope: ZoneScope) {
  const { lake, readings, water, firstDay } = scope;
  const local = localTimes(water.place.timeZone);
  const odd = new Set(lake.outliers);
  const believed = lake.readings
    .filter((reading) => reading.zone === index)
    .map(({ id, day, hour, surfaceC }): SeasonReading => ({
      id,
      day: day + hour / 24,
      tempC: surfaceC,
      doubt: odd.has(id) ? 'odd' : null,
    }));
  const suspects = readings
    .filter((reading) => reading.suspect && takenIn(reading, zone, scope))
    .map(({ id, at, surfaceTempC }): SeasonReading => {
      const { day, hour } = local(Date.parse(at));
      return { id, day: day + hour / 24, tempC: surfaceTempC, doubt: 'suspect' };
    });
  const all = [...believed, ...suspects];
  return { drawn: all.filter(({ day }) => day >= firstDay), recorded: all.length };
}

/** Depth of the thermocline by the latest profile of the last weeks. */
function latestThermoclineM(zone: LakeZone, scope: ZoneScope): number | null {
  const { readings, water, today } = scope;
  const local = localTimes(water.place.timeZone);
  const [latest] = readings
    .filter((reading) => reading.profile && !reading.suspect && takenIn(reading, zone, scope))
    .map(({ at, profile }) => ({ day: local(Date.parse(at)).day, profile }))
    .filter(({ day }) => day <= today && day > today - PROFILE_DAYS)
    .sort((a, b) => b.day - a.day);
  return (latest?.profile && thermoclineOf(latest.profile)?.depthM) ?? null;
}

/** The year of one zone. */
export function zoneYear(zone: LakeZone, index: number, scope: ZoneScope): SeasonZone {
  const { water, species, units, lake, firstDay, today, lastDay, comparedTo, shared } = scope;
  const { place, discipline, yearLowC } = water;
  const slice = (series: Float32Array) => series.slice(firstDay - lake.firstDay, lastDay - lake.firstDay + 1);
  const lows = yearLowsC(zone.surfaceC, yearLowC ?? climateLowC(place.latitude));
  const from = Math.max(0, today - PHASES_BACK_DAYS - lake.firstDay);
  const { surfaceC, sdC } = zone;
  const phases = followPhases({
    discipline,
    species,
    place,
    firstDay: lake.firstDay,
    yearLowC: lows,
    surfaceC,
    sdC,
    from,
  });
  const turnover = turnoverOf(zone, lake.firstDay, firstDay, lastDay);
  const factsOf = (day: number) => factsOn(zone, lake, phases, lows, day, turnover, shared, place.latitude);
  const { overlays, facts } = overlayDays(factsOf, scope);
  const { drawn, recorded } = drawnReadings(zone, index, scope);
  return {
    id: zone.zone.id,
    name: zone.zone.name,
    surfaceC: slice(surfaceC),
    sdC: slice(sdC),
    alike: zone.alike.map(slice),
    deepC: slice(zone.deepC),
    deep: zone.heat.deepDepthM > 0,
    trendCPerDay: Float32Array.from({ length: lastDay - firstDay + 1 }, (_, at) =>
      trendOf(surfaceC, firstDay - lake.firstDay + at),
    ),
    yearLowC: slice(lows),
    readings: drawn,
    recorded,
    phases,
    spans: phaseSpans(phases).filter(({ from: begin, to }) => to >= firstDay && begin <= lastDay),
    coming: comingPhase(
      phases,
      [edgePhases(zone, lows, phases, 1, scope), edgePhases(zone, lows, phases, -1, scope)],
      today,
    ),
    overlays,
    overlaysNow: judgeOverlays(factsOf(today), discipline, units).overlays,
    turnover,
    food: foodCalendar(firstDay, lastDay, (day) => facts[day - firstDay] as Facts),
    thermoclineM: latestThermoclineM(zone, scope),
    lastYear: lastYearOf(lake, zone, firstDay, comparedTo),
  };
}
