import type { GaugeDay, WeatherDay } from '../contract/outside.js';
import type { Water } from '../contract/records.js';
import { moonFullness } from '../day/moon.js';
import { yearMonth } from '../day/sun.js';
import type { Lake, LakeZone } from './heat/lake.js';
import { Facts, type Known } from '../rules/facts.js';
import { yearDayOf } from '../day/calendar.js';
import { phaseFacts } from './evidence.js';
import { frontFacts, gaugeFacts } from './fronts.js';
import { phasesOn, type PhaseCourse } from './phase-filter.js';
import { trendOf } from './trend.js';
import { mixingOn, type Turnover } from './turnover.js';

/** Everything the rules ask of one zone on one day. */
export function factsOn(
  zone: LakeZone,
  lake: Lake,
  phases: PhaseCourse,
  lows: Float32Array,
  day: number,
  turnover: Turnover | null,
  shared: (day: number) => Facts,
  latitude: number,
): Facts {
  const at = day - lake.firstDay;
  const surfaceC = zone.surfaceC[at] as number;
  const likely = phasesOn(phases, day);
  const known: Known = {
    ...phaseFacts(latitude, yearDayOf(day), surfaceC, trendOf(zone.surfaceC, at)),
    riseAboveYearLowC: surfaceC - (lows[at] as number),
    // Water that wind mixes to the bottom all year has nothing to turn over.
    'basin:followed': 1,
    'basin:mixing': mixingOn(turnover, day),
    ...Object.fromEntries(phases.phases.map((phase, index) => [`phase:${phase}`, likely[index]])),
  };
  return shared(day).with(known);
}

/** The facts of a day that all zones share, worked out once a day. */
export function sharedFacts(
  water: Water,
  weather: readonly WeatherDay[],
  gauge: readonly GaugeDay[],
): (day: number) => Facts {
  const weatherByDate = new Map(weather.map((each) => [each.date, each]));
  const gaugeByDate = new Map(gauge.map((each) => [each.date, each]));
  const always = Facts.of({ [`discipline:${water.discipline}`]: 1, [`water:${water.waterKind}`]: 1 });
  const days = new Map<number, Facts>();
  return (day) => {
    let facts = days.get(day);
    if (!facts) {
      facts = always.with({
        yearMonth: yearMonth(water.place.latitude, yearDayOf(day)),
        moonFullness: moonFullness(day),
        ...frontFacts(weatherByDate, day),
        ...gaugeFacts(gaugeByDate, day),
      });
      days.set(day, facts);
    }
    return facts;
  };
}
