export * from './contract/ids.js';
export * from './contract/limits.js';
export * from './contract/names.js';
export { clientId, instant } from './contract/fields.js';
export * from './contract/conditions.js';
export * from './contract/plan.js';
export * from './contract/records.js';
export { Run } from './contract/runs.js';
export * from './contract/history.js';
export * from './contract/problems.js';
export * from './units/units.js';
export { readNumber, readQuantityIn, readRatio } from './units/typed.js';
export { clarityClass } from './water/clarity.js';
export { usualVisibilityM } from './water/usual-visibility.js';
export { trendCPerDay } from './season/trend.js';
export { sunDay, type SunDay } from './day/sun.js';
export type { DayTide } from './day/tide.js';
export { levelAtM, SLACK_SHARE } from './day/level.js';
export { attenuationPerM } from './day/light.js';
export { minutesOf, clockOf, minutesInOrder, minuteWithin } from './day/windows.js';
export { sayClock, sayHours } from './day/say-clock.js';
export { makePlan, planDay, type PlannedDay, type PlanOptions, type SheetMoment } from './plan/make-plan.js';
export { headline } from './plan/headline.js';
export { onDeck } from './plan/on-deck.js';
export { ENGINE_VERSION } from './plan/version.js';
export { waterDensityKgM3 } from './water/density.js';
export { thermoclineOf, type Thermocline } from './water/profile.js';
export {
  extraterrestrialWm2,
  heatExchange as pullOf,
  type HeatExchange as Pull,
  type Exposure,
} from './season/heat/surface.js';
export { zonesOf, wholeWater } from './season/heat/zone.js';
export { followLake, type Lake, type LakeInput, type LakeZone } from './season/heat/lake.js';
export { dateOf, dayNumber, localTimes } from './day/calendar.js';
export * from './contract/outside.js';
export * from './season/year.js';
export * from './season/plan-day.js';
export type { SeasonReading, SeasonZone } from './season/zone-year.js';
export { likeliest, phasesOn, type PhaseCourse, type PhaseSpan } from './season/phase-filter.js';
export type { Coming } from './season/coming.js';
export type { FoodBand } from './food/calendar.js';
export type { MoonMark } from './day/moon.js';
export { ASKED_FOR, decidingCondition, type AskedFor, type DecidingCondition } from './plan/deciding.js';
export { tippingPoints, type TippingPoint } from './plan/tipping.js';
export { othersWould, type OtherSide } from './plan/others.js';
export type { LibraryRule } from './plan/library/rule-library.js';
export type { RuleStep } from './plan/rules-by-step.js';
export { rulesToday } from './plan/rules-today.js';
export { SCHOOL_DEFAULTS } from './presentation/schools.js';
