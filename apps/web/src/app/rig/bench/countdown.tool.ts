import { ChangeDetectionStrategy, Component, computed, linkedSignal } from '@angular/core';
import { LINE_MATERIALS, say } from '@inky-shoal/core';
import { categoryOf } from '@inky-shoal/core/lures';
import { SINKING_FORMS, type Countdown } from '@inky-shoal/core/mechanics';
import { choices } from '../../ui/choices';
import { FieldsComponent, type FieldChange, type FieldSpec, type Values } from '../../ui/fields.component';
import type { PathScene } from './path-pen';
import { PathPictureComponent } from './path-picture.component';
import { reckoned } from './reckoned';
import { given, lineFields, lineGiven, lineValues, middleOf, Tool, withChange } from './tool';

const isForm = (form: string): boolean => (SINKING_FORMS as readonly string[]).includes(form);

/** How long a lure sinks to a depth. */
@Component({
  selector: 'inky-countdown-tool',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FieldsComponent, PathPictureComponent],
  template: `
    @if (told().answer) {
      <p class="answer" role="status">{{ words() }}</p>
      <inky-path-picture [scene]="scene()!" [units]="units()" [label]="words()" />
    }
    <p class="problem" role="alert">{{ told().problems[''] }}</p>
    <inky-fields
      prefix="count"
      [specs]="specs"
      [values]="values()"
      [problems]="told().problems"
      (changed)="change($event)"
    />
  `,
  styleUrl: './tool.css',
})
export class CountdownTool extends Tool {
  protected readonly specs: readonly FieldSpec[] = [
    { kind: 'one', key: 'form', label: 'Lure', choices: choices(SINKING_FORMS) },
    { kind: 'figure', key: 'massG', label: 'Weight', measure: 'weight' },
    { kind: 'figure', key: 'depthM', label: 'To a depth of', measure: 'depth' },
    { kind: 'one', key: 'fall', label: 'It falls', choices: choices(['slack', 'tight']) },
    { kind: 'figure', key: 'driftMps', label: 'Drift', measure: 'speed' },
    ...lineFields(choices(LINE_MATERIALS)),
  ];
  protected readonly values = linkedSignal<Values>(() => {
    const lure = this.lure();
    const form = lure ? categoryOf(lure.category).form : 'jig';
    return {
      form: isForm(form) ? form : 'jig',
      massG: lure && isForm(form) ? lure.weightG : 10.5,
      depthM: middleOf(this.wantedM()) ?? 4,
      fall: 'slack',
      driftMps: 0,
      ...lineValues(this.combo()),
    };
  });
  private readonly asked = computed(() => ({
    ...given(this.values(), 'form', 'massG', 'depthM', 'fall', 'driftMps'),
    line: lineGiven(this.values()),
  }));
  protected readonly told = reckoned<Countdown>('countdown', this.asked);
  protected readonly scene = computed((): PathScene | null => {
    const { answer } = this.told();
    if (!answer) return null;
    const seconds = answer.depthBySecondM.map((depth, second) => [second, depth] as const);
    return { path: [...seconds, [answer.seconds, this.values()['depthM'] as number]], across: 'seconds' };
  });
  protected readonly words = computed(() => {
    const { answer } = this.told();
    if (!answer) return '';
    const drifts = answer.driftM > 0.3 ? `, ${say('depth', answer.driftM, this.units())} down the drift` : '';
    return `Count to ${Math.round(answer.seconds)}: ${say('speed', answer.sinkMps, this.units())}${drifts}.`;
  });

  protected change(change: FieldChange): void {
    this.values.set(withChange(this.values(), change));
  }
}
