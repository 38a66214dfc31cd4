import { dayNumber, type SeasonYear, type Water, type WeatherDay, type Reading } from '@inky-shoal/core';
import {
  MORNING_FIELDS,
  visibilityDoubt,
  type MorningDoubts,
  type MorningField,
  type RampWater,
} from '@inky-shoal/core/mornings';
import type { Draft } from '../sheet/draft';

/** What is known of a water where its season is not: how far off a guess of its temperature is, degrees Celsius. */
const UNKNOWN_SD_C = 2.5;
const UNKNOWN_TODAY_SD_C = 1.5;
/** Weather so many days before and after the day bears on it. */
const DAYS_BEFORE = 12;
const DAYS_AFTER = 2;
/** So unsure is a temperature that rests on next to nothing. */
const UNSURE_SD_C = 1.8;

/** Where a water stands, as far as it bears on what is not known of a day. */
export interface KnownSeason {
  readonly water: Water;
  readonly year: SeasonYear;
  readonly readings: readonly Reading[];
  readonly weatherDays: readonly WeatherDay[];
}

/** What is not known of a day, and what of that is worth a sentence. */
export interface DayDoubts {
  readonly doubts: Omit<MorningDoubts, 'errors'>;
  readonly notes: readonly string[];
}

/** What was said by hand; whoever said the water's temperature said where it stands, too. */
function saidByHand({ typed = [] }: Draft): MorningField[] {
  const said = MORNING_FIELDS.filter((field) => typed.includes(field));
  return said.includes('surfaceTempC') && !said.includes('tempTrendCPerDay') ? [...said, 'tempTrendCPerDay'] : said;
}

/** How unsure the water is on a day and today, by the season's filter; a day outside of its year as its last. */
function surfaceSds(year: SeasonYear, zoneId: string | null | undefined, day: number): [thenC: number, nowC: number] {
  const zone = year.zones.find(({ id }) => id === zoneId) ?? year.zones[0];
  const sdOn = (on: number) => zone?.sdC[Math.min(year.lastDay, Math.max(year.firstDay, on)) - year.firstDay];
  return [sdOn(day) ?? UNKNOWN_SD_C, sdOn(year.today) ?? UNKNOWN_TODAY_SD_C];
}

/** The water at the ramp, where that lies in another zone than the one that is planned in. */
function rampOf(
  year: SeasonYear,
  zoneId: string | null | undefined,
  rampZoneId: string,
  day: number,
): RampWater | undefined {
  const [own, at] = [zoneId, rampZoneId].map((id) => year.zones.findIndex((zone) => zone.id === id)) as [
    number,
    number,
  ];
  const [zone, ramp] = [year.zones[Math.max(0, own)], year.zones[at]];
  if (!zone || !ramp || zone === ramp) return undefined;
  const on = Math.min(year.lastDay, Math.max(year.firstDay, day)) - year.firstDay;
  const [surfaceC, sdC] = [ramp.surfaceC[on], ramp.sdC[on]];
  return surfaceC === undefined || sdC === undefined ? undefined : { surfaceC, sdC, alike: zone.alike[at]?.[on] ?? 1 };
}

/**
 * What is not known of the day on the sheet.
 * @param season null where it cannot be had
 * @param today day number of today on the water's clock
 * @param rampZoneId the zone in which the ramp lies; that of the day where nobody said so
 */
export function doubtsOf(draft: Draft, season: KnownSeason | null, today: number, rampZoneId?: string): DayDoubts {
  const day = dayNumber(draft.input.date);
  const leadDays = Math.max(0, day - today);
  const fixed = saidByHand(draft);
  const notes: string[] = [];
  const weather = (season?.weatherDays ?? []).filter(({ date }) => {
    const at = dayNumber(date);
    return at >= day - DAYS_BEFORE && at <= day + DAYS_AFTER;
  });
  if (!weather.some(({ date }) => date === draft.input.date)) {
    notes.push('No forecast reaches this day: the usual width of the climate stands for it.');
  }
  const [surfaceSdC, surfaceSdNowC] = season
    ? surfaceSds(season.year, draft.zoneId, day)
    : [UNKNOWN_SD_C, UNKNOWN_TODAY_SD_C];
  if (!fixed.includes('surfaceTempC') && surfaceSdC >= UNSURE_SD_C) {
    notes.push('The water itself is a guess: a reading of the last days would make this much surer.');
  }
  return {
    doubts: {
      leadDays,
      surfaceSdC,
      surfaceSdNowC: Math.min(surfaceSdC, surfaceSdNowC),
      weather,
      ramp: season && rampZoneId ? rampOf(season.year, draft.zoneId, rampZoneId, day) : undefined,
      visibility: visibilityDoubt(season?.readings ?? [], day, draft.input.place.timeZone, season?.weatherDays),
      fixed,
    },
    notes,
  };
}
