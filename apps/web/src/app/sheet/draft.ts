import {
  conditionsOn,
  dateOf,
  dayNumber,
  usualVisibilityM,
  type ConditionsInput,
  type Reading,
  type SeasonZone,
  type Water,
} from '@inky-shoal/core';
import * as z from 'zod';
import type { Clock } from '../base/book.service';
import type { WaterSeason } from '../season/season.service';

/** The day being planned: the conditions as said so far, where they came from, and under what name they are saved. */
export interface Draft {
  readonly waterId: string | null;
  readonly waterName: string;
  /** The saved plan it was opened from or saved as. */
  readonly savedId: string | null;
  readonly savedName: string | null;
  /** The version it has there, where that is known. */
  readonly savedVersion?: number | undefined;
  /** The conditions as they are saved there. */
  readonly savedInput?: ConditionsInput | undefined;
  /** The zone that the season is taken from. */
  readonly zoneId?: string | null | undefined;
  /** Fields that were typed; the others are estimates, which follow the day. */
  readonly typed?: readonly string[] | undefined;
  readonly input: ConditionsInput;
}

/** The shape of a draft as this browser keeps it. */
export const DraftShape = z.object({
  waterId: z.string().nullable(),
  waterName: z.string(),
  savedId: z.string().nullable(),
  savedName: z.string().nullable(),
  savedVersion: z.number().optional(),
  savedInput: z.looseObject({}).optional(),
  zoneId: z.string().nullish(),
  typed: z.array(z.string()).optional(),
  input: z.looseObject({}),
}) as unknown as z.ZodType<Draft>;

const DAY_MS = 86_400_000;
/** From this hour on an angler plans tomorrow, not today. */
const TOMORROW_FROM_HOUR = 14;

/** The calendar day to plan: today in the morning, tomorrow from the afternoon on, on the water's own clock. */
export function dayToPlan(clock: Clock, timeZone: string): string {
  const now = new Date(clock.now);
  const hour = Number(new Intl.DateTimeFormat('en-GB', { hour: '2-digit', hourCycle: 'h23', timeZone }).format(now));
  const day = new Date(now.getTime() + (hour >= TOMORROW_FROM_HOUR ? DAY_MS : 0));
  return new Intl.DateTimeFormat('en-CA', { dateStyle: 'short', timeZone }).format(day);
}

/**
 * A first draft for a water: its own figures, its latest reading, and the readings that make the trend.
 * @param date the day; without one the next to plan
 */
export function draftFor(
  water: Water,
  readings: readonly Reading[],
  clock: Clock,
  date = dayToPlan(clock, water.place.timeZone),
): Draft {
  const { name, discipline, waterKind, place, normalVisibilityM, yearLowC, maxDepthM, structures, covers } = water;
  const since = Date.parse(date) - 14 * DAY_MS;
  // No reading from after the day, whatever its clock is ahead of UTC.
  const recent = readings.filter(({ at }) => Date.parse(at) >= since && Date.parse(at) < Date.parse(date) + 2 * DAY_MS);
  const seen = recent.find(({ visibilityM }) => visibilityM !== undefined)?.visibilityM;
  return {
    waterId: water.id,
    waterName: name,
    savedId: null,
    savedName: null,
    input: {
      discipline,
      date,
      place,
      waterKind,
      surfaceTempC: recent[0]?.surfaceTempC ?? (undefined as unknown as number),
      readings: recent.map(({ at, surfaceTempC }) => ({ at, surfaceTempC })),
      normalVisibilityM: normalVisibilityM ?? usualVisibilityM(readings.flatMap((each) => each.visibilityM ?? [])),
      visibilityM: seen,
      yearLowC,
      maxDepthM,
      structures,
      covers,
    },
  };
}

/** A first draft for a day in a zone, from where the season stands there. */
export function seasonDraft(
  { water, year, readings, outside, clock }: WaterSeason,
  zoneId?: string,
  day?: number,
): Draft {
  const [first] = year.zones;
  const wanted = zoneId ?? latestReadZone(readings, clock);
  const zone = year.zones.find(({ id }) => id === wanted) ?? (first as SeasonZone);
  const told = water.zones?.find(({ id }) => id === zone.id);
  const date = day ?? dayNumber(dayToPlan(clock, water.place.timeZone));
  const base = draftFor(water, readings, clock, dateOf(date));
  return {
    ...base,
    zoneId: zone.id,
    waterName: told ? `${water.name}, ${told.name}` : water.name,
    input: {
      ...base.input,
      ...conditionsOn(year, zone, date, outside.weatherDays),
      recentRainMm: water.discipline === 'inshore' ? rainUntil(outside.weatherDays, date) : undefined,
      readings: undefined,
      maxDepthM: told?.maxDepthM ?? water.maxDepthM,
    },
  };
}

/** Rain of so many days, the last one first, as far as it is known. */
const RAIN_DAYS = 21;

function rainUntil(days: WaterSeason['outside']['weatherDays'], date: number): number[] | undefined {
  const byDate = new Map(days.map((each) => [each.date, each.rainMm]));
  const rain = Array.from({ length: RAIN_DAYS }, (_, back) => byDate.get(dateOf(date - back)));
  return rain.some((mm) => mm !== undefined) ? rain.map((mm) => mm ?? 0) : undefined;
}

const LATELY_MS = 45 * DAY_MS;

/** The zone that was read most often lately. */
function latestReadZone(readings: readonly Reading[], clock: Clock): string | undefined {
  const since = Date.parse(clock.now) - LATELY_MS;
  const counts = new Map<string, number>();
  for (const { at, zoneId } of readings) {
    if (zoneId && Date.parse(at) >= since) counts.set(zoneId, (counts.get(zoneId) ?? 0) + 1);
  }
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0];
}

/** Conditions that are estimated for the day where nobody typed them. */
const ESTIMATED = [
  'surfaceTempC',
  'tempTrendCPerDay',
  'yearLowC',
  'thermoclineM',
  'visibilityM',
  'sky',
  'windMps',
  'windFromDeg',
  'front',
  'recentRainMm',
] as const satisfies readonly (keyof ConditionsInput)[];

const isEstimate = ({ typed = [] }: Draft, field: keyof ConditionsInput): boolean => !typed.includes(field);

/** Where a condition comes from that nobody typed; null for what was typed, and for what the water itself says. */
export function sourceOf(draft: Draft, field: keyof ConditionsInput): string | null {
  if (!isEstimate(draft, field)) return null;
  if (draft.input[field] === undefined) return 'Not said: what is usual is assumed.';
  if (!ESTIMATED.some((each) => each === field)) return null;
  const fromSeason = draft.zoneId !== undefined && draft.zoneId !== null;
  if (!fromSeason && draft.savedId !== null) return 'As it is in the saved plan.';
  if (!fromSeason || field === 'visibilityM') return 'As it was at the last reading.';
  return "Estimated for this day from the water's season: its readings and the weather.";
}

/** A draft with what was estimated for its former day estimated for its own; what was typed stays. */
export function estimatedAnew(draft: Draft, { input: fresh }: Draft): Draft {
  const estimates = ESTIMATED.filter((field) => isEstimate(draft, field)).map((field) => [field, fresh[field]]);
  return { ...draft, input: { ...draft.input, ...(Object.fromEntries(estimates) as Partial<ConditionsInput>) } };
}

/** Whether a day that is saved was changed since; one of which that is not known was. */
export const isChangedSince = ({ savedId, savedInput, input }: Draft): boolean =>
  savedId !== null && JSON.stringify(savedInput) !== JSON.stringify(input);
