import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { switchMap, timer } from 'rxjs';
import { SettingsService } from '../base/settings.service';
import { DayService } from '../sheet/day.service';
import { MorningsService } from './mornings.service';
import { surenessWords } from './mornings-words';

/** The plan is read first: a sheet that is left at once costs a phone none of its mornings. */
const READ_MS = 2000;

/** How sure the plan of the window is over all mornings that may come, in a sentence; the rest a press away. */
@Component({
  selector: 'inky-how-sure',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink],
  template: `
    @if (words(); as words) {
      <p aria-live="polite">
        {{ words }} <a class="no-print" routerLink="/mornings">The card for the ramp, and what to pack</a>
      </p>
    }
  `,
  styles: `
    p {
      margin: 0 0 1rem;
    }
  `,
})
export class HowSureComponent {
  /** The window that is read. */
  readonly windowId = input.required<string>();

  private readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });
  private readonly planned = toSignal(inject(DayService).planned$, { initialValue: null });
  private readonly service = inject(MorningsService);
  private readonly mornings = toSignal(timer(READ_MS).pipe(switchMap(() => this.service.mornings$)), {
    initialValue: null,
  });
  /** A help: while it is worked out, and where it cannot be, the plan stands without it. */
  protected readonly words = computed(() => {
    const found = this.mornings();
    if (found?.state !== 'found') return null;
    const window = found.told.sureness.windows.find((each) => each?.windowId === this.windowId());
    if (!window) return null;
    const words = surenessWords(window, this.units());
    // The mornings are asked of the rules: what trips taught stands beside them.
    return this.planned()?.day.record ? `By the rules alone ${words.charAt(0).toLowerCase()}${words.slice(1)}` : words;
  });
}
