import type { Front } from '../contract/ids.js';
import { LIMITS } from '../contract/limits.js';
import type { WeatherDay } from '../contract/outside.js';
import { dayNumber } from '../day/calendar.js';
import { haltonPoints } from '../numbers/halton.js';
import { normalDeviate, seededNumbers } from '../numbers/seeded.js';
import { normalQuantile } from '../numbers/normal-quantile.js';
import type { FullConditions } from '../plan/assume.js';
import { BAIT_CHANCES, usualBait } from '../plan/deciding.js';
import { frontFacts } from '../season/fronts.js';
import { skyOf } from '../season/plan-day.js';
import {
  CLEARS_DAYS,
  errorOf,
  MOST_RAIN_MM,
  READ_LOG_SD,
  type ForecastError,
  type MorningDoubts,
  type MorningField,
} from './doubts.js';

/** What a morning has otherwise than the plan. */
export type MorningChange = Pick<FullConditions, MorningField>;

/** What is drawn, one dimension each. */
const DIMENSIONS = [
  'front',
  'cloud',
  'wind',
  'windFrom',
  'rain',
  'waterNow',
  'waterThen',
  'trend',
  'visibility',
  'level',
  'bait',
] as const;
type Drawn = Record<(typeof DIMENSIONS)[number], number>;

/** Nobody forecast the day: the climate's width. Judgement. */
const CLIMATE: ForecastError & { cloudMean: number } = {
  cloudMean: 0.5,
  cloud: 0.32,
  windLog: 0.5,
  windFromDeg: 90,
  frontDays: 0,
};
/** How often a day stands behind a front, before one, and rains, where nobody forecast it. */
const CLIMATE_BEHIND = 0.2;
const CLIMATE_BEFORE = 0.15;
const CLIMATE_RAIN = 0.2;
/** How likely it rains on a day whose forecast has none, at once and by each day of lead. */
const RAIN_UNFORESEEN = 0.03;
const RAIN_UNFORESEEN_A_DAY = 0.015;
const RAIN_LOG_SD = 0.6;
const A_SHOWER_MM = 4;
/** Of what the weather makes uncertain of the water, so much goes with the clouds: they keep the sun off it. */
const WITH_CLOUDS = 0.5;
/** How far a trend is off that was told by an estimate of the days before, degrees Celsius a day. */
const TREND_SD_C = 0.12;
/** The trend is told over so many days. */
const TREND_DAYS = 5;
/** A visibility that was never read is off by this much, as a logarithm. */
const UNREAD_LOG_SD = 0.5;
/** Rain of two days that brings a lake up surely, millimetres, and from which on it may. */
const RISES_MM = [12, 40] as const;

const clamp = (value: number, least: number, most: number): number => Math.min(most, Math.max(least, value));

/** A day of weather between two that are known, or the nearest. */
function weatherNear(byDay: ReadonlyMap<number, WeatherDay>, at: number): WeatherDay | undefined {
  const [before, after] = [byDay.get(Math.floor(at)), byDay.get(Math.ceil(at))];
  if (!before || !after || before === after) return before ?? after;
  const share = at - Math.floor(at);
  const mean = (pick: (day: WeatherDay) => number) => (1 - share) * pick(before) + share * pick(after);
  return {
    ...(share < 0.5 ? before : after),
    cloudFraction: mean(({ cloudFraction }) => cloudFraction),
    windMps: mean(({ windMps }) => windMps),
    rainMm: mean(({ rainMm }) => rainMm),
  };
}

interface DrawnWeather {
  readonly cloudFraction: number;
  readonly rainMm: number;
  readonly windMps: number;
  readonly windFromDeg: number | undefined;
  readonly front: Front;
}

/** What all draws of one day share. */
interface Scope {
  readonly base: FullConditions;
  readonly doubts: MorningDoubts;
  readonly day: number;
  readonly byDay: ReadonlyMap<number, WeatherDay>;
  readonly byDate: ReadonlyMap<string, WeatherDay>;
}

const turned = (fromDeg: number | undefined, byDeg: number): number | undefined =>
  fromDeg === undefined ? undefined : (((fromDeg + byDeg) % 360) + 360) % 360;

