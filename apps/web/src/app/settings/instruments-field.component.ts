import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { catchError, EMPTY, switchMap } from 'rxjs';
import { BookService } from '../state/book.service';
import { InstrumentsService } from '../state/instruments.service';
import { NoticeService } from '../state/notice.service';

/** Where the boat's instruments speak. */
@Component({
  selector: 'inky-instruments-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule],
  template: `
    <p>Position, speed, depth and water temperature as NMEA 0183 over TCP, the way most boat networks give them.</p>
    <form (ngSubmit)="keep()">
      <label class="label" for="instruments-address">Address, as tcp://192.168.4.1:10110</label>
      <div class="row">
        <input
          id="instruments-address"
          class="field"
          name="instruments"
          autocomplete="off"
          autocapitalize="off"
          placeholder="tcp://"
          [ngModel]="address()"
          (ngModelChange)="address.set($event)"
          [attr.aria-invalid]="!!problem()"
          aria-describedby="instruments-problem"
        />
        <button type="submit" class="act">Keep</button>
      </div>
      <p id="instruments-problem" class="problem" role="alert">{{ problem() }}</p>
    </form>
  `,
  styles: `
    p {
      margin: 0.5rem 0 0.75rem;
    }
    .row {
      display: flex;
      gap: 0.5rem;
    }
  `,
})
export class InstrumentsFieldComponent {
  private readonly instruments = inject(InstrumentsService);
  private readonly notices = inject(NoticeService);
  protected readonly address = signal('');
  protected readonly problem = signal<string | null>(null);

  constructor() {
    inject(BookService)
      .book$.pipe(
        switchMap(() => this.instruments.address().pipe(catchError(() => EMPTY))),
        takeUntilDestroyed(),
      )
      .subscribe((address) => this.address.set(address ?? ''));
  }

  protected keep(): void {
    const address = this.address().trim() || null;
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
