import { Injectable } from '@angular/core';
import type { SeasonInput, SeasonYear } from '@inky-shoal/core';
import type { ReadingMapping, TableContext } from '@inky-shoal/core/formats';
import { defer, type Observable } from 'rxjs';
import { engine, tables } from './engine';
import type { TableRead } from './table.worker';

/** Works the season out, and reads tables, in a worker of the page. */
@Injectable({ providedIn: 'root' })
export class SeasonerService {
  year(input: SeasonInput): Observable<SeasonYear> {
    return defer(() => engine().seasonYear(input));
  }

  table(text: string, context: TableContext, mapping?: ReadingMapping): Observable<TableRead | string> {
    return defer(() => tables().readText(text, context, mapping));
  }
}
