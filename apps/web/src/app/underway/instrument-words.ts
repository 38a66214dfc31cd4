import { say, type UnitSystem } from '@inky-shoal/core';
import { type Instruments, isStale } from './instruments.service';

/** How the boat's instruments stand in a sentence; null where none are set. */
export function sayInstruments(
  { line, heard, nowMs }: Instruments,
  units: UnitSystem,
): { readonly text: string; readonly stale: boolean } | null {
  if (!line || line.state === 'none') return null;
  if (line.state === 'away')
    return { text: `The instruments cannot be reached. ${line.why ?? ''}`.trim(), stale: true };
  const figures = [
    heard.depth && { text: `${say('depth', heard.depth.heard.depthM, units)} deep`, atMs: heard.depth.atMs },
    heard['water-temp'] && {
      text: `water ${say('temp', heard['water-temp'].heard.tempC, units)}`,
      atMs: heard['water-temp'].atMs,
    },
    heard.motion && { text: say('wind', heard.motion.heard.speedMps, units), atMs: heard.motion.atMs },
  ].filter((each) => each !== undefined);
  if (!figures.length) {
    return {
      text: line.state === 'silent' ? 'The instruments are silent.' : 'Waiting for the instruments.',
      stale: true,
    };
  }
  const ago = (atMs: number) => `${Math.round((nowMs - atMs) / 1000)} s`;
  const fresh = figures.filter(({ atMs }) => !isStale(atMs, nowMs)).map(({ text }) => text);
  const old = figures.filter(({ atMs }) => isStale(atMs, nowMs));
  if (!fresh.length) {
    const latestMs = Math.max(...old.map(({ atMs }) => atMs));
    return { text: `Silent for ${ago(latestMs)}. Last: ${old.map(({ text }) => text).join(', ')}.`, stale: true };
  }
  const words = [...fresh, ...old.map(({ text, atMs }) => `${text} ${ago(atMs)} ago`)].join(', ');
  return { text: `${words.charAt(0).toUpperCase()}${words.slice(1)}.`, stale: false };
}
