import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { catchError, EMPTY, switchMap } from 'rxjs';
import { BookService } from '../base/book.service';
import type { KeptAddress } from '../base/loaded';
import { InstrumentsService } from '../underway/instruments.service';
import { NoticeService } from '../base/notice.service';
import { AddressFieldComponent } from './address-field.component';

/** Where the boat's instruments speak. */
@Component({
  selector: 'inky-instruments-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AddressFieldComponent],
  template: `
    <p>Position, speed, depth and water temperature as NMEA 0183 over TCP, the way most boat networks give them.</p>
    <inky-address-field
      fieldId="instruments-address"
      label="Address, as tcp://192.168.4.1:10110"
      placeholder="tcp://"
      [address]="address()"
      [problem]="problem()"
      (kept)="keep($event)"
    />
  `,
  styles: `
    p {
      margin: 0.5rem 0 0.75rem;
    }
  `,
})
export class InstrumentsFieldComponent {
  private readonly instruments = inject(InstrumentsService);
  private readonly notices = inject(NoticeService);
  protected readonly address = signal<KeptAddress>({ address: null, privateNetwork: true });
  protected readonly problem = signal<string | null>(null);

  constructor() {
    inject(BookService)
      .book$.pipe(
        switchMap(() => this.instruments.address().pipe(catchError(() => EMPTY))),
        takeUntilDestroyed(),
      )
      .subscribe((kept) => this.address.set(kept.address === null ? { ...kept, privateNetwork: true } : kept));
  }

  protected keep(kept: KeptAddress): void {
    this.instruments.setAddress(kept).subscribe({
      next: () => {
        this.problem.set(null);
        this.notices.say(
          kept.address ? 'Address kept. Underway listens to it.' : 'No instruments are listened to any more.',
        );
      },
      error: (error: Error) => this.problem.set(error.message),
    });
  }
}
