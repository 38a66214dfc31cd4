import { ChangeDetectionStrategy, Component, computed, inject, Injector, linkedSignal, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { FormControl, NonNullableFormBuilder, ReactiveFormsModule } from '@angular/forms';
import type { SavedPlanSummary } from '@inky-shoal/core';
import { ButtonDirective } from 'primeng/button';
import { map } from 'rxjs';
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
import { OpenPlanService } from './open-plan.service';
import { ORDERS, type PlanOrder, planRows, planWords } from './plan-list';
import { PlansService } from './plans.service';

/** Plans on one page of the list. */
const PAGE_SIZE = 20;
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
  private readonly opening = inject(OpenPlanService);
  private readonly notices = inject(NoticeService);
  private readonly injector = inject(Injector);

  protected readonly plans = toSignal(this.service.plans$, { initialValue: null });
  private readonly waters = toSignal(inject(WatersService).waters$.pipe(map((loaded) => valueOr(loaded, []))), {
    initialValue: [],
  });
  protected readonly list = computed(() => valueOr(this.plans(), []));
  protected readonly search = new FormControl('', { nonNullable: true });
  private readonly sought = toSignal(this.search.valueChanges, { initialValue: '' });
  protected readonly order = signal<PlanOrder>('made');
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

  protected told(plan: SavedPlanSummary): string {
    return planWords(plan, this.waterName(plan));
  }

  private waterName({ waterId }: SavedPlanSummary): string {
    return this.waters().find(({ id }) => id === waterId)?.name ?? '';
  }

  protected setOrder(order: string): void {
    this.order.set(order as PlanOrder);
  }

  /** The list as a CSV file. */
  protected save(): void {
    saveFile('plans.csv', csvOf(planRows(this.list(), (plan) => this.waterName(plan))), 'text/csv');
  }

  /** Two at most: a third takes the place of the first. */
  protected pick(id: string): void {
    const picked = this.picked();
    this.picked.set(picked.includes(id) ? picked.filter((each) => each !== id) : [...picked, id].slice(-2));
  }

  protected open(plan: SavedPlanSummary): void {
    this.opening.open(plan.id, this.waterName(plan));
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
