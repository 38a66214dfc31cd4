import { inject, Injectable } from '@angular/core';
import { GaugeAddress, OutsideAddress, OutsideFound } from '@inky-shoal/core/contract/outside-addresses';
import { map, type Observable, tap } from 'rxjs';
import { ApiService } from '../base/api.service';
import { BookService } from '../base/book.service';
import type { KeptAddress } from '../base/loaded';
import { OutsideService } from '../season/outside.service';

/** Where the open book's weather comes from. */
@Injectable({ providedIn: 'root' })
export class OutsideAddressService {
  private readonly api = inject(ApiService);
  private readonly books = inject(BookService);
  private readonly outside = inject(OutsideService);

  /** Where the book's weather service is; no address where it has none. */
  address(): Observable<KeptAddress> {
    return this.api
      .get(`/books/${this.books.book}/outside`, OutsideAddress)
      .pipe(map(({ address, privateNetwork = false }) => ({ address, privateNetwork })));
  }

  /** Asks an address once, to see what it gives. */
  try(body: KeptAddress): Observable<OutsideFound> {
    return this.api
      .send({ method: 'POST', path: `/books/${this.books.book}/outside/try`, body })
      .pipe(map((found) => OutsideFound.parse(found)));
  }

  setAddress(body: KeptAddress): Observable<unknown> {
    return this.api
      .send({ method: 'PUT', path: `/books/${this.books.book}/outside`, body })
      .pipe(tap(() => this.outside.reload()));
  }

  /** Where the book's gauge is; no address where it has none of its own. */
  gauge(): Observable<KeptAddress> {
    return this.api
      .get(`/books/${this.books.book}/outside/gauge`, GaugeAddress)
      .pipe(map(({ address, privateNetwork = false }) => ({ address, privateNetwork })));
  }

  /** Asks a gauge once, to see what it gives. */
  tryGauge(body: KeptAddress): Observable<OutsideFound> {
    return this.api
      .send({ method: 'POST', path: `/books/${this.books.book}/outside/gauge/try`, body })
      .pipe(map((found) => OutsideFound.parse(found)));
  }

  setGauge(body: KeptAddress): Observable<unknown> {
    return this.api
      .send({ method: 'PUT', path: `/books/${this.books.book}/outside/gauge`, body })
      .pipe(tap(() => this.outside.reload()));
  }
}
