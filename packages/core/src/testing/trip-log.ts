import { Conditions } from '../contract/conditions.js';
import type { Fishing, TripEvent, TripPlan, TripStop } from '../contract/trips.js';
import { makePlan } from '../plan/make-plan.js';

export const TRIP_ID = '01960000-0000-7000-8000-000000000001';
export const DEVICE = '01960000-0000-7000-8000-0000000000d1';
export const OTHER_DEVICE = '01960000-0000-7000-8000-0000000000d2';
const START_MS = Date.parse('2027-03-13T13:00:00Z');

/** A cold pre-spawn day on a reservoir of rock and wood. */
export const preSpawn = Conditions.parse({
  discipline: 'bass',
  date: '2027-03-13',
  window: { from: '06:30', to: '15:00' },
  place: { latitude: 35.9, longitude: -88.4, timeZone: 'America/Chicago' },
  waterKind: 'highland-reservoir',
  surfaceTempC: 10.5,
  tempTrendCPerDay: 0.3,
  visibilityM: 1.8,
  normalVisibilityM: 2,
  sky: 'overcast',
  windMps: 4,
  windFromDeg: 200,
  level: 'stable',
  structures: ['secondary-point', 'channel-swing'],
  covers: ['chunk-rock', 'laydown'],
});
export const preSpawnPlan: TripPlan = { conditions: preSpawn, plan: makePlan(preSpawn) };

export const jerkbait: Fishing = {
  spot: null,
  structure: 'secondary-point',
  cover: 'chunk-rock',
  depthM: 1.8,
  category: 'suspending-jerkbait',
  trim: null,
  paceMps: 0.35,
};

export const idAt = (n: number): string => `01960000-0000-7000-8000-${n.toString(16).padStart(12, '0')}`;

type NewEvent = TripEvent extends infer E
  ? E extends TripEvent
    ? Omit<E, 'id' | 'tripId' | 'deviceId' | 'seq' | 'at'>
    : never
  : never;

/** Writes a log as a device would: each event gets the next id and count. */
export class LogWriter {
  readonly events: TripEvent[] = [];

  constructor(
    readonly deviceId = DEVICE,
    private firstId = 0x1000,
    readonly tripId = TRIP_ID,
  ) {}

  /** @param minute minutes after the trip began, by the device's clock */
  add(minute: number, told: NewEvent): TripEvent {
    const seq = this.events.length;
    const at = new Date(START_MS + minute * 60_000).toISOString();
    const event = { ...told, id: idAt(this.firstId + seq), tripId: this.tripId, deviceId: this.deviceId, seq, at };
    this.events.push(event as TripEvent);
    return event as TripEvent;
  }

  begin(plan: TripPlan | null = preSpawnPlan, stops: TripStop[] = []): TripEvent {
    const place = plan?.conditions.place ?? null;
    return this.add(0, { kind: 'begin', name: 'A day in March', place, plan, stops, aheadMs: 0 });
  }

  casts(minute: number, casts = 20, fishing: Fishing = jerkbait): TripEvent {
    return this.add(minute, { kind: 'effort', casts, fishing });
  }

  contact(
    minute: number,
    what: 'follow' | 'short' | 'missed' | 'lost' | 'landed',
    fishing: Fishing = jerkbait,
  ): TripEvent {
    return this.add(minute, { kind: 'contact', what, fishing });
  }
}

export const momentOf = (minute: number): number => START_MS + minute * 60_000;
