import { ChangeDetectionStrategy, Component, computed, linkedSignal } from '@angular/core';
import { say } from '@inky-shoal/core';
import type { RetrieveSpeed } from '@inky-shoal/core/mechanics';
import { FieldsComponent, type FieldChange, type FieldSpec, type Values } from '../../ui/fields.component';
import { reckoned } from './reckoned';
import { given, Tool, withChange } from './tool';

/** Seconds that the picture shows. */
const SHOWN_S = 8;

/** What a reel makes of turns of the handle, and how fast to turn it for a speed. */
@Component({
  selector: 'inky-retrieve-tool',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FieldsComponent],
  template: `
    @if (told().answer) {
      <p class="answer" role="status">{{ words() }}</p>
      <svg viewBox="0 0 400 70" role="img" [attr.aria-label]="words()">
        <line class="ink" x1="10" y1="44" x2="390" y2="44" />
        @for (turn of turns(); track turn) {
          <circle class="body" [attr.cx]="10 + 380 * turn" cy="30" r="9" />
          <line class="ink" [attr.x1]="10 + 380 * turn" y1="39" [attr.x2]="10 + 380 * turn" y2="50" />
        }
        <text x="10" y="66">0 s</text>
        <text x="390" y="66" text-anchor="end">{{ shownS }} s</text>
      </svg>
    }
    <p class="problem" role="alert">{{ told().problems[''] || told().problems['turnsPerS'] }}</p>
    <inky-fields
      prefix="retrieve"
      [specs]="specs"
      [values]="values()"
      [problems]="told().problems"
      (changed)="change($event)"
    />
  `,
  styleUrl: './tool.css',
})
export class RetrieveTool extends Tool {
  protected readonly shownS = SHOWN_S;
  protected readonly specs: readonly FieldSpec[] = [
    { kind: 'figure', key: 'ratio', label: 'Gear ratio' },
    { kind: 'figure', key: 'spoolDiameterMm', label: 'Spool across', measure: 'length' },
    { kind: 'figure', key: 'speedMps', label: 'Wanted speed', measure: 'speed' },
    { kind: 'figure', key: 'turnsPerS', label: 'Or turns a second' },
    { kind: 'figure', key: 'castM', label: 'Cast', measure: 'depth' },
  ];
  protected readonly values = linkedSignal<Values>(() => ({
    ratio: this.combo()?.reel.ratio ?? 6.4,
    spoolDiameterMm: this.combo()?.reel.spoolMm ?? 34,
    speedMps: 0.5,
    castM: 30,
  }));
  private readonly asked = computed(() => {
    const values = this.values();
    const turning = values['turnsPerS'] === undefined ? given(values, 'speedMps') : given(values, 'turnsPerS');
    return { ...given(values, 'ratio', 'spoolDiameterMm', 'castM'), ...turning };
  });
  protected readonly told = reckoned<RetrieveSpeed>('retrieve', this.asked);
  /** Where turns end on the shown stretch of time, 0 to 1. */
  protected readonly turns = computed(() => {
    const every = this.told().answer?.secondsPerTurn ?? SHOWN_S;
    return Array.from({ length: Math.min(60, Math.floor(SHOWN_S / every)) }, (_, at) => ((at + 1) * every) / SHOWN_S);
  });
  protected readonly words = computed(() => {
    const { answer } = this.told();
    if (!answer) return '';
    const { secondsPerTurn, lineMPerTurn, speedMps, secondsPerCast } = answer;
    const pace =
      secondsPerTurn >= 1
        ? `one turn in ${secondsPerTurn.toFixed(1)} s`
        : `${(1 / secondsPerTurn).toFixed(1)} turns a second`;
    const back = secondsPerCast === null ? '' : ` A cast takes ${Math.round(secondsPerCast)} s.`;
    return `${say('speed', speedMps, this.units())} is ${pace}, each of ${say('depth', lineMPerTurn, this.units())} of line.${back}`;
  });

  protected change(change: FieldChange): void {
    this.values.set(withChange(this.values(), change));
  }
}
