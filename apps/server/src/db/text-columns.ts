/** Columns that hold text, by table. Text that is no UTF-8 ends the driver, so these are looked through as bytes first. */
export const TEXT_COLUMNS = {
  water: ['id', 'draft', 'created_at', 'updated_at', 'removed_at', 'changed_by'],
  reading: ['id', 'water_id', 'at', 'zone_id', 'profile', 'removed_at', 'changed_by'],
  plan: [
    'id',
    'name',
    'water_id',
    'conditions',
    'plan',
    'engine_version',
    'created_at',
    'updated_at',
    'removed_at',
    'date',
    'phase',
    'first',
    'changed_by',
    'run',
    'record',
  ],
  tackle: ['id', 'kind', 'item', 'updated_at', 'removed_at', 'changed_by'],
  photo: ['id', 'media_type', 'created_at'],
  chart: ['water_id', 'frame', 'updated_at'],
  chart_feature: ['id', 'water_id', 'feature', 'updated_at', 'removed_at', 'changed_by'],
  trip_event: ['id', 'trip_id', 'event'],
  practice_event: ['id', 'event'],
  fact: ['name', 'value'],
  history: ['kind', 'entity_id', 'what', 'at', 'device', 'body'],
  damaged_row: ['from_table', 'found_at'],
} as const satisfies Record<string, readonly string[]>;
export type BookTable = keyof typeof TEXT_COLUMNS;
export const BOOK_TABLES = Object.keys(TEXT_COLUMNS) as BookTable[];

/** What was brought from outside and can be brought again: where it is damaged it is let go. */
export const FETCHED_TABLES = {
  outside_day: ['water_id', 'kind', 'date', 'day'],
  outside_state: ['water_id', 'kind', 'source', 'issued_at', 'answered_at', 'asked_at', 'failure'],
} as const satisfies Record<string, readonly string[]>;

/** What a table holds, in a user's words, for how many of them could not be read. */
export const TABLE_WORDS: Readonly<Record<BookTable, readonly [one: string, many: string]>> = {
  water: ['water', 'waters'],
  reading: ['reading', 'readings'],
  plan: ['plan', 'plans'],
  tackle: ['piece of tackle', 'pieces of tackle'],
  photo: ['photograph', 'photographs'],
  chart: ['chart', 'charts'],
  chart_feature: ['mark on a chart', 'marks on charts'],
  trip_event: ['note of a trip', 'notes of trips'],
  practice_event: ['answer of practice', 'answers of practice'],
  fact: ['setting', 'settings'],
  history: ['former version', 'former versions'],
  damaged_row: ['damaged row', 'damaged rows'],
};
