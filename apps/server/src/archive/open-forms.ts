import { Conditions, dateOf, dayNumber, WaterDraft } from '@inky-shoal/core';
import { ChartFeature } from '@inky-shoal/core/chart';
import { readingsToCsv } from '@inky-shoal/core/formats';
import { featuresToGeoJson, featuresToGpx } from '@inky-shoal/core/formats/features';
import { catchesToCsv, catchFeatures, tripsToCsv } from '@inky-shoal/core/logbook';
import { TackleDraft, tackleToCsv, type TackleItem } from '@inky-shoal/core/tackle';
import { TripEvent, tripsOf } from '@inky-shoal/core/underway';
import ical, { ICalCalendarMethod } from 'ical-generator';

type Row = Readonly<Record<string, unknown>>;
/** The rows of a book that were not removed, by table, JSON as what it holds. */
export type OpenRows = Readonly<Record<string, readonly Row[]>>;

const fileName = (name: string, id: string): string =>
  `${
    name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || 'water'
  }-${id.slice(-4)}`;

/** Minutes of the day in a text as 06:30. */
const clockIn = (clock: string): [hour: number, minute: number] => {
  const [hour = 0, minute = 0] = clock.split(':').map(Number);
  return [hour, minute];
};

/** A local time as calendars write it without a zone: the day's own clock, wherever it is read. */
const floating = (date: string, clock: string): string => {
  const [hour, minute] = clockIn(clock);
  return `${date}T${String(hour).padStart(2, '0')}:${String(minute).padStart(2, '0')}:00`;
};

const dayAfter = (date: string): string => dateOf(dayNumber(date) + 1);

/** Trips and fish for a spreadsheet, fish whose place is known as marks. */
function logbook(
  events: readonly TripEvent[],
  waters: readonly { readonly id: string; readonly name: string }[],
): [file: string, text: string][] {
  const names = new Map(waters.map(({ id, name }) => [id, name]));
  const nameOf = (waterId: string | null) => (waterId === null ? '' : (names.get(waterId) ?? ''));
  const trips = tripsOf(events);
  const marks = catchFeatures(trips);
  return [
    ['open/trips.csv', tripsToCsv(trips, nameOf)],
    ['open/fish.csv', catchesToCsv(trips, nameOf)],
    ...(marks.length
      ? ([
          ['open/fish.gpx', featuresToGpx(marks)],
          ['open/fish.geojson', featuresToGeoJson(marks)],
        ] as [string, string][])
      : []),
  ];
}

function calendar({ plan = [] }: OpenRows, events: readonly TripEvent[]): string {
  const all = ical({ name: 'Inky Shoal', method: ICalCalendarMethod.PUBLISH });
  for (const { id, name, conditions } of plan) {
    const { date, window } = Conditions.parse(conditions);
    all.createEvent({
      id: String(id),
      summary: String(name),
      start: floating(date, window?.from ?? '06:00'),
      end: floating(window && window.to < window.from ? dayAfter(date) : date, window?.to ?? '15:00'),
      floating: true,
    });
  }
  const lastOf = new Map(events.map((event) => [event.tripId, event]));
  for (const { id, begin } of tripsOf(events)) {
    const last = lastOf.get(id) ?? begin;
    const [start, end] = [begin.at, last.at].map((at) => new Date(Date.parse(at) + begin.aheadMs)) as [Date, Date];
    all.createEvent({
      id,
      summary: begin.name,
      start,
      end: end > start ? end : new Date(start.getTime() + 60_000),
    });
  }
  return all.toString();
}

/**
 * What other programs read: readings, tackle, trips and fish as CSV, charts and fish as GPX and GeoJSON, plans and trips as
 * iCalendar.
 */
export function openForms(rows: OpenRows): [file: string, text: string][] {
  const { water = [], reading = [], tackle = [], chart_feature = [], trip_event = [] } = rows;
  const events = trip_event.map(({ event }) => TripEvent.parse(event));
  const waters = water.map(({ id, draft }) => ({ id: String(id), ...WaterDraft.parse(draft) }));
  const readings = readingsToCsv(
    waters,
    reading.map(({ id, water_id, at, surface_temp_c, visibility_m, zone_id, suspect }) => ({
      id: String(id),
      waterId: String(water_id),
      at: String(at),
      surfaceTempC: Number(surface_temp_c),
      visibilityM: visibility_m === null ? undefined : Number(visibility_m),
      zoneId: zone_id === null ? undefined : String(zone_id),
      suspect: !!suspect,
    })),
  );
  const pieces = tackle.map(({ id, item }) => ({ id: String(id), ...TackleDraft.parse(item) }) as TackleItem);
  const charts = waters.flatMap(({ id, name }): [string, string][] => {
    const features = chart_feature
      .filter((row) => row['water_id'] === id)
      .map((row) => ChartFeature.parse(row['feature']));
    const base = `open/${fileName(name, id)}`;
    return features.length
      ? [
          [`${base}.gpx`, featuresToGpx(features)],
          [`${base}.geojson`, featuresToGeoJson(features)],
        ]
      : [];
  });
  return [
    ['open/readings.csv', readings],
    ['open/tackle.csv', tackleToCsv(pieces)],
    ['open/plans-and-trips.ics', calendar(rows, events)],
    ...logbook(events, waters),
    ...charts,
  ];
}
