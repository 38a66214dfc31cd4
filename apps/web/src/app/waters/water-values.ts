import {
  capital,
  parse,
  WaterDraft,
  type Discipline,
  type UnitSystem,
  type Water,
  type WaterDraftInput,
  type WaterKind,
} from '@inky-shoal/core';
import { readPosition } from '@inky-shoal/core/units/position';
import { readQuantity } from '../ui/numbers';
import { isTimeZone } from './place-doubt';

/** A water as its form has it, depths in the user's units. */
export interface WaterValues {
  readonly name: string;
  readonly discipline: Discipline;
  readonly waterKind: WaterKind;
  readonly place: { readonly where: string; readonly timeZone: string };
  readonly normal: string;
  readonly maxDepth: string;
}

/** What is wrong with a water, by its fields. */
export type WaterProblems = Partial<
  Record<'name' | 'waterKind' | 'where' | 'timeZone' | 'normalVisibilityM' | 'maxDepthM' | 'whole', string | null>
>;

/**
 * A water as it was typed, and what is wrong with it.
 * @param before as it stood, null for a new one @param others whose names are taken
 * @returns `input` null where something is wrong
 */
export function readWater(
  typed: WaterValues,
  before: Water | null,
  others: readonly Pick<Water, 'name'>[],
  units: UnitSystem,
): { readonly input: WaterDraftInput | null; readonly problems: WaterProblems } {
  const normal = readQuantity(typed.normal, 'normalVisibilityM', 'depth', units, { before: before?.normalVisibilityM });
  const depth = readQuantity(typed.maxDepth, 'maxDepthM', 'depth', units, { before: before?.maxDepthM });
  const where = readPosition(typed.place.where);
  const { createdAt: _, updatedAt: __, version: ___, id: ____, ...kept } = before ?? ({} as Partial<Water>);
  const input = {
    ...kept,
    name: typed.name.trim(),
    discipline: typed.discipline,
    waterKind: typed.waterKind,
    place: { ...(where.ok ? where.position : {}), timeZone: typed.place.timeZone },
    normalVisibilityM: normal.si,
    maxDepthM: depth.si,
  };
  const draft = parse(WaterDraft, input);
  const unnamed = draft.ok ? undefined : draft.problems.find(({ path }) => path === 'name')?.message;
  const problems = {
    name: unnamed ? `${capital(unnamed)}.` : takenName(input.name, others),
    where: where.ok ? null : where.problem,
    timeZone: isTimeZone(typed.place.timeZone)
      ? null
      : `Expected a time zone as "America/Chicago", got "${typed.place.timeZone.slice(0, 40)}".`,
    normalVisibilityM: normal.problem,
    maxDepthM: depth.problem,
  };
  const isGood = draft.ok && !Object.values(problems).some(Boolean);
  return { input: isGood ? (input as WaterDraftInput) : null, problems };
}

function takenName(name: string, others: readonly Pick<Water, 'name'>[]): string | null {
  const taken = others.some((other) => other.name.toLowerCase() === name.toLowerCase());
  return taken ? `There is a ${name} already: give this one a name of its own.` : null;
}
