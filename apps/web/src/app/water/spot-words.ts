import { clockOf, nameOf, say, type UnitSystem } from '@inky-shoal/core';
import type { PlacedSpot, TidalHour, WayHome } from '@inky-shoal/core/spots';
import { capital, sayClock, sayHours, sayWay } from '../sheet/words';

/** Farther than this, metres, deep water or a channel is no neighbour any more. */
const NO_NEIGHBOUR_M = 5000;
const CHANNEL_NEAR_M = 600;
const COVER_NEAR_M = 150;
/** Lower waves are not felt in a boat, metres. */
const FELT_WAVE_M = 0.08;

/** The place in a few words: `Secondary point, Brindle Creek`. */
export const sayPlace = ({ structure, zone }: Pick<PlacedSpot, 'structure' | 'zone'>): string =>
  capital(nameOf(structure)) + (zone ? `, ${zone}` : '');

/** How deep it is there, and under what. */
export const sayGround = ({ depthM, cover }: Pick<PlacedSpot, 'depthM' | 'cover'>, units: UnitSystem): string =>
  say('depth', depthM, units) + (cover ? `, ${nameOf(cover)}` : '');

/** When it is at its best, in words; all day where that is so. */
export function sayGood({ good, byQuarter }: Pick<PlacedSpot, 'good' | 'byQuarter'>): string {
  const [first, last] = [byQuarter[0]?.minute, byQuarter.at(-1)?.minute];
  const [only] = good;
  if (good.length === 1 && only && only.fromMin === first && only.toMin === last) return 'all day';
  return good.map(({ fromMin, toMin }) => sayHours(clockOf(fromMin), clockOf(toMin))).join(', ');
}

/** The lie of the ground and what is near, as a sentence. */
export function sayLie(
  {
    slopeDeg,
    shoreM,
    deepM,
    channelM,
    waveM,
    shaded,
    guessM,
    coverM,
  }: Pick<PlacedSpot, 'coverM' | 'slopeDeg' | 'shoreM' | 'deepM' | 'channelM' | 'waveM' | 'shaded' | 'guessM'>,
  units: UnitSystem,
): string {
  const parts = [`slopes ${Math.round(slopeDeg)}°`, `${sayWay(shoreM, units)} off the bank`];
  if (deepM === 0) parts.push('in the deep');
  else if (deepM < NO_NEIGHBOUR_M) parts.push(`${sayWay(deepM, units)} to deep water`);
  if (channelM === 0) parts.push('on a channel');
  else if (channelM < CHANNEL_NEAR_M) parts.push(`${sayWay(channelM, units)} to a channel`);
  if (coverM > 0 && coverM < COVER_NEAR_M) parts.push(`${sayWay(coverM, units)} to cover`);
  if (waveM > FELT_WAVE_M) parts.push(`waves of ${say('depth', waveM, units)}`);
  if (shaded) parts.push('in the shade');
  const guess = guessM ? ` No sounding within ${sayWay(guessM, units)}: the depth is a guess.` : '';
  return `${capital(parts.join(', '))}.${guess}`;
}

const pct = (share: number): string => `${Math.round(share * 20) * 5} %`;

/** What the tide does on the chart: its level and its way, and what of the ground is wet. */
export function sayTide(
  { aboveM, riseMPerHour, way, flatsWet, mouths, mouthsWet }: TidalHour,
  units: UnitSystem,
): { readonly level: string; readonly ground: string } {
  const level = `${aboveM < 0 ? '−' : '+'}${say('depth', Math.abs(aboveM), units)}`;
  const pace = way === 'slack' ? 'slack' : `${way}, ${say('depth', Math.abs(riseMPerHour), units)} an hour`;
  const mouth = mouths === 1 ? 'drain mouth' : 'drain mouths';
  const running = mouthsWet === mouths ? (mouths === 1 ? 'The' : `All ${mouths}`) : `${mouthsWet} of ${mouths}`;
  const drains = way === 'draining' ? ` ${running} ${mouth} ${mouthsWet === 1 ? 'runs' : 'run'} out.` : '';
  return { level: `${level}, ${pace}`, ground: `Flats ${pct(flatsWet)} wet.${mouths ? drains : ''}` };
}

/** When the tide lets the boat home from a place. */
export function sayWayHome({ open }: Pick<WayHome, 'open'>): string {
  const [first, ...later] = open;
  if (!first) return 'Way home: shut all day for what this boat draws.';
  const again = later.map(({ fromMin, toMin }) => `${sayMinute(fromMin)} to ${sayMinute(toMin)}`);
  return `Way home: open ${[`${sayMinute(first.fromMin)} to ${sayMinute(first.toMin)}`, ...again].join(', ')}.`;
}

/** A time of the day from its minute. */
export const sayMinute = (minute: number): string => sayClock(clockOf(minute));

type NamedSpot = Pick<PlacedSpot, 'cell' | 'structure' | 'zone' | 'depthM'>;

/** Where to go at first light and at noon, in one sentence. */
export function sayAnswer(first: NamedSpot | undefined, noon: NamedSpot | undefined, units: UnitSystem): string {
  if (!first || !noon) return 'Nowhere on this chart holds fish today.';
  const words = ({ structure, zone, depthM }: NamedSpot) =>
    `${nameOf(structure)}${zone ? ` in ${zone}` : ''}, ${say('depth', depthM, units)}`;
  if (first.cell === noon.cell) return `First light and noon alike: the ${words(first)}.`;
  return `First light: the ${words(first)}. Noon: the ${words(noon)}.`;
}
