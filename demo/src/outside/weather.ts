import { extraterrestrialWm2 } from '@inky-shoal/core';
import { chanceAt, normalAt, smoothNoise } from './noise.js';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;

/** Weather of one hour. */
export interface Hour {
  readonly airTempC: number;
  readonly dewPointC: number;
  readonly windMps: number;
  readonly windFromDeg: number;
  readonly cloudFraction: number;
  readonly pressureHpa: number;
  readonly rainMm: number;
  readonly solarWm2: number;
}

export interface Climate {
  readonly seed: number;
  readonly latitude: number;
  readonly longitude: number;
  readonly meanC: number;
  /** Half the difference between the warmest and coldest weeks. */
  readonly seasonC: number;
  /** Half the difference between day and night under a clear sky. */
  readonly dayC: number;
}

/** A cold front: when it passes, how much colder the air behind it is, how much rain it brings. */
interface Front {
  readonly atMs: number;
  readonly strength: number;
}

/** Fronts follow one another every so many days, and are stronger, in winter and spring than in summer. */
const FIRST_FRONT_MS = Date.parse('2024-01-02T00:00:00Z');
const LAST_FRONT_MS = Date.parse('2029-01-01T00:00:00Z');
/** Day of the year about which the air is coldest. */
const COLDEST_DAY = 15;

const yearAngle = (timeMs: number): number =>
  ((timeMs / DAY_MS - Date.parse('2024-01-01') / DAY_MS - COLDEST_DAY) / 365.25) * 2 * Math.PI;

function frontsOf(seed: number): Front[] {
  const fronts: Front[] = [];
  let atMs = FIRST_FRONT_MS;
  for (let index = 0; atMs < LAST_FRONT_MS; index++) {
    const wintry = (1 + Math.cos(yearAngle(atMs))) / 2;
    const strength = (0.35 + 0.65 * wintry) * (0.5 + chanceAt(seed + 1, index));
    fronts.push({ atMs, strength });
    atMs += (3.5 + 3.5 * (1 - wintry) + 4 * chanceAt(seed + 2, index)) * DAY_MS;
  }
  return fronts;
}

const frontLists = new Map<number, Front[]>();
function frontsAround(seed: number, timeMs: number): [Front | undefined, Front | undefined] {
  let fronts = frontLists.get(seed);
  if (!fronts) frontLists.set(seed, (fronts = frontsOf(seed)));
  let [low, high] = [0, fronts.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((fronts[middle] as Front).atMs <= timeMs) low = middle + 1;
    else high = middle;
  }
  return [fronts[low - 1], fronts[low]];
}

const bell = (hours: number, width: number): number => Math.exp(-((hours / width) ** 2));
const clamp = (value: number, low: number, high: number): number => Math.min(high, Math.max(low, value));

/**
 * The weather at an hour: a yearly and a daily wave, and fronts. Ahead of a front the air warms, the wind backs to the
 * south and rises, pressure falls and cloud thickens; it rains as it passes; behind it the wind turns north-west, the
 * air is cold and dry, pressure jumps and the sky clears, and over days all of it wears off. The same seed and hour
 * give the same weather.
 * @param frontShiftMs how much earlier fronts come than they do, for a forecast that is off
 */
