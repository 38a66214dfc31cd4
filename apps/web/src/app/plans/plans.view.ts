import { ChangeDetectionStrategy, Component, computed, inject, Injector, linkedSignal, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { FormControl, NonNullableFormBuilder, ReactiveFormsModule } from '@angular/forms';
import { nameOf, type Run, type SavedPlanSummary } from '@inky-shoal/core';
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
import { focusField } from '../ui/focus-field';
import { PagesComponent } from '../ui/pages.component';
import { SelectComponent } from '../ui/select.component';
import { saveFile } from '../ui/save-file';
import { seeker } from '../ui/seek';
import { csvOf } from '@inky-shoal/core/formats';
import { PlansService } from './plans.service';

/** Plans on one page of the list. */
const PAGE_SIZE = 20;
const ORDERS = {
  made: {
    name: 'Last made first',
    by: (a: SavedPlanSummary, b: SavedPlanSummary) => b.createdAt.localeCompare(a.createdAt),
  },
  latest: { name: 'Latest day first', by: (a: SavedPlanSummary, b: SavedPlanSummary) => b.date.localeCompare(a.date) },
  name: { name: 'By name', by: (a: SavedPlanSummary, b: SavedPlanSummary) => a.name.localeCompare(b.name) },
} as const;
type Order = keyof typeof ORDERS;

/** Saved plans: open, rename, compare two, remove with undo. */
@Component({
  selector: 'inky-plans',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    ButtonDirective,
    CheckComponent,
    FieldComponent,
    PagesComponent,
    ReactiveFormsModule,
    RouterLink,
    SelectComponent,
  ],
  templateUrl: './plans.view.html',
  styleUrl: './plans.view.css',
})
export class PlansView {
  private readonly service = inject(PlansService);
  private readonly day = inject(DayService);
  private readonly notices = inject(NoticeService);
  private readonly runs = inject(KeptRuns);
  private readonly router = inject(Router);
  private readonly injector = inject(Injector);

  protected readonly plans = toSignal(this.service.plans$, { initialValue: null });
  private readonly waters = toSignal(inject(WatersService).waters$.pipe(map((loaded) => valueOr(loaded, []))), {
    initialValue: [],
  });
  protected readonly list = computed(() => valueOr(this.plans(), []));
  protected readonly search = new FormControl('', { nonNullable: true });
  private readonly sought = toSignal(this.search.valueChanges, { initialValue: '' });
  protected readonly order = signal<Order>('made');
  protected readonly orders = Object.entries(ORDERS).map(([id, { name }]) => ({ id, name }));
  private readonly words = computed(
    () => new Map(this.list().map((plan) => [plan.id, `${plan.name} ${this.told(plan)} ${plan.date}`.toLowerCase()])),
  );
  protected readonly found = computed(() => {
    const isSought = seeker(this.sought(), [...this.words().values()]);
    return this.list()
      .filter(({ id }) => isSought(this.words().get(id) ?? ''))
      .sort(ORDERS[this.order()].by);
  });
  protected readonly pageSize = PAGE_SIZE;
  /** The first plan of the page that is shown; another search begins at the first. */
  protected readonly first = linkedSignal({ source: this.found, computation: () => 0 });
  protected readonly shown = computed(() => this.found().slice(this.first(), this.first() + PAGE_SIZE));
  protected readonly picked = signal<readonly string[]>([]);
  protected readonly renaming = signal<string | null>(null);
  protected readonly form = inject(NonNullableFormBuilder).group({ name: '' });

  private waterName(plan: SavedPlanSummary): string {
    return this.waters().find(({ id }) => id === plan.waterId)?.name ?? '';
  }

  /** Day, water, phase, first lure and the record it was made with, in a line. */
  protected told(plan: SavedPlanSummary): string {
    const water = this.waterName(plan);
    const first = plan.first ? `, ${nameOf(plan.first)} first` : '';
    const { record } = plan;
    const by = record ? ` By your record of ${record.trips} ${record.trips === 1 ? 'trip' : 'trips'}.` : '';
    return `${sayDate(plan.date)}${water ? `, ${water}` : ''}. ${capital(nameOf(plan.phase))}${first}.${by}`;
  }

  protected setOrder(order: string): void {
    this.order.set(order as Order);
  }

  /** The list as a CSV file. */
  protected save(): void {
    const rows = this.list().map((plan) => [
      plan.name,
      plan.date,
      this.waterName(plan),
      nameOf(plan.phase),
      plan.first ? nameOf(plan.first) : '',
      plan.createdAt,
    ]);
    saveFile('plans.csv', csvOf([['name', 'date', 'water', 'phase', 'first lure', 'made'], ...rows]), 'text/csv');
  }

  /** Two at most: a third takes the place of the first. */
  protected pick(id: string): void {
    const picked = this.picked();
    this.picked.set(picked.includes(id) ? picked.filter((each) => each !== id) : [...picked, id].slice(-2));
  }

  protected open(plan: SavedPlanSummary): void {
    this.service.get(plan.id).subscribe({
      next: ({ id, name, waterId, conditions, run, version }) => {
        this.day.open({
          waterId: waterId ?? null,
          waterName: this.waterName(plan) || name,
          savedId: id,
          savedName: name,
          savedVersion: version,
          savedInput: conditions,
          input: conditions,
        });
        if (run) this.takeRun(run);
        void this.router.navigateByUrl('/sheet');
      },
      error: (error: Error) => this.notices.say(`Not opened. ${error.message}`),
    });
  }

  /** The run that is saved with a plan comes with it; one of that day that stands here is one press away. */
  private takeRun(run: Run): void {
    const before = this.runs.of(run.waterId, run.date);
    this.runs.keep(run);
    if (before && JSON.stringify(before) !== JSON.stringify(run)) {
      this.notices.say('The run of this day is now the one saved with the plan.', () => this.runs.keep(before));
    }
  }

  protected startRenaming(plan: SavedPlanSummary): void {
    this.form.setValue({ name: plan.name });
    this.renaming.set(plan.id);
    focusField('new-name', this.injector);
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
