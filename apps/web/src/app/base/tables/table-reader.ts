import { DestroyRef, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { catchError, type Observable, of, Subject, switchMap, tap } from 'rxjs';
import { TablesService } from './tables.service';

/** Larger files are refused before they are read. */
const MAX_FILE_BYTES = 8e6;

/** A table that is being brought in: where it came from, how it is read, and what is wrong with it. */
export class TableReader<Mapping extends object, Read extends { readonly mapping: Mapping }> {
  private readonly text = signal('');
  private readonly asked = new Subject<Mapping | undefined>();
  /** The file's name, or that it was pasted. */
  readonly source = signal('');
  readonly read = signal<Read | null>(null);
  readonly problem = signal<string | null>(null);
  /** What cannot be read may be left out. */
  readonly agreed = signal(false);
  readonly busy = signal(false);

  /**
   * Made by a component, for as long as it stands.
   * @param ask reads the text; without a mapping as it seems to want
   * @param notRead said where reading fails
   */
  constructor(ask: (text: string, mapping?: Mapping) => Observable<Read | string>, notRead: string) {
    const tables = inject(TablesService);
    inject(DestroyRef).onDestroy(() => tables.rest());
    this.asked
      .pipe(
        tap(() => this.busy.set(true)),
        switchMap((mapping) => ask(this.text(), mapping).pipe(catchError(() => of(notRead)))),
        takeUntilDestroyed(),
      )
      .subscribe((read) => {
        this.busy.set(false);
        this.agreed.set(false);
        this.read.set(typeof read === 'string' ? null : read);
        this.problem.set(typeof read === 'string' ? read : null);
      });
  }

  paste(text: string): void {
    this.text.set(text);
    this.source.set('what was pasted');
    if (text.trim()) this.asked.next(undefined);
    else this.read.set(null);
  }

  open(file: File): void {
    if (file.size > MAX_FILE_BYTES) {
      this.problem.set(`${file.name} is too large: expected at most ${MAX_FILE_BYTES / 1e6} MB.`);
      return;
    }
    void file.text().then((text) => {
      this.text.set(text);
      this.source.set(file.name);
      this.asked.next(undefined);
    });
  }

  /** Reads it anew, with something taken otherwise. */
  map(change: Partial<Mapping>): void {
    const mapping = this.read()?.mapping;
    if (mapping) this.asked.next({ ...mapping, ...change });
  }

  /** Reads it anew as it was, since what it is read for has changed. */
  again(): void {
    if (this.text().trim()) this.asked.next(this.read()?.mapping);
  }
}
