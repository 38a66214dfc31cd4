import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import type { SavedPlan } from '@inky-shoal/core';
import { combineLatest, forkJoin, switchMap } from 'rxjs';
import { ConnectionService } from '../base/connection.service';
import { loading } from '../base/loaded';
import { PlansService } from './plans.service';
import { SettingsService } from '../base/settings.service';
import { PlanLinesComponent } from './plan-lines.component';
import { linesOf, type PlanToCompare } from './plan-lines';

/** A saved plan with what it was made with. */
const asMade = (saved: SavedPlan): PlanToCompare => ({ ...saved, record: saved.record ?? null });

/** Two saved plans side by side: what was said of the day, and what came of it; where they differ stands out. */
@Component({
  selector: 'inky-compare',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [PlanLinesComponent, RouterLink],
  template: `<div class="view">
    <h1>Two plans</h1>
    <p><a class="back" routerLink="/plans">Saved plans</a></p>
    @if (pair(); as loaded) {
      @if (loaded.state === 'ready') {
        <inky-plan-lines [names]="[loaded.value[0].name, loaded.value[1].name]" [lines]="lines()" />
      } @else if (loaded.state === 'failed') {
        <p>These plans cannot be read. {{ loaded.message }}</p>
      } @else {
        <p class="quiet">Reading the book.</p>
      }
    }
  </div>`,
  styles: `
    .back {
      display: inline-flex;
      align-items: center;
      min-height: var(--touch);
    }
  `,
})
export class CompareView {
  private readonly plans = inject(PlansService);
  private readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });

  /** Ids of the two plans, from the address. */
  readonly left = input.required<string>();
  readonly right = input.required<string>();

  protected readonly pair = toSignal(
    combineLatest([toObservable(this.left), toObservable(this.right), inject(ConnectionService).reachable$]).pipe(
      switchMap(([left, right]) => loading(forkJoin([this.plans.get(left), this.plans.get(right)]))),
    ),
  );

  protected readonly lines = computed(() => {
    const pair = this.pair();
    return pair?.state === 'ready' ? linesOf(asMade(pair.value[0]), asMade(pair.value[1]), this.units()) : [];
  });
}
