import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { PracticeService } from './practice.service';
import { FoldComponent } from '../ui/fold.component';

const GROUPS = [
  { by: 'step', title: 'What you know' },
  { by: 'phase', title: 'By phase' },
  { by: 'regime', title: 'By water' },
  { by: 'lure', title: 'By lure' },
] as const;

/** What is known so far, quietly: marks of the last answers by step, phase, water and lure. */
@Component({
  selector: 'inky-known',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FoldComponent],
  template: `
    @for (group of groups(); track group.by) {
      @if (group.by === 'step') {
        <section aria-labelledby="known">
          <h2 id="known">{{ group.title }}</h2>
          <dl>
            @for (each of group.known; track each.name) {
              <dt>{{ each.name }}</dt>
              <dd>
                {{ percent(each.marks) }} <span class="quiet">over the last {{ each.answers }}</span>
              </dd>
            }
          </dl>
        </section>
      } @else {
        <inky-fold [label]="group.title">
          <dl>
            @for (each of group.known; track each.name) {
              <dt>{{ each.name }}</dt>
              <dd>
                {{ percent(each.marks) }} <span class="quiet">of {{ each.answers }}</span>
              </dd>
            }
          </dl>
        </inky-fold>
      }
    }
  `,
  styles: `
    section {
      margin-top: 1.25rem;
    }
    dl {
      display: grid;
      grid-template-columns: max-content 1fr;
      gap: 0.2rem 1rem;
      margin: 0.25rem 0;
    }
    dd {
      margin: 0;
    }
  `,
})
export class KnownComponent {
  private readonly known = toSignal(inject(PracticeService).known$, { requireSync: true });
  protected readonly groups = computed(() =>
    GROUPS.map((group) => ({ ...group, known: this.known()[group.by] })).filter(({ known }) => known.length),
  );

  protected percent(marks: number): string {
    return `${Math.round(100 * marks)} of 100`;
  }
}
