import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { OutsideFound } from '@inky-shoal/core/contract/outside-addresses';
import { catchError, EMPTY, filter, type Observable, switchMap, tap } from 'rxjs';
import { BookService } from '../base/book.service';
import type { KeptAddress } from '../base/loaded';
import { NoticeService } from '../base/notice.service';
import { AddressFieldComponent } from './address-field.component';
import { sayFound } from './found-words';
import { OutsideAddressService } from './outside-address.service';

/** An address in the form: as it is kept, what is wrong with what was typed, and what was found when it was set. */
class AddressState {
  readonly address = signal<KeptAddress>({ address: null, privateNetwork: false });
  readonly problem = signal<string | null>(null);
  readonly says = signal<string | null>(null);

  constructor(
    readonly set: (kept: KeptAddress) => Observable<unknown>,
    readonly tried: (kept: KeptAddress) => Observable<OutsideFound>,
    /** What is said once there is no address any more. */
    readonly gone: string,
  ) {}
}

/** Where a book's weather and gauge come from. Each address is tried when it is set, and says what it gives. */
@Component({
  selector: 'inky-outside-addresses',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AddressFieldComponent],
  template: `
    <p>
      A forecast in the open hourly layout, its address with <code>&#123;latitude&#125;</code> and
      <code>&#123;longitude&#125;</code> where the place goes, <code>&#123;from&#125;</code> and
      <code>&#123;to&#125;</code> where the days go; or a service of <code>weather</code> and <code>gauge</code>.
      Without one, a CSV file on the season's page does as well.
    </p>
    <inky-address-field
      fieldId="weather-address"
      label="Address of the service"
      placeholder="https://"
      [address]="service.address()"
      [problem]="service.problem()"
      (kept)="keep(service, $event)"
    />
    <p role="status">{{ service.says() }}</p>
    <p>A water gauge of a SensorThings service: level, discharge, turbidity, water temperature.</p>
    <inky-address-field
      fieldId="gauge-address"
      label="Address of the gauge"
      placeholder="https://…/v1.1/Things(7)"
      [address]="gauge.address()"
      [problem]="gauge.problem()"
      (kept)="keep(gauge, $event)"
    />
    <p role="status">{{ gauge.says() }}</p>
  `,
  styles: `
    p {
      margin-bottom: 0.75rem;
    }
  `,
})
export class OutsideAddressesComponent {
  private readonly addresses = inject(OutsideAddressService);
  private readonly notices = inject(NoticeService);

  protected readonly service = new AddressState(
    (kept) => this.addresses.setAddress(kept),
    (kept) => this.addresses.try(kept),
    'No service is asked any more.',
  );
  protected readonly gauge = new AddressState(
    (kept) => this.addresses.setGauge(kept),
    (kept) => this.addresses.tryGauge(kept),
    'No gauge is asked any more.',
  );

  constructor() {
    const own$ = inject(BookService).book$.pipe(
      filter((book) => book === 'own'),
      takeUntilDestroyed(),
    );
    const read = (state: AddressState, from: () => Observable<KeptAddress>) =>
      own$.pipe(switchMap(() => from().pipe(catchError(() => EMPTY)))).subscribe((kept) => state.address.set(kept));
    read(this.service, () => this.addresses.address());
    read(this.gauge, () => this.addresses.gauge());
  }

  /** Keeps the address, and says what it gives: a service that is silent now may answer later. */
  protected keep(state: AddressState, kept: KeptAddress): void {
    state.says.set(null);
    state
      .set(kept)
      .pipe(
        tap(() => {
          state.problem.set(null);
          if (kept.address) state.says.set('Kept. Asking it what it gives…');
          else this.notices.say(state.gone);
        }),
        switchMap(() => (kept.address ? state.tried(kept) : EMPTY)),
      )
      .subscribe({
        next: (found) => state.says.set(`Kept. ${sayFound(found)}`),
        error: (error: Error) => {
          state.says.set(null);
          state.problem.set(error.message.replace(/^address: /, ''));
        },
      });
  }
}
