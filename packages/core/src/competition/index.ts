export { Competition, COUNTED_BY, MAX_PRACTICE_DAYS } from '../contract/competition.js';
export { boxOf, type Box } from './box.js';
export {
  believe,
  drawWay,
  fishAnHour,
  holdsSince,
  otherWay,
  WAYS,
  type Way,
  type WayBelief,
  type WayEvidence,
} from './belief.js';
export {
  changeOver,
  MOVE_MIN,
  type ChangeOver,
  type ChangeOverOptions,
  type DaySoFar,
  type Totals,
} from './change-over.js';
export { BIG_FIRST, dayThatCounts, type CompetitionDay, type DayThatCounts } from './day.js';
export { expected } from './expect.js';
export { type CountedFish } from './evidence.js';
export { type Practice, type PracticeSpot, type PracticeTrip } from './practice.js';
export { wayOfLure, waysOf, type WayInWindow, type WaysOfDay, type WindowWays } from './ways.js';
export { countsAs, weightOfLengthG } from './weigh.js';
export { boxWords, changeOverWords, oddsWords, practiceWords, sizeWords, spotWords, wayWords } from './words.js';
