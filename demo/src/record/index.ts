export { drawTruth, type AnglersTruth } from './truth.js';
export { drawHours, fishTrip, fishTrips, type WrittenTrip } from './trips.js';
export { firstChoices, heldOutDays, truePerHour } from './held-out.js';
