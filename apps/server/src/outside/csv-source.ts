import type { WeatherHours } from '@inky-shoal/core';
import { readTable, TableProblem, weatherFromTable } from '@inky-shoal/core/formats';
import { SourceFailure, type HourSource, type OutsideQuery } from './source.js';

/** Hourly weather from the text of a CSV file that the user brought. */
export class CsvSource implements HourSource<WeatherHours> {
  readonly name = 'a file';

  constructor(private readonly text: string) {}

  hours({ place, now }: OutsideQuery): Promise<WeatherHours> {
    try {
      return Promise.resolve(weatherFromTable(readTable(this.text), place.timeZone, now));
    } catch (error) {
      if (error instanceof TableProblem) return Promise.reject(new SourceFailure(error.message, { cause: error }));
      throw error;
    }
  }
}
