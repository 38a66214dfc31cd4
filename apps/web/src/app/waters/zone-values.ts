import { capital, type Problem, type UnitSystem, type Zone } from '@inky-shoal/core';
import { v7 as uuid } from 'uuid';
import { plainFigure, readQuantity } from '../ui/numbers';

/** A zone as its fields have it, depths in the user's units. */
export interface ZoneValues {
  readonly id: string;
  readonly name: string;
  readonly position: Zone['position'];
  readonly mixed: string;
  readonly deepest: string;
  readonly dark: boolean;
  readonly neighbours: readonly string[];
}

/** What is wrong with a zone, by its fields. */
export type ZoneProblems = Record<string, string | null>;

/** What stands in the fields of a zone, or of a new one. */
export const zoneValues = (zone: Zone | undefined, units: UnitSystem): ZoneValues => ({
  id: zone?.id ?? uuid(),
  name: zone?.name ?? '',
  position: zone?.position ?? 'mid',
  mixed: zone ? plainFigure('depth', zone.mixedDepthM, units) : '',
  deepest: zone?.maxDepthM === undefined ? '' : plainFigure('depth', zone.maxDepthM, units),
  dark: zone?.darkBottom ?? false,
  neighbours: zone?.neighbours ?? [],
});

/** Zones as they were typed, and what is wrong with each. @param before as they stood, for figures that were only rounded */
export function readZones(typed: readonly ZoneValues[], before: readonly Zone[], units: UnitSystem) {
  const problems: ZoneProblems[] = [];
  const zones = typed.map(({ id, name, position, mixed, deepest, dark, neighbours }) => {
    const old = before.find((zone) => zone.id === id);
    const mixedDepth = readQuantity(mixed, 'mixedDepthM', 'depth', units, { required: true, before: old?.mixedDepthM });
    const maxDepth = readQuantity(deepest, 'maxDepthM', 'depth', units, { before: old?.maxDepthM });
    problems.push({ mixed: mixedDepth.problem, deepest: maxDepth.problem });
    return {
      id,
      name,
      position,
      mixedDepthM: mixedDepth.si,
      maxDepthM: maxDepth.si,
      darkBottom: dark || undefined,
      neighbours: [...neighbours],
    };
  });
  return { zones, problems };
}

/** Marks names that cannot be at their zones. */
export function markNames(found: readonly Problem[], problems: readonly ZoneProblems[]): void {
  for (const { path, message } of found) {
    const [, at, field] = /^zones\[(\d+)\]\.(\w+)/.exec(path) ?? [];
    const own = problems[Number(at)];
    if (own && field === 'name') own['name'] = `${capital(message)}.`;
  }
}
