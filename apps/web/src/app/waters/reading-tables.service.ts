import { inject, Injectable } from '@angular/core';
import type { UnitSystem } from '@inky-shoal/core';
import type { ReadingMapping, TableContext, WeatherContext, WeatherMapping } from '@inky-shoal/core/formats';
import type { Observable } from 'rxjs';
import type { TableRead, WeatherRead } from './table-api';
import { TABLE_WORKER } from './table-worker';

/** Reads tables of readings and of weather in a worker of the page. */
@Injectable({ providedIn: 'root' })
export class ReadingTablesService {
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

  /** No table is being read any more: the worker may go. */
  rest(): void {
    this.worker.rest();
  }
}
