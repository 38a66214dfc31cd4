import { LINE_MATERIALS, nameOf, say, type UnitSystem } from '@inky-shoal/core';
import { SINKING_FORMS, type RunningDepth } from '@inky-shoal/core/mechanics';
import { choices } from '../../ui/choices';
import type { FieldSpec } from '../../ui/fields.component';

/** What takes a lure down. */
export const HOW = [
  { id: 'diving', name: 'a lip' },
  ...SINKING_FORMS.map((id) => ({ id, name: `sinking: ${nameOf(id)}` })),
];
export const DIVING: readonly FieldSpec[] = [
  { kind: 'figure', key: 'statedDepthM', label: 'Stated to dive', measure: 'depth' },
  { kind: 'one', key: 'lineMaterial', label: 'Stated for', choices: choices(LINE_MATERIALS) },
  { kind: 'figure', key: 'statedTestLb', label: 'Of test', measure: 'test' },
  { kind: 'figure', key: 'statedCastM', label: 'On a cast of', measure: 'depth' },
];
export const SINKING: readonly FieldSpec[] = [
  { kind: 'figure', key: 'massG', label: 'Weight', measure: 'weight' },
  { kind: 'figure', key: 'startDepthM', label: 'Let down to', measure: 'depth' },
];
export const CAST: readonly FieldSpec[] = [
  { kind: 'figure', key: 'castM', label: 'Cast', measure: 'depth' },
  { kind: 'figure', key: 'speedMps', label: 'Speed', measure: 'speed' },
  { kind: 'figure', key: 'rodTipM', label: 'Rod tip up', measure: 'depth' },
  { kind: 'figure', key: 'zoneFromM', label: 'Fish from', measure: 'depth' },
  { kind: 'figure', key: 'zoneToM', label: 'Fish to', measure: 'depth' },
  { kind: 'figure', key: 'bottomNearM', label: 'Bottom at the rod', measure: 'depth' },
  { kind: 'figure', key: 'bottomFarM', label: 'Bottom at the far end', measure: 'depth' },
  { kind: 'figure', key: 'wantedDepthM', label: 'Must reach', measure: 'depth' },
];

/** How deep it runs, how long it is among the fish, and whether it gets down, in words. */
export function runningWords(
  { maxDepthM, shareInZone, onBottomM, reaches }: RunningDepth,
  wantedM: number,
  units: UnitSystem,
): string {
  const depth = (si: number) => say('depth', si, units);
  const touches = onBottomM[0] ? `, on the bottom from ${depth(onBottomM[0][0])} off` : '';
  const among = shareInZone === null ? '' : ` ${Math.round(100 * shareInZone)} % of the cast is among the fish.`;
  const wanted = reaches === false ? ` It will not reach ${depth(wantedM)}.` : '';
  return `It runs to ${depth(maxDepthM)}${touches}.${wanted}${among}`;
}

/** On which lines it gets to a depth. */
export function lineWords(lines: RunningDepth['lines'], wantedM: number, units: UnitSystem): string {
  const wanted = say('depth', wantedM, units);
  const good = lines.filter(({ testLb }) => testLb !== null);
  if (!good.length) return `No line gets this lure to ${wanted}: take one that dives deeper.`;
  const named = good.map(({ material, testLb }) => `${say('test', testLb ?? 0, units)} ${material}`);
  return `To ${wanted} it goes on ${named.join(', ')}, or lighter.`;
}
