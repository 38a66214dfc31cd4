export { FACTOR_NAMES, FACTORS, isInOrder, levelOf, levelWords, type Factor } from './factors.js';
export { daysLike, type LikeDay, type WayApart } from './like-days.js';
export {
  claimOf,
  COUNTED,
  crossed,
  ratesBy,
  type Claim,
  type Counted,
  type FactorRates,
  type LevelRate,
} from './rates.js';
export { logbookRow, type LogbookRow, type Stroke } from './row.js';
export { ANY, findRows, narrowings, Sought } from './search.js';
export { memoryAt, spotMemories, tagStories, type RepeatsBy, type SpotMemory, type TagStory } from './spots.js';
export { dateOfTrip, dayOfTrip, stretchesOf, type LoggedStretch } from './stretches.js';
export { catchFeatures, tripsToCsv, catchesToCsv } from './out.js';
