import type { GaugeDay, Place, WeatherDay } from '@inky-shoal/core';
import type { LevelDay } from '@inky-shoal/core/tide';

/** What is asked of a source: hours at a place from a moment on, as known at another. */
export interface OutsideQuery {
  readonly place: Place;
  readonly from: string;
  readonly now: string;
}

/** What a source told, as the days of the place. */
export interface DaysTold {
  readonly source: string;
  readonly issuedAt: string;
  readonly days: readonly (WeatherDay | GaugeDay | LevelDay)[];
}

/** Why a source gave nothing, in a sentence for the user. */
export class SourceFailure extends Error {}
