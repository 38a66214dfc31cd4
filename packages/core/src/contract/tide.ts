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

const STREAM_LAG_MIN = [-240, 240] as const;

/** A place whose stream is known by its constituents. */
export const CurrentStation = record('a station of currents with its constituents', {
  name: shortText('a name', 120),
  constituents: z
    .array(
      record('a constituent with name, amplitudeMps and phaseDeg', {
        name: shortText('the name of a constituent', 12),
        amplitudeMps: quantity('an amplitude in metres a second', 0, 20),
        phaseDeg: quantity('a phase in degrees', -360, 360),
      }),
      { error: 'expected a list of constituents' },
    )
    .min(1, { error: 'expected at least one constituent' })
    .max(200, { error: 'expected at most 200 constituents' }),
  /** What runs besides the tide, over 0 with the flood, metres a second. */
  meanMps: quantity('a mean flow in metres a second', -10, 10),
  floodDeg: maybe(quantity('the direction of the flood in degrees', 0, 360)),
  ebbDeg: maybe(quantity('the direction of the ebb in degrees', 0, 360)),
  origin: maybe(Origin),
});
export type CurrentStation = Readonly<z.infer<typeof CurrentStation>>;

/** How the stream follows the tide where one fishes: as a station of currents tells it, else so long after high and low. */
export const TideStream = record('a stream', {
  slackAfterHighMin: maybe(quantity('minutes from high water to slack', ...STREAM_LAG_MIN)),
  slackAfterLowMin: maybe(quantity('minutes from low water to slack', ...STREAM_LAG_MIN)),
  current: maybe(CurrentStation),
});
export type TideStream = Readonly<z.infer<typeof TideStream>>;

const TURNS = [2, 6000] as const;
const someTurns = { error: `expected from ${TURNS[0]} to ${TURNS[1]} highs and lows` };
const Turn = record('a high or low water with atMs and levelM', {
  atMs: z.int({ error: 'expected an instant in milliseconds' }),
  levelM: quantity('a level in metres', -20, 20),
});

/** A place whose tide is known by its constituents, or by a table of its highs and lows. */
export const TideStation = record('a station with its constituents', {
  name: shortText('a name', 120),
  latitude: quantity('a latitude in degrees', -90, 90),
  longitude: quantity('a longitude in degrees', -180, 180),
  /** None where it is known by its highs and lows alone. */
  constituents: z
    .array(Constituent, { error: 'expected a list of constituents' })
    .max(200, { error: 'expected at most 200 constituents' }),
  /** High and low water in turn, as a table tells them; between them one cosine each. */
  turns: maybe(z.array(Turn, someTurns).min(TURNS[0], someTurns).max(TURNS[1], someTurns)),
  /** How far the mean level lies over the datum that heights are told from, metres. */
  meanLevelM: quantity('a mean level over the datum in metres', -20, 20),
  /** What heights are told from, in words: `mean lower low water`. */
  datum: shortText('the name of a datum', 80),
  offsets: maybe(Offsets),
  origin: maybe(Origin),
  /** The way from the water to the open sea: wind from there holds water in. */
  seaDeg: maybe(quantity('a direction in degrees', 0, 360)),
  /** The stream of the water that has this station; it turns with the level where nothing is said. */
  stream: maybe(TideStream),
}).refine(({ constituents, turns }) => constituents.length > 0 || turns, {
  error: 'expected at least one constituent',
  path: ['constituents'],
});
export type TideStation = Readonly<z.infer<typeof TideStation>>;
