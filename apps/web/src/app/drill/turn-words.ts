import type { Presentation } from '@inky-shoal/core';
import { lineMPerTurn } from '@inky-shoal/core/mechanics';

/** Turns of the handle a second that a reel needs for the speed of a retrieve. */
export function handleTurnsPerS(
  { speedMps: [from, to] }: Presentation['retrieve'],
  { ratio, spoolMm }: { readonly ratio: Parameters<typeof lineMPerTurn>[0]; readonly spoolMm: number },
): number {
  return (from + to) / 2 / lineMPerTurn(ratio, spoolMm);
}

/** How the handle is turned; nothing where no reel is chosen. */
export function turnWords(turnsPerS: number | null): string {
  if (turnsPerS === null) return '';
  return turnsPerS >= 1
    ? `${turnsPerS.toFixed(1)} turns of the handle a second.`
    : `A turn of the handle in ${(1 / turnsPerS).toFixed(1)} s.`;
}
