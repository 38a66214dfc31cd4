import { inject, Injectable } from '@angular/core';
import type { UnitSystem } from '@inky-shoal/core';
import type { ReadingMapping, TableContext, WeatherContext, WeatherMapping } from '@inky-shoal/core/formats';
import type { Observable } from 'rxjs';
import type { TripMapping, TripTableContext } from '@inky-shoal/core/underway';
import type { TableRead, TripsRead, WeatherRead } from './table-api';
import { TABLE_WORKER } from './table-worker';

/** Reads tables of readings, of weather and of past trips in a worker of the page. */
@Injectable({ providedIn: 'root' })
export class TablesService {
  private readonly worker = inject(TABLE_WORKER);

  /** @returns the readings, with how their columns were taken; a sentence where the text is no table */
  read(text: string, context: TableContext, mapping?: ReadingMapping): Observable<TableRead | string> {
    return this.worker.ask((tables) => tables.readText(text, context, mapping));
  }

  /** @returns days of weather, with how their columns were taken; a sentence where the text is no table */
  readWeather(
    text: string,
    context: WeatherContext & { readonly units: UnitSystem },
    mapping?: WeatherMapping,
  ): Observable<WeatherRead | string> {
    return this.worker.ask((tables) => tables.readWeatherText(text, context, mapping));
  }

  /**
   * @param withTwice rows that are alike in every cell count as often as they stand
   * @returns past trips, with how their columns were taken; a sentence where the text is no table
   */
  readTrips(
    text: string,
    context: TripTableContext,
    withTwice: boolean,
    mapping?: TripMapping,
  ): Observable<TripsRead | string> {
    return this.worker.ask((tables) => tables.readTripsText(text, context, withTwice, mapping));
  }

  /** No table is being read any more: the worker may go. */
  rest(): void {
    this.worker.rest();
  }
}
