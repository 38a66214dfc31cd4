import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { nameOf, sayRange, type Plan, type UnitSystem } from '@inky-shoal/core';
import { windowAt } from '@inky-shoal/core/underway';
import { ButtonDirective } from 'primeng/button';
import type { OtherPlan } from './trip.service';

/** Where the water is other than planned: what the plan has for this hour, and what it would have instead. */
@Component({
  selector: 'inky-off-plan',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective],
  template: `
    <section aria-labelledby="off">
      <h2 id="off">Off the plan</h2>
      @for (line of off().words; track line) {
        <p>{{ line }}</p>
      }
      <dl>
        <dt>Now</dt>
        <dd>{{ nowWords() }}</dd>
        <dt>Instead</dt>
        <dd>{{ insteadWords() }}</dd>
      </dl>
      <button pButton type="button" (click)="taken.emit()">Take the new plan</button>
      <button pButton text type="button" (click)="kept.emit()">Keep the old</button>
    </section>
  `,
  styles: `
    :host {
      display: block;
      border: 2px solid var(--act);
      padding: 0.75rem 1rem;
      margin-bottom: 0.75rem;
    }
    dl {
      display: grid;
      grid-template-columns: max-content 1fr;
      gap: 0.25rem 0.75rem;
      margin: 0.5rem 0;
    }
    dt {
      font-weight: 700;
    }
    dd {
      margin: 0;
    }
  `,
})
export class OffPlanComponent {
  readonly plan = input.required<Plan>();
  readonly off = input.required<OtherPlan>();
  /** Minutes past midnight on the water's clock. */
  readonly minute = input.required<number>();
  readonly units = input.required<UnitSystem>();
  readonly taken = output();
  readonly kept = output();

  protected readonly nowWords = computed(() => this.words(this.plan()));
  protected readonly insteadWords = computed(() => this.words(this.off().day.plan));

  private words(plan: Plan): string {
    const window = windowAt(plan.windows, this.minute());
    const [lure, place] = [window?.presentations[0], window?.holding[0]];
    if (!lure) return 'nothing for this hour';
    const where = place ? `, ${nameOf(place.structure)}` : '';
    return `${nameOf(lure.category)}, ${sayRange('depth', lure.runDepthM, this.units())}${where}`;
  }
}
