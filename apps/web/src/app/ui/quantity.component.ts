import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, output } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { readQuantityIn, symbolOf, toShown, toSi, type Measure } from '@inky-shoal/core';
import { ButtonDirective } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { SettingsService } from '../base/settings.service';
import { addFormTheme } from './theme-forms';

/** A quantity typed or stepped in the user's units, given and taken in SI. A point and a comma both part the decimals. */
@Component({
  selector: 'inky-quantity',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, InputText],
  template: `
    <div class="row">
      <button pButton text type="button" class="entry" [attr.aria-label]="label() + ', less'" (click)="nudge(-1)">
        &minus;
      </button>
      <input
        #field
        pInputText
        inputmode="decimal"
        autocomplete="off"
        role="spinbutton"
        [attr.aria-label]="label() + ', ' + symbol()"
        [attr.aria-valuenow]="shown()"
        [attr.aria-valuetext]="shown() === null ? 'not known' : shown() + ' ' + symbol()"
        [value]="text()"
        (input)="typed(field.value)"
        (keydown.arrowup)="nudge(1); $event.preventDefault()"
        (keydown.arrowdown)="nudge(-1); $event.preventDefault()"
      />
      <span aria-hidden="true">{{ symbol() }}</span>
      <button pButton text type="button" class="entry" [attr.aria-label]="label() + ', more'" (click)="nudge(1)">
        +
      </button>
    </div>
    @if (unread()) {
      <p class="problem" role="alert">Expected a number, got "{{ text() }}".</p>
    }
  `,
  styles: `
    .row {
      display: grid;
      grid-template-columns: var(--touch) 1fr auto var(--touch);
      gap: 0.5rem;
      align-items: center;
    }
    input {
      min-height: var(--touch);
      min-width: 0;
      text-align: center;
    }
    button {
      justify-content: center;
      padding: 0;
      min-height: var(--touch);
      background: var(--paper-2);
      border: var(--stroke) solid var(--edge);
      font-size: 1.25rem;
      cursor: pointer;
    }
    .problem {
      margin-top: 0.5rem;
    }
  `,
})
export class QuantityComponent {
  readonly label = input.required<string>();
  readonly measure = input.required<Measure>();
  /** The quantity in SI. */
  readonly si = input<number | null | undefined>();
  /** One press of the buttons, in the user's units. */
  readonly step = input(1);
  /** The quantity in SI as it is typed; undefined where the field is emptied. */
  readonly siChange = output<number | undefined>();

  private readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });
  protected readonly symbol = computed(() => symbolOf(this.measure(), this.units()));
  protected readonly shown = computed(() => this.asShown(this.si()));
  /** What stands in the field: as typed while it says the same quantity, else the quantity itself. */
  protected readonly text = linkedSignal<number | null, string>({
    source: this.shown,
    computation: (shown, before) => {
      const typed = before?.value ?? '';
      return shown !== null && this.asShown(this.read(typed)) === shown ? typed : (shown?.toString() ?? '');
    },
  });
  protected readonly unread = computed(() => this.text().trim() !== '' && this.read(this.text()) === undefined);

  constructor() {
    addFormTheme();
  }

  protected typed(text: string): void {
    this.text.set(text);
    const si = this.read(text);
    if (si !== undefined || !text.trim()) this.siChange.emit(si);
  }

  protected nudge(direction: 1 | -1): void {
    const next = Math.round(((this.shown() ?? 0) + direction * this.step()) * 100) / 100;
    this.siChange.emit(toSi(this.measure(), next, this.units()));
  }

  private read(text: string): number | undefined {
    return readQuantityIn(text, this.measure(), this.units());
  }

  private asShown(si: number | null | undefined): number | null {
    return si === undefined || si === null ? null : Math.round(toShown(this.measure(), si, this.units()) * 10) / 10;
  }
}
