import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { catchError, map, of, startWith } from 'rxjs';
import { ProgressComponent } from '../ui/progress.component';
import { LackingComponent } from './lacking.component';
import type { ToldLacking } from './mornings-api';
import { MorningsService } from './mornings.service';

const MOST = 6;

type State = { readonly share: number } | { readonly lacks: readonly ToldLacking[] } | { readonly problem: string };

/** What the box lacks over the days to come, on every water of the book. */
@Component({
  selector: 'inky-lacking-ahead',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [LackingComponent, ProgressComponent],
  template: `
    @if (lacks(); as lacks) {
      @if (lacks.length) {
        <inky-lacking [lacks]="lacks" />
      } @else {
        <p>Nothing: what is owned does for every day of them as well as anything would.</p>
      }
    } @else if (problem()) {
      <p class="problem" role="alert">{{ problem() }}</p>
    } @else {
      <inky-progress label="Going through the days to come" [share]="share()" />
      <p class="quiet">Closing this stops it.</p>
    }
  `,
})
export class LackingAheadComponent {
  private readonly state = toSignal(
    inject(MorningsService)
      .lacksAhead()
      .pipe(
        map((told): State => (typeof told === 'number' ? { share: told } : { lacks: told.slice(0, MOST) })),
        startWith<State>({ share: 0 }),
        catchError((error: Error) => of<State>({ problem: error.message })),
      ),
    { requireSync: true },
  );
  protected readonly lacks = computed(() => {
    const state = this.state();
    return 'lacks' in state ? state.lacks : null;
  });
  protected readonly problem = computed(() => {
    const state = this.state();
    return 'problem' in state ? state.problem : null;
  });
  protected readonly share = computed(() => {
    const state = this.state();
    return 'share' in state ? state.share : 0;
  });
}