/** The weather of a morning whose day was forecast: fronts come early or late, and what is left is off by itself. */
function drawnForecast({ base, doubts, day, byDay, byDate }: Scope, known: WeatherDay, drawn: Drawn): DrawnWeather {
  const { leadDays, errors } = doubts;
  const error = errorOf(known, leadDays, errors);
  const at = day + error.frontDays * normalQuantile(drawn.front);
  const near = weatherNear(byDay, at) ?? known;
  const unforeseen = RAIN_UNFORESEEN + RAIN_UNFORESEEN_A_DAY * leadDays;
  const showers = drawn.rain > 1 - unforeseen && known.kind === 'forecast' ? A_SHOWER_MM : 0;
  const rainMm = Math.max(showers, near.rainMm * Math.exp(RAIN_LOG_SD * normalQuantile(drawn.rain)));
  const wind = near.windMps * Math.exp(error.windLog * normalQuantile(drawn.wind));
  const onDay = Math.round(at);
  return {
    cloudFraction: clamp(near.cloudFraction + error.cloud * normalQuantile(drawn.cloud), 0, 1),
    rainMm,
    windMps: wind,
    windFromDeg: turned(near.windFromDeg ?? base.windFromDeg, error.windFromDeg * normalQuantile(drawn.windFrom)),
    front: onDay === day ? base.front : frontOf(byDate, onDay),
  };
}

function frontOf(byDate: ReadonlyMap<string, WeatherDay>, day: number): Front {
  const facts = frontFacts(byDate, day);
  if ((facts['front:post-frontal'] ?? 0) >= 0.5) return 'post-frontal';
  return (facts['front:approaching'] ?? 0) >= 0.5 ? 'approaching' : 'stable';
}

/** The weather of a morning that nobody forecast. */
function drawnClimate({ base }: Scope, drawn: Drawn): DrawnWeather {
  return {
    cloudFraction: clamp(CLIMATE.cloudMean + CLIMATE.cloud * normalQuantile(drawn.cloud), 0, 1),
    rainMm: drawn.rain > 1 - CLIMATE_RAIN ? A_SHOWER_MM : 0,
    windMps: base.windMps * Math.exp(CLIMATE.windLog * normalQuantile(drawn.wind)),
    windFromDeg: turned(base.windFromDeg, CLIMATE.windFromDeg * normalQuantile(drawn.windFrom)),
    front:
      drawn.front < CLIMATE_BEHIND
        ? 'post-frontal'
        : drawn.front < CLIMATE_BEHIND + CLIMATE_BEFORE
          ? 'approaching'
          : 'stable',
  };
}

/** Rain of the days from the last reading of visibility up to the day before, millimetres. */
function rainSince({ doubts: { visibility }, day, byDay }: Scope): number {
  const days = Math.min(visibility.daysSince ?? 0, 10);
  return Array.from({ length: days }, (_, back) => byDay.get(day - 1 - back)?.rainMm ?? 0).reduce((a, b) => a + b, 0);
}

function drawnVisibilityM(scope: Scope, rainMm: number, z: number): number {
  const { base, doubts } = scope;
  const { daysSince, logPerDay, logPerRainMm } = doubts.visibility;
  const [least, most] = LIMITS.visibilityM;
  if (daysSince === null) return clamp(base.visibilityM * Math.exp(UNREAD_LOG_SD * z), least, most);
  const usual = Math.log(base.normalVisibilityM);
  const kept = Math.exp(-daysSince / CLEARS_DAYS);
  const clearing = usual + kept * (Math.log(base.visibilityM) - usual);
  // It wanders about its usual look, so it does not wander off for ever.
  const wanders = (logPerDay ** 2 * CLEARS_DAYS * (1 - kept ** 2)) / 2;
  const dirt = logPerRainMm * Math.min(MOST_RAIN_MM, rainSince(scope) + rainMm / 2);
  return clamp(Math.exp(clearing - dirt + z * Math.sqrt(READ_LOG_SD ** 2 + wanders)), least, most);
}

/** Bait that is met: chased at the top, schooled deep, or none that anybody sees; on top of what was named. */
function drawnForage({ forage, discipline }: FullConditions, share: number): FullConditions['forage'] {
  const { chased, 'schooled-deep': deep } = BAIT_CHANCES;
  const seen = share > 1 - chased ? 'chased' : share > 1 - chased - deep ? 'schooled-deep' : null;
  if (!seen) return forage;
  // What is known to be about is what is met.
  const [kind = usualBait(discipline)] = (forage ?? []).map((each) => each.kind);
  return [...(forage ?? []).filter((each) => each.kind !== kind), { kind, seen: [seen] }];
}

