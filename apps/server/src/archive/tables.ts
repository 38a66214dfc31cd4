import { Conditions, Plan, ReadingDraft, RecordVersion, Run, WaterDraft } from '@inky-shoal/core';
import { ChartFeature, ChartFrame } from '@inky-shoal/core/chart';
import { PracticeEvent } from '@inky-shoal/core/drill';
import { TackleDraft } from '@inky-shoal/core/tackle';
import { TripEvent } from '@inky-shoal/core/underway';
import * as z from 'zod';

/** Bytes of an archive's entry, by which a row is told where it lies: its file beside the lines. */
export interface BytesColumn {
  readonly column: string;
  /** Where the bytes of a row lie in the archive. */
  readonly fileOf: (row: Readonly<Record<string, unknown>>) => string;
}

/** How a table goes into an archive: a file of lines, one JSON object each, by the names of its columns. */
export interface ArchivedTable {
  readonly table: string;
  readonly file: string;
  /** What a line must be. Columns that hold JSON in the book are written as what they hold. */
  readonly line: z.ZodType;
  /** Columns that hold JSON text in the book. */
  readonly json: readonly string[];
  readonly bytes?: BytesColumn;
  /** The order in which rows go out, so that the same book gives the same archive. */
  readonly order: string;
}

const text = z.string().max(5_000_000);
const nullable = text.nullable();
const version = z.number().int().min(1).default(1);
const changed_by = nullable.default(null);

/** A value that the contract's schema takes, kept as it was written: the schema only looks. */
const like = (schema: z.ZodType) =>
  z.unknown().superRefine((value, context) => {
    const checked = schema.safeParse(value);
    if (!checked.success)
      context.addIssue({ code: 'custom', message: checked.error.issues[0]?.message ?? 'another shape' });
  });

const MEDIA_ENDINGS: Readonly<Record<string, string>> = {
  'image/jpeg': 'jpg',
  'image/png': 'png',
  'image/webp': 'webp',
};

/** Tables of an archive, in an order in which what hangs on something comes after it. Archive form 1; see docs/archive.md. */
export const ARCHIVED: readonly ArchivedTable[] = [
  {
    table: 'water',
    file: 'data/waters.jsonl',
    line: z.strictObject({
      id: text,
      draft: like(WaterDraft),
      created_at: text,
      updated_at: text,
      removed_at: nullable.default(null),
      version,
      changed_by,
    }),
    json: ['draft'],
    order: 'id',
  },
  {
    table: 'reading',
    file: 'data/readings.jsonl',
    line: z.strictObject({
      id: text,
      water_id: text,
      at: text,
      surface_temp_c: z.number(),
      visibility_m: z.number().nullable(),
      zone_id: nullable,
      profile: like(ReadingDraft.shape.profile).nullable(),
      suspect: z.number().int(),
      removed_at: nullable,
      version,
      changed_by,
    }),
    json: ['profile'],
    order: 'id',
  },
  {
    table: 'plan',
    file: 'data/plans.jsonl',
    line: z.strictObject({
      id: text,
      name: text,
      water_id: nullable,
      conditions: like(Conditions),
      plan: like(Plan),
      engine_version: text,
      created_at: text,
      updated_at: text,
      removed_at: nullable,
      date: nullable,
      phase: nullable,
      first: nullable,
      version,
      changed_by,
      run: like(Run).nullable().default(null),
      record: like(RecordVersion).nullable().default(null),
    }),
    json: ['conditions', 'plan', 'run', 'record'],
    order: 'id',
  },
  {
    table: 'tackle',
    file: 'data/tackle.jsonl',
    line: z.strictObject({
      id: text,
      kind: text,
      item: like(TackleDraft),
      updated_at: text,
      removed_at: nullable,
      version,
      changed_by,
    }),
    json: ['item'],
    order: 'id',
  },
  {
    table: 'photo',
    file: 'data/photos.jsonl',
    line: z.strictObject({ id: text, media_type: text, created_at: text }),
    json: [],
    bytes: {
      column: 'bytes',
      fileOf: ({ id, media_type }) => `photos/${String(id)}.${MEDIA_ENDINGS[String(media_type)] ?? 'bin'}`,
    },
    order: 'id',
  },
  {
    table: 'chart',
    file: 'data/charts.jsonl',
    line: z.strictObject({ water_id: text, frame: like(ChartFrame), updated_at: text }),
    json: ['frame'],
    bytes: { column: 'bed', fileOf: ({ water_id }) => `charts/${String(water_id)}.bed.gz` },
    order: 'water_id',
  },
  {
    table: 'chart_feature',
    file: 'data/chart-features.jsonl',
    line: z.strictObject({
      id: text,
      water_id: text,
      feature: like(ChartFeature),
      updated_at: text,
      removed_at: nullable,
      version,
      changed_by,
    }),
    json: ['feature'],
    order: 'id',
  },
  {
    table: 'trip_event',
    file: 'data/trip-events.jsonl',
    line: z.strictObject({ arrived: z.number().int(), id: text, trip_id: text, event: like(TripEvent) }),
    json: ['event'],
    order: 'arrived',
  },
  {
    table: 'practice_event',
    file: 'data/practice.jsonl',
    line: z.strictObject({ arrived: z.number().int(), id: text, event: like(PracticeEvent) }),
    json: ['event'],
    order: 'arrived',
  },
  {
    table: 'outside_day',
    file: 'data/outside-days.jsonl',
    line: z.strictObject({ water_id: text, kind: text, date: text, day: z.record(z.string(), z.unknown()) }),
    json: ['day'],
    order: 'water_id, kind, date',
  },
  {
    table: 'fact',
    file: 'data/settings.jsonl',
    line: z.strictObject({ name: text, value: text }),
    json: [],
    order: 'name',
  },
  {
    table: 'history',
    file: 'data/history.jsonl',
    line: z.strictObject({
      id: z.number().int(),
      kind: text,
      entity_id: text,
      version: z.number().int(),
      what: text,
      at: text,
      device: nullable,
      body: z.record(z.string(), z.unknown()),
    }),
    json: ['body'],
    order: 'id',
  },
];

/** Facts that are the book's own and not its content: they stay behind. */
export const OWN_FACTS: ReadonlySet<string> = new Set(['book-id', 'run', 'notices']);

/** What an archive says of itself. */
export const ArchiveAbout = z.object({
  form: z.literal('inky-shoal-archive'),
  version: z.literal(1),
  book: z.string(),
  engineVersion: z.string(),
  madeAt: z.string(),
  rows: z.record(z.string(), z.number()),
});
export type ArchiveAbout = z.infer<typeof ArchiveAbout>;
