import { ChangeDetectionStrategy, Component, computed, linkedSignal } from '@angular/core';
import { say } from '@inky-shoal/core';
import type { Coverage } from '@inky-shoal/core/mechanics';
import { FieldsComponent, type FieldChange, type FieldSpec, type Values } from '../../ui/fields.component';
import { reckoned } from './reckoned';
import { given, Tool, withChange } from './tool';

/** How much bank is fished in an hour. */
@Component({
  selector: 'inky-coverage-tool',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FieldsComponent],
  template: `
    @if (told().answer; as answer) {
      <p class="answer" role="status">{{ words() }}</p>
      <svg viewBox="0 0 400 130" role="img" [attr.aria-label]="words()">
        <rect class="water" width="400" height="130" />
        <path class="ground" d="M0 0 H400 V18 Q300 30 200 20 Q90 12 0 24 Z" />
        @for (place of casts(); track place) {
          <line class="way" [attr.x1]="place" y1="104" [attr.x2]="place" y2="26" />
        }
        <path class="body" d="M180 100 h36 q8 0 14 9 q-6 9 -14 9 h-36 z" />
      </svg>
      @if (answer.heldBackBy === 'boat') {
        <p>The boat is slower than the casts: go faster between places, or cast twice.</p>
      }
    }
    <p class="problem" role="alert">{{ told().problems[''] }}</p>
    <inky-fields
      prefix="coverage"
      [specs]="specs"
      [values]="values()"
      [problems]="told().problems"
      (changed)="change($event)"
    />
  `,
  styleUrl: './tool.css',
})
export class CoverageTool extends Tool {
  protected readonly specs: readonly FieldSpec[] = [
    { kind: 'figure', key: 'castM', label: 'Cast', measure: 'depth' },
    { kind: 'figure', key: 'speedMps', label: 'Speed', measure: 'speed' },
    { kind: 'figure', key: 'pausesS', label: 'Pauses on a cast', unit: 's' },
    { kind: 'figure', key: 'handlingS', label: 'Between casts', unit: 's' },
    { kind: 'figure', key: 'spacingM', label: 'From cast to cast', measure: 'depth' },
    { kind: 'figure', key: 'castsPerPlace', label: 'Casts at a place' },
    { kind: 'figure', key: 'boatMps', label: 'Boat', measure: 'speed' },
    { kind: 'figure', key: 'bankM', label: 'Bank to fish', measure: 'depth' },
    { kind: 'figure', key: 'hours', label: 'Hours for it' },
  ];
  protected readonly values = linkedSignal<Values>(() => ({
    castM: 25,
    speedMps: 0.8,
    pausesS: 0,
    handlingS: 6,
    spacingM: 3,
    castsPerPlace: 1,
    boatMps: 0.8,
    bankM: 1000,
    hours: 3,
  }));
  private readonly asked = computed(() =>
    given(
      this.values(),
      'castM',
      'speedMps',
      'pausesS',
      'handlingS',
      'spacingM',
      'castsPerPlace',
      'boatMps',
      'bankM',
      'hours',
    ),
  );
  protected readonly told = reckoned<Coverage>('coverage', this.asked);
  /** Casts along the drawn bank, 60 m of it. */
  protected readonly casts = computed(() => {
    const spacing = Math.max(1, Number(this.values()['spacingM'] ?? 3));
    return Array.from({ length: Math.min(80, Math.floor(60 / spacing)) }, (_, at) => 10 + (at * spacing * 380) / 60);
  });
  protected readonly words = computed(() => {
    const { answer } = this.told();
    if (!answer) return '';
    const { bankMPerHour, castsPerHour, shareOfBank } = answer;
    const share = shareOfBank === null ? '' : ` ${Math.round(100 * shareOfBank)} % of the bank in the time.`;
    return `${say('depth', bankMPerHour, this.units())} of bank an hour, ${Math.round(castsPerHour)} casts.${share}`;
  });

  protected change(change: FieldChange): void {
    this.values.set(withChange(this.values(), change));
  }
}
