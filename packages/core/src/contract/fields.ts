import * as z from 'zod';

/** How a refused value is quoted back: short, and never the whole of a large body. */
function quoted(value: unknown): string {
  if (value === undefined) return 'nothing';
  // What lies deep is not written out: writing it goes as deep.
  if (Array.isArray(value)) return value.length ? `a list of ${value.length}` : 'an empty list';
  if (typeof value === 'object' && value !== null) return 'an object';
  const text = JSON.stringify(value) ?? String(value);
  return text.length > 40 ? `${text.slice(0, 37)}...` : text;
}

const refusal = (expected: string) => (issue: { input?: unknown }) =>
  `expected ${expected}, got ${quoted(issue.input)}`;

/** A finite number from `min` to `max`; `what` names it with its unit in the refusal. */
export function quantity(what: string, min: number, max: number) {
  const error = refusal(`${what} from ${min} to ${max}`);
  return z.number({ error }).min(min, { error }).max(max, { error });
}

/** One of a fixed list of ids. */
export function oneOf<const T extends readonly [string, ...string[]]>(what: string, ids: T) {
  return z.enum(ids, { error: refusal(`${what}: ${ids.join(', ')}`) });
}

/** A list of ids without repeats, in the order given. */
export function someOf<const T extends readonly [string, ...string[]]>(what: string, ids: T) {
  return z
    .array(oneOf(what, ids), { error: refusal(`a list of ${what}`) })
    .max(ids.length * 2, { error: `expected at most ${ids.length * 2} entries` })
    .transform((list) => [...new Set(list)]);
}

/** A field that may be left out; null says "not known" and counts as left out. */
export function maybe<T extends z.ZodType>(schema: T) {
  return schema
    .nullish()
    .transform((value) => value ?? undefined)
    .optional();
}

/** A short text, trimmed. */
export function shortText(what: string, max: number) {
  const error = refusal(`${what} of 1 to ${max} characters`);
  return z
    .string({ error })
    .trim()
    .min(1, { error })
    .max(max, { error })
    .refine((text) => !text.includes('\u0000'), { error: `expected ${what} without a NUL character` });
}

function isCalendarDate(text: string): boolean {
  const [year, month, day] = text.split('-').map(Number) as [number, number, number];
  const date = new Date(Date.UTC(year, month - 1, day));
  return date.getUTCFullYear() === year && date.getUTCMonth() === month - 1 && date.getUTCDate() === day;
}

const dateError = refusal('a date that exists, from 1900 to 2199, as YYYY-MM-DD');

/** A calendar day that exists, as YYYY-MM-DD. */
export const calendarDate = z
  .string({ error: dateError })
  .regex(/^(19|20|21)\d\d-\d\d-\d\d$/, { error: dateError })
  .refine(isCalendarDate, { error: dateError });

const clockError = refusal('a time of day as HH:MM');

/** A time of day on the local clock, as HH:MM. */
export const clockTime = z.string({ error: clockError }).regex(/^([01]\d|2[0-3]):[0-5]\d$/, { error: clockError });

const instantError = refusal('a moment with its offset, as 2027-03-01T14:00:00-06:00');

/** A moment in time with its offset from UTC. */
export const instant = z
  .string({ error: instantError })
  .regex(/^\d{4}-\d\d-\d\dT\d\d:\d\d(:\d\d(\.\d{1,9})?)?(Z|[+-]\d\d:\d\d)$/, { error: instantError })
  .refine((text) => isCalendarDate(text.slice(0, 10)) && !Number.isNaN(Date.parse(text)), { error: instantError });

function isTimeZone(name: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name });
    return true;
  } catch {
    return false;
  }
}

const zoneError = refusal('an IANA time zone, as America/Chicago');

/** An IANA time zone that this machine knows. */
export const timeZone = z.string({ error: zoneError }).max(60, { error: zoneError }).refine(isTimeZone, {
  error: zoneError,
});

const idError = refusal('an id made by the client, a UUID');

/** Ids are made by the client (UUIDv7), so that work done with no signal keeps its identity. One letter case. */
export const clientId = z.uuid({ error: idError }).toLowerCase();

/** A strict object whose refusals say what was expected of the whole. */
export function record<T extends z.ZodRawShape>(what: string, shape: T) {
  return z.strictObject(shape, {
    error: (issue) => (issue.code === 'invalid_type' ? refusal(what)(issue) : undefined),
  });
}
