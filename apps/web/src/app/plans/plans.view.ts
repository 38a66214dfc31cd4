import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { NonNullableFormBuilder, ReactiveFormsModule } from '@angular/forms';
import { nameOf, type SavedPlanSummary } from '@inky-shoal/core';
import { ButtonDirective } from 'primeng/button';
import { map } from 'rxjs';
import { capital } from '../sheet/words';
import { sayDate } from '../ui/dates';
import { KeptRuns } from '../sheet/kept-runs';
import { DayService } from '../sheet/day.service';
import { valueOr } from '../base/loaded';
import { NoticeService } from '../base/notice.service';
import { WatersService } from '../waters/waters.service';
import { CheckComponent } from '../ui/check.component';
import { FieldComponent } from '../ui/field.component';
import { PlansService } from './plans.service';

/** Saved plans: open, rename, compare two, remove with undo. */
@Component({
  selector: 'inky-plans',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, CheckComponent, FieldComponent, ReactiveFormsModule, RouterLink],
  templateUrl: './plans.view.html',
  styleUrl: './plans.view.css',
})
export class PlansView {
  private readonly service = inject(PlansService);
  private readonly day = inject(DayService);
  private readonly notices = inject(NoticeService);
  private readonly runs = inject(KeptRuns);
  private readonly router = inject(Router);

  protected readonly plans = toSignal(this.service.plans$, { initialValue: null });
  private readonly waters = toSignal(inject(WatersService).waters$.pipe(map((loaded) => valueOr(loaded, []))), {
    initialValue: [],
  });
  protected readonly list = computed(() => valueOr(this.plans(), []));
  protected readonly picked = signal<readonly string[]>([]);
  protected readonly renaming = signal<string | null>(null);
  protected readonly form = inject(NonNullableFormBuilder).group({ name: '' });

  private waterName(plan: SavedPlanSummary): string {
    return this.waters().find(({ id }) => id === plan.waterId)?.name ?? '';
  }

  /** Day, water, phase and first lure, in a line. */
  protected told(plan: SavedPlanSummary): string {
    const water = this.waterName(plan);
    const first = plan.first ? `, ${nameOf(plan.first)} first` : '';
    return `${sayDate(plan.date)}${water ? `, ${water}` : ''}. ${capital(nameOf(plan.phase))}${first}.`;
  }

  /** Two at most: a third takes the place of the first. */
  protected pick(id: string): void {
    const picked = this.picked();
    this.picked.set(picked.includes(id) ? picked.filter((each) => each !== id) : [...picked, id].slice(-2));
  }

  protected open(plan: SavedPlanSummary): void {
    this.service.get(plan.id).subscribe({
      next: ({ id, name, waterId, conditions, run, version }) => {
        if (run) this.runs.keep(run);
        this.day.open({
          waterId: waterId ?? null,
          waterName: this.waterName(plan) || name,
          savedId: id,
          savedName: name,
          savedVersion: version,
          savedInput: conditions,
          input: conditions,
        });
        void this.router.navigateByUrl('/sheet');
      },
      error: (error: Error) => this.notices.say(`Not opened. ${error.message}`),
    });
  }

  protected startRenaming(plan: SavedPlanSummary): void {
    this.form.setValue({ name: plan.name });
    this.renaming.set(plan.id);
  }

  protected rename(plan: SavedPlanSummary): void {
    const name = this.form.getRawValue().name.trim();
    if (!name) return;
    this.renaming.set(null);
    this.service.rename(plan.id, name).subscribe({
      next: () => this.notices.say(`Now called ${name}.`),
      error: (error: Error) => this.notices.say(`Not renamed. ${error.message}`),
    });
  }

  protected remove(plan: SavedPlanSummary): void {
    this.picked.set(this.picked().filter((id) => id !== plan.id));
    this.service.remove(plan.id).subscribe({
      next: () => this.notices.say(`${plan.name} is removed.`, () => this.service.restore(plan.id).subscribe()),
      error: (error: Error) => this.notices.say(`Not removed. ${error.message}`),
    });
  }

  protected retry(): void {
    this.service.reload();
  }
}
