export { calculateLearned, expectedRates, planLearned, type ExpectedRate, type LearnedAnswer } from './learned.js';
export { learn } from './learn.js';
export { learnedOf, LEARNING_VERSION, type Learned, type LearnedState, type Learnt } from './learned-state.js';
export { leaningOf } from './leaning.js';
export { recordOf } from './of-trips.js';
export { movedBy, type Moved } from './moved.js';
export { LearnedInput, likeTrips, recordedTrips, type RecordedStretch, type RecordedTrip } from './said.js';
