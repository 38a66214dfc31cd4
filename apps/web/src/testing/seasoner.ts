import { Injectable } from '@angular/core';
import { seasonYear, type SeasonInput, type SeasonYear } from '@inky-shoal/core';
import {
  guessReadingMapping,
  readReadings,
  readTable,
  TableProblem,
  type ReadingMapping,
  type TableContext,
} from '@inky-shoal/core/formats';
import { defer, of, type Observable } from 'rxjs';
import type { TableRead } from '../app/state/table.worker';

/** Works the season out without a worker, which the test environment does not have. */
@Injectable({ providedIn: 'root' })
export class SeasonerService {
  year(input: SeasonInput): Observable<SeasonYear> {
    return defer(() => of(seasonYear(input)));
  }

  table(text: string, context: TableContext, mapping?: ReadingMapping): Observable<TableRead | string> {
    return defer(() => {
      try {
        const table = readTable(text);
        const used = mapping ?? guessReadingMapping(table, context.units);
        return of({ table, mapping: used, result: readReadings(table, used, context) });
      } catch (error) {
        if (error instanceof TableProblem) return of(error.message);
        throw error;
      }
    });
  }
}
