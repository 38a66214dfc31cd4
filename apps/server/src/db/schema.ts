import type { Generated, Insertable, Selectable, Updateable } from 'kysely';

/** Columns hold JSON text where a value has parts; its shape is checked on the way in and on the way out. */
type JsonText = string;

export interface WaterTable {
  id: string;
  /** A WaterDraft. */
  draft: JsonText;
  created_at: string;
  updated_at: string;
  /** Set while removed; undo clears it. */
  removed_at: Generated<string | null>;
  /** Counts its changes, from 1. */
  version: Generated<number>;
  /** Name of the device that changed it last, where it said so. */
  changed_by: Generated<string | null>;
}

export interface ReadingTable {
  id: string;
  water_id: string;
  /** UTC instant. */
  at: string;
  surface_temp_c: number;
  visibility_m: number | null;
  zone_id: string | null;
  /** Depths with their temperatures. */
  profile: JsonText | null;
  /** 1 where the reading is kept but not believed. */
  suspect: number;
  /** Set while removed; undo clears it. */
  removed_at: string | null;
  /** Counts its changes, from 1. */
  version: Generated<number>;
  /** Name of the device that changed it last, where it said so. */
  changed_by: Generated<string | null>;
}

/** What is known from outside of one day at a water: weather or the gauge. */
export interface OutsideDayTable {
  water_id: string;
  kind: string;
  date: string;
  /** A WeatherDay or a GaugeDay. */
  day: JsonText;
}

/** How things stand with a source outside. */
export interface OutsideStateTable {
  water_id: string;
  kind: string;
  source: string | null;
  issued_at: string | null;
  answered_at: string | null;
  asked_at: string | null;
  failure: string | null;
}

export interface PlanTable {
  id: string;
  name: string;
  water_id: string | null;
  /** The Conditions it was made with. */
  conditions: JsonText;
  /** The Plan as it was given. */
  plan: JsonText;
  engine_version: string;
  /** Of the conditions and the plan, for lists. */
  date: string | null;
  phase: string | null;
  first: string | null;
  created_at: string;
  updated_at: string;
  /** Set while removed; undo clears it. */
  removed_at: string | null;
  /** Counts its changes, from 1. */
  version: Generated<number>;
  /** Name of the device that changed it last, where it said so. */
  changed_by: Generated<string | null>;
  /** The Run of its day, where one was ordered. */
  run: JsonText | null;
  /** The RecordVersion it was made with; null where it is the planner's own. */
  record: JsonText | null;
}

export interface TackleTable {
  id: string;
  kind: string;
  /** A TackleDraft. */
  item: JsonText;
  updated_at: string;
  /** Set while removed; undo clears it. */
  removed_at: string | null;
  /** Counts its changes, from 1. */
  version: Generated<number>;
  /** Name of the device that changed it last, where it said so. */
  changed_by: Generated<string | null>;
}

export interface PhotoTable {
  id: string;
  media_type: string;
  bytes: Buffer;
  created_at: string;
}

export interface ChartTable {
  water_id: string;
  /** A ChartFrame. */
  frame: JsonText;
  /** Whole centimetres, two bytes a cell, packed with gzip. */
  bed: Buffer;
  updated_at: string;
}

export interface ChartFeatureTable {
  id: string;
  water_id: string;
  /** A ChartFeature. */
  feature: JsonText;
  updated_at: string;
  /** Set while removed; undo clears it. */
  removed_at: string | null;
  /** Counts its changes, from 1. */
  version: Generated<number>;
  /** Name of the device that changed it last, where it said so. */
  changed_by: Generated<string | null>;
}

export interface TripEventTable {
  /** Order of arrival. */
  arrived: Generated<number>;
  id: string;
  trip_id: string;
  /** A TripEvent. */
  event: JsonText;
}

export interface PracticeEventTable {
  /** Order of arrival. */
  arrived: Generated<number>;
  id: string;
  /** A PracticeEvent. */
  event: JsonText;
}

export interface FactTable {
  name: string;
  value: string;
}

/** A version of something, as it was when it was made, changed or removed. */
export interface HistoryTable {
  id: Generated<number>;
  kind: string;
  entity_id: string;
  version: number;
  what: string;
  at: string;
  /** Name of the device that did it, where it said so. */
  device: string | null;
  /** The columns of the former version, as JSON. */
  body: JsonText;
}

/** A row that was no text, as bytes: set aside so that nobody stumbles over it. */
export interface DamagedRowTable {
  from_table: string;
  found_at: string;
  row: Buffer;
}

export interface Tables {
  history: HistoryTable;
  damaged_row: DamagedRowTable;
  water: WaterTable;
  reading: ReadingTable;
  plan: PlanTable;
  tackle: TackleTable;
  photo: PhotoTable;
  chart: ChartTable;
  chart_feature: ChartFeatureTable;
  trip_event: TripEventTable;
  practice_event: PracticeEventTable;
  outside_day: OutsideDayTable;
  outside_state: OutsideStateTable;
  /** Small facts about the book itself, as the version of its demo data. */
  fact: FactTable;
}

export type WaterRow = Selectable<WaterTable>;
export type ReadingRow = Selectable<ReadingTable>;
export type NewReadingRow = Insertable<ReadingTable>;
export type TackleRow = Selectable<TackleTable>;
export type PlanRow = Selectable<PlanTable>;
export type PlanChange = Updateable<PlanTable>;
