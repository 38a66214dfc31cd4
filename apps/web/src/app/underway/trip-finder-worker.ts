import { workerToken } from '../base/worker-handle';
import type { TripFinderApi } from './trip-finder-api';

export const TRIP_FINDER_WORKER = workerToken<TripFinderApi>('trip finder worker');
