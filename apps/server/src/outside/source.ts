import type { GaugeHours, Place, WeatherHours } from '@inky-shoal/core';

/** What is asked of a source: hours at a place from a moment on, as known at another. */
export interface OutsideQuery {
  readonly place: Place;
  readonly from: string;
  readonly now: string;
}

/** Where hours come from. Rejects with a SourceFailure where it cannot say. */
export interface HourSource<Hours extends WeatherHours | GaugeHours> {
  readonly name: string;
  readonly hours: (query: OutsideQuery) => Promise<Hours>;
}

/** Why a source gave nothing, in a sentence for the user. */
export class SourceFailure extends Error {}
