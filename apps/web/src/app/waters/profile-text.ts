import { readNumber, toShown, toSi, type ProfilePoint, type UnitSystem } from '@inky-shoal/core';

export interface ProfileRead {
  /** From the surface down, in SI; undefined where nothing was written or something is wrong. */
  readonly profile?: ProfilePoint[];
  readonly problem: string | null;
}

/**
 * Reads a depth and its temperature on each line, in the user's units.
 * @param before what stood there: written rounded, and not typed over, it stays as it was
 */
export function readProfile(text: string, units: UnitSystem, before?: ProfilePoint[]): ProfileRead {
  if (before && text === writeProfile(before, units)) return { profile: before, problem: null };
  const lines = text.split('\n').map((line) => line.trim());
  const points: ProfilePoint[] = [];
  for (const [index, line] of lines.entries()) {
    if (!line) continue;
    const figures = line.split(/[\s;:]+/).map((part) => readNumber(part));
    const [depth, temp] = figures;
    if (figures.length !== 2 || depth === undefined || temp === undefined) {
      return { problem: `Line ${index + 1}: expected a depth and a temperature, got "${line.slice(0, 20)}".` };
    }
    const point = { depthM: toSi('depth', depth, units), tempC: toSi('temp', temp, units) };
    if (point.depthM < 0 || point.depthM > 300) return { problem: `Line ${index + 1}: no water is ${depth} deep.` };
    if (point.tempC < -2 || point.tempC > 40) return { problem: `Line ${index + 1}: no water is at ${temp}.` };
    if (points.some(({ depthM }) => depthM === point.depthM)) {
      return { problem: `Line ${index + 1}: ${depth} stands twice.` };
    }
    points.push(point);
  }
  if (points.length === 1) return { problem: 'Expected at least two depths.' };
  return points.length ? { profile: points.sort((a, b) => a.depthM - b.depthM), problem: null } : { problem: null };
}

/** Writes a profile the way it is read. */
export const writeProfile = (profile: readonly ProfilePoint[], units: UnitSystem): string =>
  profile
    .map(({ depthM, tempC }) => [toShown('depth', depthM, units), toShown('temp', tempC, units)])
    .map((pair) => pair.map((figure) => Number(figure.toFixed(1))).join(' '))
    .join('\n');
