import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { catchError, from, Observable, of, switchMap } from 'rxjs';
import { BookService } from '../base/book.service';
import { photoAddress } from '../base/api.service';
import { TripLogService } from './trip-log.service';

/** A photo of a fish: from this device while the server does not have it, else from there. */
@Component({
  selector: 'inky-trip-photo',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (address(); as address) {
      <a [href]="address" target="_blank" rel="noopener">
        <img [src]="address" [alt]="about()" loading="lazy" width="96" height="72" />
      </a>
    }
  `,
  styles: `
    img {
      object-fit: cover;
      border: var(--stroke) solid var(--edge);
    }
  `,
})
export class TripPhotoComponent {
  private readonly log = inject(TripLogService);
  private readonly books = inject(BookService);

  readonly photoId = input.required<string>();
  /** What it shows, in words. */
  readonly about = input.required<string>();

  protected readonly address = toSignal(
    toObservable(this.photoId).pipe(
      switchMap((id) => {
        const { book } = this.books;
        return from(this.log.photo(book, id)).pipe(
          catchError(() => of(undefined)),
          switchMap((photo) => (photo ? ownAddress(photo) : of(photoAddress(book, id)))),
        );
      }),
    ),
    { initialValue: null },
  );
}

/** An address in this page of something that is only here, for as long as it is shown. */
const ownAddress = (photo: Blob): Observable<string> =>
  new Observable((subscriber) => {
    const address = URL.createObjectURL(photo);
    subscriber.next(address);
    return () => URL.revokeObjectURL(address);
  });
