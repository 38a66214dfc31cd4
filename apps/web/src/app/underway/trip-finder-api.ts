import { findingsOf } from '@inky-shoal/core/underway';

/** The pattern finder, beside the page so that no tap waits for it. */
export const tripFinderApi = { findingsOf };
export type TripFinderApi = typeof tripFinderApi;
