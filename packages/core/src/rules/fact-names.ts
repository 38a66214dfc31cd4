import type * as ids from '../contract/ids.js';
import type { Ground, GroupId, WayFished } from './vocabulary.js';

/** Measured or derived figures, each with its unit in its name. */
export type QuantityName =
  | 'surfaceTempC'
  | 'tempTrendCPerDay'
  | 'riseAboveYearLowC'
  | 'dayLengthH'
  | 'dayLengthChangeMinPerDay'
  | 'visibilityM'
  | 'effectiveVisibilityM'
  /** How far off a lure is found, metres: as fish judge the water, but in murk they are used to no further than they see. */
  | 'sightM'
  | 'relativeClarity'
  | 'windMps'
  | 'bankSlopeDeg'
  | 'light'
  | 'sunWarmth'
  | 'hoursFromSunrise'
  /** Hours until the shad spawn of the morning ends; below 0 afterwards. */
  | 'shadSpawnHoursLeft'
  | 'holdingDepthM'
  | 'waterOverCoverM'
  | 'tideHours'
  | 'tideRangeM'
  | 'tideRun'
  | 'salinityPsu'
  /** How far tidal water stands over its table, metres. */
  | 'overTableM'
  /** The day's tide between mean neaps, 0, and mean springs, 1. */
  | 'springShare'
  /** Length of what they are eating, where it was named, millimetres. */
  | 'forageLengthMm'
  /** How far the water stands under the warmest of its year, degrees Celsius. */
  | 'belowYearHighC'
  /** Month of the year with its fraction, 1 to 13, as in the north: July is 7 to 8, and January south of the equator. */
  | 'yearMonth'
  /** Lit part of the moon, 0 to 1. */
  | 'moonFullness';

/** Things that are so to a degree, 0 to 1: `phase:winter`, `cover:pads`, `sky:overcast`. */
export type DegreeName =
  | `discipline:${ids.Discipline}`
  | `species:${ids.Species}`
  | `phase:${ids.Phase}`
  | `overlay:${ids.OverlayId}`
  | `clarity:${ids.ClarityClass}`
  | `regime:${ids.Regime}`
  | `trend:${'clearing' | 'dropping'}`
  | `level:${ids.Level}`
  | `sky:${ids.Sky}`
  | `front:${ids.Front}`
  | `inflow:${'warmer' | 'colder'}`
  | `water:${ids.WaterKind}`
  | `goal:${'numbers' | 'big-fish' | 'balanced'}`
  | `familiarity:${'known' | 'new'}`
  | `forage:${ids.ForageKind}`
  | `seen:${(typeof ids.FORAGE_SEEN)[number]}`
  | `sign:${(typeof ids.SIGNS)[number]}`
  | `feedback:${(typeof ids.FEEDBACK)[number]}`
  | `tide:${(typeof ids.TIDE_STAGES)[number]}`
  | `current:${ids.Current}`
  | `pressure:${ids.Pressure}`
  | `fish-sign:${ids.FishSign}`
  | 'leaves'
  /** The group of fish that a holding place names. */
  | `group:${GroupId}`
  /** Forage that the angler named or saw, as against what the season supposes. */
  | 'forage-named'
  | `light:${ids.Light}`
  | `structure:${ids.Structure}`
  | `cover:${ids.Cover}`
  | `ground:${Ground}`
  | `position:${ids.Position}`
  | `school:${string}`
  | `category:${ids.CategoryId}`
  | `tone:${ids.Tone}`
  /** What the lure in hand can pass for. */
  /** How the lure in hand is fished, and what it carries. */
  | `lure:${WayFished | 'treble' | 'deflects'}`
  | `passes-for:${'crayfish' | 'baitfish' | 'sunfish' | 'bottom-food'}`
  /** What a chart knows of a spot: `spot:wind-blown`. Without a chart all of them are 0. */
  | `spot:${ids.SpotTrait}`
  | 'murky-normal'
  | 'bright-and-calm'
  /** The banks named are of bushes and wood; grass so thick that only braid comes through. */
  | 'banks-of-bushes'
  | 'thick-grass'
  | 'cold'
  /** Deep water is followed apart from the surface; and it is mixing with it now. */
  | 'basin:followed'
  | 'basin:mixing'
  /** The day has hours in the dark; and this hour is one. */
  | 'day:night'
  | 'night';

export type FactName = QuantityName | DegreeName;
