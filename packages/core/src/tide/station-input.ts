import type * as z from 'zod';
import { TideStation } from '../contract/tide.js';
import { constituentName } from './harmonic.js';

/** The greatest tides of the world have a range of some 16 m; a tide over this is more likely in feet. */
export const LIKELY_RANGE_M = 14;

/** A station as it comes in: constituents that the tables know, each once, of a tide that is likely. */
export const StationInput = TideStation.superRefine(({ constituents, turns = [] }, context) => {
  const add = (message: string, ...path: (string | number)[]) =>
    context.addIssue({ code: 'custom', message, path: ['constituents', ...path] });
  const early = turns.findIndex(({ atMs }, at) => at > 0 && atMs <= (turns[at - 1]?.atMs ?? 0));
  if (early > 0) {
    context.addIssue({
      code: 'custom',
      message: 'expected highs and lows in the order of their times',
      path: ['turns', early, 'atMs'],
    });
  }
  const unknown = constituents.findIndex(({ name }) => constituentName(name) === undefined);
  if (unknown >= 0) {
    const { name } = constituents[unknown] as { name: string };
    add(`expected the name of a constituent, as M2, got "${name}"`, unknown, 'name');
  }
  if (new Set(constituents.map(({ name }) => constituentName(name) ?? name)).size < constituents.length) {
    add('expected each constituent once');
  }
  if (2 * constituents.reduce((sum, { amplitudeM }) => sum + amplitudeM, 0) > LIKELY_RANGE_M) {
    add(`expected amplitudes in metres: these make a range of over ${LIKELY_RANGE_M} m. Are they in feet?`);
  }
});
export type StationInput = z.input<typeof StationInput>;
