import type { RetrieveStyle } from '../../contract/ids.js';
import type { Range, Retrieve } from '../../contract/plan.js';
import type { Category } from '../../lures/category.js';
import type { Facts } from '../../rules/facts.js';
import { interpolate } from '../../rules/fuzzy.js';
import { figureOf, sayRange, type UnitSystem } from '../../units/units.js';
import { rangeAt, speedMps, styleOf } from '../../lures/pace.js';
import { BOTTOM_PAUSE_S, MOVE, PAUSE_S, STOP_S } from './tables.js';

const tenths = (seconds: number): number => Math.round(seconds * 10) / 10;

const BOTTOM_STYLES: ReadonlySet<RetrieveStyle> = new Set([
  'drag',
  'hop',
  'shake',
  'bounce-slack',
  'lift-drop',
  'yo-yo',
  'dead-stick',
]);
/** Pause in seconds, null for lures that keep moving. Colder is never shorter. */
export function pauseS(style: RetrieveStyle, facts: Facts): [number, number] | null {
  const tempC = facts.figure('surfaceTempC') ?? 15;
  if (style === 'twitch-pause') {
    const [from, to] = rangeAt(PAUSE_S, tempC);
    const inspected = facts.degree('ground:grass') && facts.degree('discipline:bass') && tempC >= 10 ? 0.7 : 1;
    return [from * inspected, to * inspected];
  }
  if (BOTTOM_STYLES.has(style)) return [...rangeAt(BOTTOM_PAUSE_S, tempC)];
  if (style === 'stop-and-go') return [tenths(interpolate(STOP_S[0], tempC)), tenths(interpolate(STOP_S[1], tempC))];
  if (style === 'pop') return tempC < 20 ? [2, 5] : [1, 3];
  return null;
}

function contactText(category: Category, style: RetrieveStyle): string {
  if (category.positions.surface > 0.8) return '';
  if (category.traits.deflects >= 0.5) return ' It must hit something: the bite comes as it glances off.';
  if (style === 'drag' || style === 'hop') return ' Keep it on the bottom.';
  if (style === 'twitch-pause') return ' Out of rhythm, on a slack line.';
  return '';
}

/** How to move it: style, speed, pause, what to do on contact, and how to strike, in words. */
export function retrieve(category: Category, runDepthM: Range, facts: Facts, units: UnitSystem): Retrieve {
  const style = styleOf(category, facts);
  const speed = speedMps(category, style, facts);
  const pause = pauseS(style, facts);
  const waits = pause ? `, ${pause.map(tenths).join(' to ')} s` : '';
  const depth = runDepthM[1] > 0.15 ? ` at ${sayRange('depth', runDepthM, units)}` : '';
  const strike = facts.degree('feedback:barely-hooked')
    ? 'They are barely hooked: sweep later and softer, and sharpen or move the hooks.'
    : category.hook === 'treble'
      ? 'Lean into the fish, do not strike.'
      : 'Set the hook firmly.';
  return {
    style,
    speedMps: speed,
    pauseS: pause,
    text: `${MOVE[style]}${waits}${depth}, about ${figureOf('speed', (speed[0] + speed[1]) / 2, units)} ${units === 'us' ? 'ft' : 'm'} a second.${contactText(category, style)} ${strike}`,
  };
}