export function weatherAt(climate: Climate, timeMs: number, frontShiftMs = 0): Hour {
  const { seed, latitude, longitude } = climate;
  const frontMs = timeMs + frontShiftMs;
  const [before, after] = frontsAround(seed, frontMs);
  const since = before ? (frontMs - before.atMs) / HOUR_MS : 999;
  const until = after ? (after.atMs - frontMs) / HOUR_MS : 999;
  const behind = (before?.strength ?? 0) * Math.exp(-since / 55) * (1 - Math.exp(-since / 3));
  const ahead = (after?.strength ?? 0) * Math.exp(-until / 30);
  const passing = (before?.strength ?? 0) * bell(since - 2, 6) + (after?.strength ?? 0) * bell(until + 2, 6);
  const hours = timeMs / HOUR_MS;
  const cloudFraction = clamp(
    0.38 + 0.16 * smoothNoise(seed + 3, hours / 19) + 0.55 * ahead + 0.7 * passing - 0.45 * behind,
    0,
    1,
  );
  const localHour = (((hours + longitude / 15) % 24) + 24) % 24;
  const daily = Math.cos(((localHour - 15) / 24) * 2 * Math.PI) * climate.dayC * (1 - 0.6 * cloudFraction);
  const air =
    climate.meanC -
    climate.seasonC * Math.cos(yearAngle(timeMs)) +
    2.1 * smoothNoise(seed + 4, hours / (24 * 9)) +
    6 * ahead -
    11 * behind +
    daily +
    0.5 * smoothNoise(seed + 5, hours / 5);
  const spread = clamp(
    6 + 3.5 * behind * 2 - 4 * ahead - 6 * passing + 1.5 * smoothNoise(seed + 6, hours / 30) + daily * 0.6,
    0.3,
    22,
  );
  const windMps = clamp(
    2.6 +
      0.5 * Math.cos(yearAngle(timeMs)) +
      5 * ahead +
      6 * passing +
      4.5 * behind * Math.exp(-since / 30) +
      0.9 * smoothNoise(seed + 7, hours / 7) +
      0.8 * Math.cos(((localHour - 15) / 24) * 2 * Math.PI),
    0.2,
    24,
  );
  const turned = before && since < 30 ? 320 : 320 + (since - 30) * 1.2;
  const windFromDeg = ((((ahead > 0.25 ? 190 : turned) + 18 * smoothNoise(seed + 8, hours / 11)) % 360) + 360) % 360;
  const wet = passing * (1 + 0.4 * smoothNoise(seed + 9, hours / 3)) - 0.28;
  const date = new Date(timeMs + (longitude / 15) * HOUR_MS).toISOString().slice(0, 10);
  return {
    airTempC: air,
    dewPointC: air - spread,
    windMps,
    windFromDeg,
    cloudFraction,
    pressureHpa: 1016 - 11 * ahead - 6 * passing + 10 * behind + 2 * smoothNoise(seed + 10, hours / 40),
    rainMm: wet > 0 ? wet * 4.5 : 0,
    solarWm2: sunWm2(latitude, date, localHour) * 0.73 * (1 - 0.68 * cloudFraction ** 2),
  };
}

const dailyLight = new Map<string, number>();

/** Light at the top of the air at an hour, shaped so that its daily mean is that of the day. */
function sunWm2(latitude: number, date: string, localHour: number): number {
  const key = `${latitude} ${date}`;
  let mean = dailyLight.get(key);
  if (mean === undefined) dailyLight.set(key, (mean = extraterrestrialWm2(latitude, date)));
  const year = ((Date.parse(date) / DAY_MS) % 365.25) / 365.25;
  const half =
    6 - 2 * Math.sin((latitude * Math.PI) / 180) * Math.cos((year * 365.25 + 10) * ((2 * Math.PI) / 365.25)) * 1.2;
  const angle = (localHour - 12) / half;
  return Math.abs(angle) >= 1 ? 0 : (mean * Math.cos((angle * Math.PI) / 2) * 24 * Math.PI) / (4 * half);
}

/** A forecast is made every six hours. */
export const ISSUE_HOURS = 6;
export const issueMs = (nowMs: number): number => Math.floor(nowMs / (ISSUE_HOURS * HOUR_MS)) * ISSUE_HOURS * HOUR_MS;

/**
 * The weather of an hour as it was forecast: right at first, then fronts come early or late and the air is off by more
 * and more: half a degree at once, about two and a half on the fifth day, four on the tenth.
 */
export function forecastAt(climate: Climate, issuedMs: number, timeMs: number): Hour {
  const leadDays = Math.max(0, (timeMs - issuedMs) / DAY_MS);
  const issue = Math.round(issuedMs / (ISSUE_HOURS * HOUR_MS));
  const own = climate.seed + 31 * issue;
  // Fronts move by hours; the shift grows slowly enough that the clock of the forecast never runs backwards.
  const shiftH = clamp(
    1.1 * leadDays * normalAt(own + 1, 0),
    -0.3 * 24 * Math.max(leadDays, 0.1),
    0.3 * 24 * Math.max(leadDays, 0.1),
  );
  const hour = weatherAt(climate, timeMs, shiftH * HOUR_MS);
  const airOff = (0.4 + 0.33 * leadDays) * smoothNoise(own + 2, leadDays / 2.5);
  const dewOff = airOff + (0.3 + 0.15 * leadDays) * smoothNoise(own + 3, leadDays / 2);
  const airTempC = hour.airTempC + airOff;
  return {
    ...hour,
    airTempC,
    dewPointC: Math.min(airTempC, hour.dewPointC + dewOff),
    windMps: clamp(hour.windMps * (1 + 0.06 * Math.sqrt(leadDays) * smoothNoise(own + 4, leadDays)), 0, 30),
    cloudFraction: clamp(hour.cloudFraction + 0.05 * leadDays ** 0.7 * smoothNoise(own + 5, leadDays * 2), 0, 1),
    solarWm2: clamp(hour.solarWm2 * (1 + 0.06 * leadDays ** 0.7 * smoothNoise(own + 6, leadDays * 2)), 0, 1200),
  };
}
