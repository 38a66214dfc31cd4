import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { NonNullableFormBuilder, ReactiveFormsModule } from '@angular/forms';
import { symbolOf, type Water } from '@inky-shoal/core';
import type { Clock } from '../state/book.service';
import { NoticeService } from '../state/notice.service';
import { SettingsService } from '../state/settings.service';
import { WatersService } from '../state/waters.service';
import { readQuantity } from '../ui/numbers';
import { instantAt, localInput } from '../ui/local-time';

interface Problems {
  readonly at?: string | null;
  readonly temp?: string | null;
  readonly seen?: string | null;
}

/** One reading: when, how warm, how far one sees. */
@Component({
  selector: 'inky-reading-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ReactiveFormsModule],
  template: `
    <form [formGroup]="form" (ngSubmit)="add()" aria-labelledby="add-reading" novalidate>
      <h3 id="add-reading">Add a reading</h3>
      <div class="fields">
        <div>
          <label class="label" for="reading-at">When</label>
          <input
            id="reading-at"
            class="field"
            type="datetime-local"
            formControlName="at"
            [attr.aria-invalid]="!!problems().at"
            aria-describedby="reading-at-problem"
          />
          <p id="reading-at-problem" class="problem" role="alert">{{ problems().at }}</p>
        </div>
        <div>
          <label class="label" for="reading-temp">Water, {{ tempUnit() }}</label>
          <input
            id="reading-temp"
            class="field"
            inputmode="decimal"
            autocomplete="off"
            formControlName="temp"
            [attr.aria-invalid]="!!problems().temp"
            aria-describedby="reading-temp-problem"
          />
          <p id="reading-temp-problem" class="problem" role="alert">{{ problems().temp }}</p>
        </div>
        <div>
          <label class="label" for="reading-seen">Seen to, {{ depthUnit() }}</label>
          <input
            id="reading-seen"
            class="field"
            inputmode="decimal"
            autocomplete="off"
            formControlName="seen"
            [attr.aria-invalid]="!!problems().seen"
            aria-describedby="reading-seen-problem"
          />
          <p id="reading-seen-problem" class="problem" role="alert">{{ problems().seen }}</p>
        </div>
        <button type="submit" class="act">Add</button>
      </div>
    </form>
  `,
  styles: `
    h3 {
      margin: 1.5rem 0 0.5rem;
    }
    .fields {
      display: grid;
      grid-template-columns: 14rem 1fr 1fr auto;
      gap: 0.75rem;
      align-items: start;
    }
    .act {
      margin-top: 1.6rem;
    }
    .problem {
      font-size: 0.95rem;
    }
    @media (max-width: 760px) {
      .fields {
        grid-template-columns: 1fr 1fr;
      }
      .fields > :first-child {
        grid-column: 1 / -1;
      }
      .act {
        margin-top: 0;
      }
    }
  `,
})
export class ReadingFormComponent {
  private readonly waters = inject(WatersService);
  private readonly notices = inject(NoticeService);
  private readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });

  readonly water = input.required<Water>();
  readonly clock = input<Clock>();

  protected readonly form = inject(NonNullableFormBuilder).group({ at: '', temp: '', seen: '' });
  protected readonly problems = signal<Problems>({});
  protected readonly tempUnit = computed(() => symbolOf('temp', this.units()));
  protected readonly depthUnit = computed(() => symbolOf('depth', this.units()));

  constructor() {
    effect(() => {
      const [clock, water] = [this.clock(), this.water()];
      if (clock) untracked(() => this.form.patchValue({ at: localInput(clock.now, water.place.timeZone) }));
    });
  }

  protected add(): void {
    const { at, temp, seen } = this.form.getRawValue();
    const when = instantAt(at, this.water().place.timeZone);
    const water = readQuantity(temp, 'surfaceTempC', 'temp', this.units(), true);
    const clarity = readQuantity(seen, 'visibilityM', 'depth', this.units());
    this.problems.set({
      at: when ? null : 'Expected a day and time that exist.',
      temp: water.problem,
      seen: clarity.problem,
    });
    if (!when || water.si === undefined || water.problem || clarity.problem) return;
    this.waters.addReading(this.water().id, { at: when, surfaceTempC: water.si, visibilityM: clarity.si }).subscribe({
      next: (state) => {
        this.form.patchValue({ temp: '', seen: '' });
        this.notices.say(
          state === 'sent'
            ? 'Reading added. Plan a day here to use it.'
            : 'The reading is kept here and goes in when the server is back.',
        );
      },
      error: (error: Error) => this.problems.set({ temp: error.message }),
    });
  }
}
