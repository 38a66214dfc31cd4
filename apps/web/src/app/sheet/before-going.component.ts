import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { nameOf, onDeck, say, type Plan, type UnitSystem } from '@inky-shoal/core';
import { FoldComponent } from '../ui/fold.component';
import { capital } from './words';

/** What to have tied on, what to do if the day turns, and what is better thought of before one goes. */
@Component({
  selector: 'inky-before-going',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FoldComponent],
  templateUrl: './before-going.component.html',
  styleUrl: './before-going.component.css',
})
export class BeforeGoingComponent {
  readonly plan = input.required<Plan>();
  readonly maxRods = input<number>();
  readonly units = input.required<UnitSystem>();

  protected readonly rods = computed(() => onDeck(this.plan().windows, this.maxRods()));
  /** What is serious stands by the advice. */
  protected readonly minorCautions = computed(() =>
    this.plan().cautions.filter(({ severity }) => severity === 'advice'),
  );
  protected readonly name = nameOf;
  protected readonly capital = capital;

  protected test(lb: number): string {
    return say('test', lb, this.units());
  }
}
