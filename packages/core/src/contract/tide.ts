import * as z from 'zod';
import { maybe, quantity, record, shortText } from './fields.js';

const Constituent = record('a constituent with name, amplitudeM and phaseDeg', {
  /** As the tables call it: M2, K1, MSF. */
  name: shortText('the name of a constituent', 12),
  amplitudeM: quantity('an amplitude in metres', 0, 20),
  /** Lag behind the equilibrium tide at Greenwich. */
  phaseDeg: quantity('a phase in degrees', -360, 360),
});
/** One part of a tide: a cosine of a published speed. */
export type TideConstituent = Readonly<z.infer<typeof Constituent>>;

const Offsets = record('offsets with highMin, lowMin, highFactor and lowFactor', {
  /** Minutes by which its highs and lows come later. */
  highMin: quantity('minutes by which highs come later', -720, 720),
  lowMin: quantity('minutes by which lows come later', -720, 720),
  /** Factors on heights over the datum. */
  highFactor: quantity('a factor on highs', 0.05, 5),
  lowFactor: quantity('a factor on lows', -5, 5),
  /** Metres added to heights instead of factors. */
  highAddedM: maybe(quantity('metres added to highs', -10, 10)),
  lowAddedM: maybe(quantity('metres added to lows', -10, 10)),
});
/** What a subordinate station differs by from the one whose constituents it is reckoned with. */
export type TideOffsets = Readonly<z.infer<typeof Offsets>>;

/** What is said of a station that others measured: shown wherever its tide is. */
const Origin = record('the origin of a station', {
  /** Who measured it. */
  source: shortText('a source', 200),
  licence: shortText('a licence', 80),
  /** The notice that its publishers ask for. */
  notice: maybe(shortText('a notice', 1000)),
  /** The years that its constituents are from. */
  epoch: maybe(shortText('an epoch', 40)),
});
export type TideOrigin = Readonly<z.infer<typeof Origin>>;

/** A place whose tide is known by its constituents. */
export const TideStation = record('a station with its constituents', {
  name: shortText('a name', 120),
  latitude: quantity('a latitude in degrees', -90, 90),
  longitude: quantity('a longitude in degrees', -180, 180),
  constituents: z
    .array(Constituent, { error: 'expected a list of constituents' })
    .min(1, { error: 'expected at least one constituent' })
    .max(200, { error: 'expected at most 200 constituents' }),
  /** How far the mean level lies over the datum that heights are told from, metres. */
  meanLevelM: quantity('a mean level over the datum in metres', -20, 20),
  /** What heights are told from, in words: `mean lower low water`. */
  datum: shortText('the name of a datum', 80),
  offsets: maybe(Offsets),
  origin: maybe(Origin),
});
export type TideStation = Readonly<z.infer<typeof TideStation>>;
