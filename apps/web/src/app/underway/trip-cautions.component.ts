import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { nameOf, type Plan } from '@inky-shoal/core';
import { FoldComponent } from '../ui/fold.component';

/** What is to be minded on the water: what is severe always in full, what is serious by name, in full when opened. */
@Component({
  selector: 'inky-trip-cautions',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FoldComponent],
  template: `
    @for (caution of severe(); track caution.id) {
      <p class="caution">
        <strong>{{ caution.text }}</strong>
      </p>
    }
    @if (all() && serious().length) {
      <inky-fold class="mind" [label]="'Mind: ' + mindWords()">
        @for (caution of serious(); track caution.id) {
          <p>{{ caution.text }}</p>
        }
      </inky-fold>
    }
  `,
  styles: `
    :host {
      display: block;
    }
    .caution {
      padding: 0.5rem 0;
      color: var(--act);
    }
    .mind p {
      padding-bottom: 0.4rem;
    }
  `,
})
export class TripCautionsComponent {
  readonly cautions = input.required<Plan['cautions']>();
  /** Whether those that are serious are named, too. */
  readonly all = input.required<boolean>();

  protected readonly severe = computed(() => this.cautions().filter(({ severity }) => severity === 'severe'));
  protected readonly serious = computed(() => this.cautions().filter(({ severity }) => severity === 'serious'));
  protected readonly mindWords = computed(() =>
    this.serious()
      .map(({ id }) => nameOf(id))
      .join(', '),
  );
}