const round = (value: number, places: number): number => Number(value.toFixed(places));

function drawnMorning(scope: Scope, drawn: Drawn): MorningChange {
  const { base, doubts, day, byDay } = scope;
  const { surfaceSdC, surfaceSdNowC, fixed } = doubts;
  const known = byDay.get(day);
  const weather = known ? drawnForecast(scope, known, drawn) : drawnClimate(scope, drawn);
  // What the filter knows less of the day than of today is what the weather until then will do.
  const byWeatherC = Math.sqrt(Math.max(0, surfaceSdC ** 2 - surfaceSdNowC ** 2));
  const todayC = Math.sqrt(Math.max(0, surfaceSdC ** 2 - byWeatherC ** 2));
  const cloudZ = normalQuantile(drawn.cloud);
  const thenZ = normalQuantile(drawn.waterThen);
  const offC = byWeatherC * (Math.sqrt(1 - WITH_CLOUDS ** 2) * thenZ - WITH_CLOUDS * cloudZ);
  const nowOffC = todayC * normalQuantile(drawn.waterNow);
  const [coldest, warmest] = LIMITS.surfaceTempC;
  const [steepestDown, steepestUp] = LIMITS.tempTrendCPerDay;
  const before = [1, 2].reduce((sum, back) => sum + (byDay.get(day - back)?.rainMm ?? 0), 0);
  const rises = clamp((before + weather.rainMm / 2 - RISES_MM[0]) / (RISES_MM[1] - RISES_MM[0]), 0, 1);
  const change: MorningChange = {
    surfaceTempC: clamp(round(base.surfaceTempC + offC + nowOffC, 2), Math.max(0, coldest), warmest),
    tempTrendCPerDay: clamp(
      round(base.tempTrendCPerDay + offC / TREND_DAYS + TREND_SD_C * normalQuantile(drawn.trend), 3),
      steepestDown,
      steepestUp,
    ),
    visibilityM: round(drawnVisibilityM(scope, weather.rainMm, normalQuantile(drawn.visibility)), 2),
    sky: skyOf(weather),
    windMps: round(clamp(weather.windMps, ...LIMITS.windMps), 1),
    windFromDeg: weather.windFromDeg === undefined ? undefined : Math.round(weather.windFromDeg) % 360,
    front: weather.front,
    level: drawn.level < rises ? 'rising' : base.level,
    forage: drawnForage(base, drawn.bait),
  };
  for (const field of fixed) Object.assign(change, { [field]: base[field] });
  return change;
}

/**
 * The mornings as they are read at the ramp: where that lies in another zone its water is drawn along with that of the zone
 * that is fished, as far as the season's filter has what is not known of both going together.
 */
export function seenAtRamp(
  base: FullConditions,
  { surfaceSdC, ramp }: MorningDoubts,
  changes: readonly MorningChange[],
  seed: number,
): readonly MorningChange[] {
  if (!ramp) return changes;
  const random = seededNumbers(seed);
  const own = Math.sqrt(Math.max(0, 1 - ramp.alike ** 2));
  return changes.map((change) => {
    const off = surfaceSdC > 0 ? (change.surfaceTempC - base.surfaceTempC) / surfaceSdC : 0;
    const z = ramp.alike * off + own * normalDeviate(random);
    const [, warmest] = LIMITS.surfaceTempC;
    return { ...change, surfaceTempC: clamp(round(ramp.surfaceC + ramp.sdC * z, 2), 0, warmest) };
  });
}

/**
 * Mornings that may come: joint draws of what is not known, spread evenly over all of it and the same for the same seed.
 * What was said by hand is the same in all of them.
 * @param base the day's conditions with what was assumed
 */
export function drawMornings(
  base: FullConditions,
  doubts: MorningDoubts,
  count: number,
  seed: number,
): MorningChange[] {
  const day = dayNumber(base.date);
  const byDay = new Map(doubts.weather.map((each) => [dayNumber(each.date), each]));
  const byDate = new Map(doubts.weather.map((each) => [each.date, each]));
  const scope: Scope = { base, doubts, day, byDay, byDate };
  return haltonPoints(count, DIMENSIONS.length, seed).map((point) =>
    drawnMorning(scope, Object.fromEntries(DIMENSIONS.map((name, at) => [name, point[at] as number])) as Drawn),
  );
}
