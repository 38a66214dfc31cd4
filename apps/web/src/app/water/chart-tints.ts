import { toSi, type UnitSystem } from '@inky-shoal/core';
import type { Ink } from '../ui/ink';
import type { Rgb, Tints } from './drawing';

/** Depths at which tints change, metres: closer where it is shallow. */
const TINTS_FROM_M = [0.9, 1.8, 3, 4.5, 6, 9, 12, 18] as const;
/** On tidal ground they also part what is ankle and knee deep. */
export const ANKLE_M = 0.25;
export const KNEE_M = 0.5;
/** There the shallow tints lie farther apart. */
const SHALLOW_POWER = 0.6;
const TIDAL_TINTS_FROM_M = [ANKLE_M, KNEE_M, ...TINTS_FROM_M] as const;
/** How much of the way from light to dark the deepest tint goes: ink must still be read on it. */
const DEEPEST = 0.85;
/** Depths at which contours run, in the user's units; every second is drawn heavier and carries its figure. */
const CONTOURS: Record<UnitSystem, readonly number[]> = {
  us: [3, 6, 10, 15, 20, 30, 40, 50, 60, 80, 100],
  metric: [1, 2, 3, 5, 7, 10, 13, 16, 20, 25, 30],
};

/** Red, green and blue of a colour written as #rrggbb or #rgb. */
export function rgbOf(colour: string): Rgb {
  const hex = colour.replace('#', '');
  const long = hex.length === 3 ? [...hex].map((digit) => digit + digit).join('') : hex;
  const part = (from: number) => parseInt(long.slice(from, from + 2), 16);
  return [part(0), part(2), part(4)];
}

/** Tints of the look in force, from the light of shoals to the ink of the deep. */
export function tintsOf(
  { waterLight, waterDark, paper, paper2 }: Pick<Ink, 'waterLight' | 'waterDark' | 'paper' | 'paper2'>,
  isTidal = false,
): Tints {
  const fromM = isTidal ? TIDAL_TINTS_FROM_M : TINTS_FROM_M;
  const [light, dark] = [rgbOf(waterLight), rgbOf(waterDark)];
  const colours = [0, ...fromM].map((_, band): Rgb => {
    const share = (band / fromM.length) ** (isTidal ? SHALLOW_POWER : 1) * DEEPEST;
    const part = (at: 0 | 1 | 2) => Math.round(light[at] + (dark[at] - light[at]) * share);
    return [part(0), part(1), part(2)];
  });
  return { fromM, colours, land: rgbOf(paper2), dry: rgbOf(paper) };
}

/** What the tints of tidal ground mean, by how deep the water is for who wades. */
export function tintKey(ink: Pick<Ink, 'waterLight' | 'waterDark' | 'paper' | 'paper2'>) {
  const { colours, dry } = tintsOf(ink, true);
  const shown = [dry, ...colours.slice(0, 3)].map(([red, green, blue]) => `rgb(${red} ${green} ${blue})`);
  return ['dry', 'ankle', 'knee', 'over'].map((name, at) => ({ name, colour: shown[at] }));
}

/** Where contours run in the user's units, metres, with the figure each carries. */
export const contoursIn = (units: UnitSystem): { depthM: number; label: string; strong: boolean }[] =>
  CONTOURS[units].map((shown, index) => ({
    depthM: toSi('depth', shown, units),
    label: String(shown),
    strong: index % 2 === 1,
  }));
