import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { SCHOOL_SIDES, type SchoolId, type SchoolSide } from '@inky-shoal/core';
import { map } from 'rxjs';
import { ButtonDirective } from 'primeng/button';
import { PlanLinesComponent } from '../plans/plan-lines.component';
import { linesOf } from '../plans/plan-lines';
import { SettingsService } from '../base/settings.service';
import { BesideService } from './beside.service';
import { DayService } from './day.service';
import { saySide } from './school-words';

/** The day's plan beside what it would be under the other side of a school. */
@Component({
  selector: 'inky-beside',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, PlanLinesComponent, RouterLink],
  template: `<div class="view">
    <h1>{{ known() ? words() : 'There is no such school.' }}</h1>
    <p><a class="back" routerLink="/sheet">To the sheet</a></p>
    @if (pair(); as two) {
      <inky-plan-lines [names]="['Your plan', 'The other side']" [lines]="lines()" />
      <p class="take">
        <button pButton type="button" (click)="take()">Plan this day that way</button>
      </p>
    } @else if (known()) {
      <p class="quiet" role="status">Planning the other side.</p>
    }
  </div>`,
  styles: `
    .back {
      display: inline-flex;
      align-items: center;
      min-height: var(--touch);
    }
    .take {
      margin-top: 1rem;
    }
  `,
})
export class BesideView {
  private readonly day = inject(DayService);
  private readonly router = inject(Router);
  private readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });

  /** A school and its other side, from the address. */
  readonly school = input.required<string>();
  readonly side = input.required<string>();

  private readonly choice = computed(() => {
    const sides: readonly string[] = SCHOOL_SIDES[this.school() as SchoolId] ?? [];
    return sides.includes(this.side()) ? { school: this.school() as SchoolId, side: this.side() as SchoolSide } : null;
  });
  protected readonly known = computed(() => this.choice() !== null);
  protected readonly words = computed(() => {
    const choice = this.choice();
    return choice ? saySide(choice.school, choice.side) : '';
  });

  protected readonly pair = toSignal(
    inject(BesideService).pair(
      toObservable(this.choice).pipe(
        map((choice) => choice && (({ schools }) => ({ schools: { ...schools, [choice.school]: choice.side } }))),
      ),
    ),
  );
  protected readonly lines = computed(() => {
    const pair = this.pair();
    return pair ? linesOf(pair[0], pair[1], this.units()) : [];
  });

  protected take(): void {
    const [choice, pair] = [this.choice(), this.pair()];
    if (!choice || !pair) return;
    this.day.change({ schools: { ...pair[0].conditions.schools, [choice.school]: choice.side } });
    void this.router.navigateByUrl('/sheet');
  }
}
