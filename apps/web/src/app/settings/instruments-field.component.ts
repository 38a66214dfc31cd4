import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { catchError, EMPTY, switchMap } from 'rxjs';
import { BookService } from '../state/book.service';
import { InstrumentsService } from '../state/instruments.service';
import { NoticeService } from '../state/notice.service';
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
  protected readonly address = signal<string | null>(null);
  protected readonly problem = signal<string | null>(null);

  constructor() {
    inject(BookService)
      .book$.pipe(
        switchMap(() => this.instruments.address().pipe(catchError(() => EMPTY))),
        takeUntilDestroyed(),
      )
      .subscribe((address) => this.address.set(address));
  }

  protected keep(address: string | null): void {
    this.instruments.setAddress(address).subscribe({
      next: () => {
        this.problem.set(null);
        this.notices.say(
          address ? 'Address kept. Underway listens to it.' : 'No instruments are listened to any more.',
        );
      },
      error: (error: Error) => this.problem.set(error.message),
    });
  }
}
