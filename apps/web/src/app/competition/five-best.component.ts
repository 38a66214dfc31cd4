import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { boxWords, changeOverWords, oddsWords, sizeWords } from '@inky-shoal/core/competition';
import { SettingsService } from '../base/settings.service';
import { FoldComponent } from '../ui/fold.component';
import { CompetitionService } from './competition.service';

/** On a day that counts: the box, what the next fish must beat, and when to change over. */
@Component({
  selector: 'inky-five-best',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FoldComponent],
  template: `
    @switch (state().state) {
      @case ('told') {
        <section aria-labelledby="box">
          <h2 id="box" class="visually-hidden">The box</h2>
          <p class="box" aria-live="polite">{{ box() }}</p>
          <p>{{ answer() }}</p>
          <inky-fold label="Its odds">
            @for (line of odds(); track line) {
              <p>{{ line }}</p>
            }
            @if (best().length) {
              <ol>
                @for (each of best(); track $index) {
                  <li>{{ each }}</li>
                }
              </ol>
            }
          </inky-fold>
        </section>
      }
      @case ('failed') {
        <p class="problem" role="alert">The box could not be worked out, and the fault is ours. The log goes on.</p>
      }
    }
  `,
  styles: `
    section {
      padding: 0.4rem 0 0.6rem;
    }
    p {
      margin: 0.1rem 0;
    }
    .box {
      font-size: 1.1rem;
      font-weight: 700;
    }
  `,
})
export class FiveBestComponent {
  private readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });
  protected readonly state = toSignal(inject(CompetitionService).underway$, {
    initialValue: { state: 'none' } as const,
  });
  private readonly told = computed(() => {
    const state = this.state();
    return state.state === 'told' ? state.told : null;
  });
  protected readonly box = computed(() => {
    const told = this.told();
    return told ? boxWords(told, this.units()) : '';
  });
  protected readonly answer = computed(() => {
    const told = this.told();
    return told ? changeOverWords(told) : '';
  });
  protected readonly odds = computed(() => {
    const told = this.told();
    return told ? oddsWords(told, this.units()) : [];
  });
  /** The fish in the box, the best first. */
  protected readonly best = computed(() => {
    const told = this.told();
    return told ? told.box.best.map((size) => sizeWords(size, told.rules, this.units())) : [];
  });
}
