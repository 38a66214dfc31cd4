import { inject, Injectable } from '@angular/core';
import type { ReadingMapping, TableContext } from '@inky-shoal/core/formats';
import type { Observable } from 'rxjs';
import type { TableRead } from './table-api';
import { TABLE_WORKER } from './table-worker';

/** Reads tables of readings in a worker of the page. */
@Injectable({ providedIn: 'root' })
export class ReadingTablesService {
  private readonly worker = inject(TABLE_WORKER);

  /** @returns the readings, with how their columns were taken; a sentence where the text is no table */
  read(text: string, context: TableContext, mapping?: ReadingMapping): Observable<TableRead | string> {
    return this.worker.ask((tables) => tables.readText(text, context, mapping));
  }

  /** No table is being read any more: the worker may go. */
  rest(): void {
    this.worker.rest();
  }
}
