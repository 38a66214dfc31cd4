export * from '../contract/trips.js';
export { timelineOf, type Timed, type Timeline } from './timeline.js';
export {
  activeMs,
  lastTap,
  noteChanges,
  removedTripsOf,
  tagSeen,
  tripOf,
  tripsOf,
  type KnownTrips,
  type Note,
  type NoteChange,
  type TagSeen,
  type Trip,
  type TripState,
} from './trip.js';
export { withoutUndefined } from './without-undefined.js';
export { blocksOf, castHours, fishedOf, type HourOfDay, type TripBlock } from './blocks.js';
export {
  changesAt,
  fishingOf,
  namedApart,
  optionsOf,
  placesOf,
  sameSpot,
  stopsOpen,
  usualFishing,
  type Option,
  type PlaceOption,
} from './candidates.js';
export { latelyOf, WATER_ANSWERS, type Answer, type Lately } from './answers.js';
export { advisedAt, dayClock, tideOfMoment, tideOfNote, windowAt, type TideOfMoment } from './moment.js';
export { findingsOf, type TripFindings, type NextStep } from './next.js';
export { lastTiedOn } from './carried.js';
export { goTo, nextStop, type GoTo } from './go-to.js';
export { latestReading, offPlan, type OffPlan } from './off-plan.js';
export { wayOutOf, type WayOut } from './way-out.js';
export { reviewOf } from './review.js';
export { fishingWords, noteTideWords, placeWords, sayStretch, tideWords, TRIM_WORDS, wayOutWords } from './words.js';
export { lureKey, lureNamed, speciesNamed } from './past/names.js';
export {
  guessTripMapping,
  TRIP_ROLES,
  TRIP_UNITS,
  type TripMapping,
  type TripMeasure,
  type TripRole,
  type TripUnits,
} from './past/trip-mapping.js';
export {
  readTrips,
  type NamedWater,
  type PastTrip,
  type Told,
  type TripImport,
  type TripTableContext,
} from './past/trip-table.js';
export { TripByHand, tripByHand, type WrittenDown } from './past/by-hand.js';
export { takenAtOf, tripsOfPhotos, type FishPhoto, type PhotoTrip } from './past/photo-trips.js';
