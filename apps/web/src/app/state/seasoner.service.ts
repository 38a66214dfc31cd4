import { inject, Injectable } from '@angular/core';
import type { SeasonInput, SeasonYear } from '@inky-shoal/core';
import type { ReadingMapping, TableContext } from '@inky-shoal/core/formats';
import type { Observable } from 'rxjs';
import type { TableRead } from './table-api';
import { PLANNER_WORKER, TABLE_WORKER } from './workers';

/** Works the season out, and reads tables, in a worker of the page. */
@Injectable({ providedIn: 'root' })
export class SeasonerService {
  private readonly planner = inject(PLANNER_WORKER);
  private readonly tables = inject(TABLE_WORKER);

  year(input: SeasonInput): Observable<SeasonYear> {
    return this.planner.ask((planner) => planner.seasonYear(input));
  }

  /** No table is being read any more. */
  restTables(): void {
    this.tables.rest();
  }

  table(text: string, context: TableContext, mapping?: ReadingMapping): Observable<TableRead | string> {
    return this.tables.ask((tables) => tables.readText(text, context, mapping));
  }
}
