import type { Reading, ReadingDraftInput, UnitSystem } from '@inky-shoal/core';
import { instantAt, localInput } from '../ui/local-time';
import { plainFigure, readQuantity } from '../ui/numbers';
import { readProfile, writeProfile } from './profile-text';

/** A reading as its form has it: on the water's clock, in the user's units. */
export interface ReadingValues {
  readonly at: string;
  readonly zoneId: string;
  readonly temp: string;
  readonly seen: string;
  readonly profile: string;
  readonly suspect: boolean;
}

/** What is wrong with a reading, by its fields. */
export type ReadingProblems = Partial<Record<'at' | 'temp' | 'seen' | 'profile', string | null>>;

/** What a reading is typed beside. */
export interface ReadingContext {
  /** As it stood; null where it is added. */
  readonly before: Reading | null;
  /** The record that it goes into, to see what stands twice. */
  readonly record: readonly Reading[];
  readonly timeZone: string;
  readonly now: string | undefined;
  readonly units: UnitSystem;
}

/** A clock may be so far ahead. */
const AHEAD_MS = 60_000;

/** A reading as it stands in the fields. */
export const readingValues = (
  { at, zoneId, surfaceTempC, visibilityM, profile, suspect }: Reading,
  timeZone: string,
  units: UnitSystem,
): ReadingValues => ({
  at: localInput(at, timeZone),
  zoneId: zoneId ?? '',
  temp: plainFigure('temp', surfaceTempC, units),
  seen: visibilityM === undefined ? '' : plainFigure('depth', visibilityM, units),
  profile: profile ? writeProfile(profile, units) : '',
  suspect: suspect ?? false,
});

/** What was typed, as a reading; null where something is wrong with it. */
export function readReading(
  { at, zoneId, temp, seen, profile, suspect }: ReadingValues,
  context: ReadingContext,
): { readonly draft: ReadingDraftInput | null; readonly problems: ReadingProblems } {
  const { before, timeZone, units } = context;
  const when = instantAt(at, timeZone);
  const water = readQuantity(temp, 'surfaceTempC', 'temp', units, { required: true, before: before?.surfaceTempC });
  const clarity = readQuantity(seen, 'visibilityM', 'depth', units, { before: before?.visibilityM });
  const down = readProfile(profile, units, before?.profile);
  const problems = {
    at: timeProblem(when, zoneId, context),
    temp: water.problem,
    seen: clarity.problem,
    profile: down.problem,
  };
  if (!when || water.si === undefined || Object.values(problems).some(Boolean)) return { draft: null, problems };
  const draft = {
    at: when,
    surfaceTempC: water.si,
    visibilityM: clarity.si,
    ...(zoneId ? { zoneId } : {}),
    ...(down.profile ? { profile: down.profile } : {}),
    ...(suspect ? { suspect } : {}),
  };
  return { draft, problems };
}

function timeProblem(when: string | undefined, zoneId: string, { before, record, now }: ReadingContext): string | null {
  if (!when) return 'Expected a day and time that exist.';
  if (now && Date.parse(when) > Date.parse(now) + AHEAD_MS) return 'That is still to come.';
  const twice = record.some(
    (other) => other.id !== before?.id && Date.parse(other.at) === Date.parse(when) && (other.zoneId ?? '') === zoneId,
  );
  return twice ? 'There is a reading of that minute there already: change that one.' : null;
}
