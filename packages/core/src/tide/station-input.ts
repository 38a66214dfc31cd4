import * as z from 'zod';
import { maybe, quantity, record, shortText } from '../contract/fields.js';
import { constituentName } from './harmonic.js';

/** The greatest tides of the world have a range of some 16 m; a tide over this is more likely in feet. */
const LIKELY_RANGE_M = 14;

const unnamed = ({ input }: { readonly input?: unknown }) =>
  `expected the name of a constituent, as M2, got ${JSON.stringify(input ?? null).slice(0, 40)}`;

const ConstituentInput = record('a constituent with name, amplitudeM and phaseDeg', {
  name: z.string({ error: unnamed }).refine((name) => constituentName(name) !== undefined, { error: unnamed }),
  amplitudeM: quantity('an amplitude in metres', 0, 20),
  phaseDeg: quantity('a phase in degrees', -360, 360),
});

const OffsetsInput = record('offsets with highMin, lowMin, highFactor and lowFactor', {
  highMin: quantity('minutes by which highs come later', -720, 720),
  lowMin: quantity('minutes by which lows come later', -720, 720),
  highFactor: quantity('a factor on highs', 0.05, 5),
  lowFactor: quantity('a factor on lows', -5, 5),
});

/** A station as it comes in. */
export const StationInput = record('a station with its constituents', {
  name: shortText('a name', 120),
  latitude: quantity('a latitude in degrees', -90, 90),
  longitude: quantity('a longitude in degrees', -180, 180),
  constituents: z
    .array(ConstituentInput, { error: 'expected a list of constituents' })
    .min(1, { error: 'expected at least one constituent' })
    .max(200, { error: 'expected at most 200 constituents' })
    .refine((list) => new Set(list.map(({ name }) => constituentName(name))).size === list.length, {
      error: 'expected each constituent once',
    })
    .refine((list) => 2 * list.reduce((sum, { amplitudeM }) => sum + amplitudeM, 0) <= LIKELY_RANGE_M, {
      error: `expected amplitudes in metres: these make a range of over ${LIKELY_RANGE_M} m. Are they in feet?`,
    }),
  meanLevelM: quantity('a mean level over the datum in metres', -20, 20),
  datum: shortText('the name of a datum', 80),
  offsets: maybe(OffsetsInput),
});
