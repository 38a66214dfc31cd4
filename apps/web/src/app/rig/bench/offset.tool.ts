import { ChangeDetectionStrategy, Component, computed, linkedSignal } from '@angular/core';
import { say } from '@inky-shoal/core';
import type { ParallelOffset } from '@inky-shoal/core/mechanics';
import { FieldsComponent, type FieldChange, type FieldSpec, type Values } from '../../ui/fields.component';
import { reckoned } from './reckoned';
import { given, middleOf, Tool, withChange } from './tool';

/** How far off a bank to hold so that casts along it run at one depth. */
@Component({
  selector: 'inky-offset-tool',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FieldsComponent],
  template: `
    @if (told().answer) {
      <p class="answer" role="status">{{ words() }}</p>
      <svg viewBox="0 0 400 190" role="img" [attr.aria-label]="words()">
        <rect class="water" y="30" width="400" height="160" />
        <path class="ground" [attr.d]="'M0 10 L30 30 L' + foot() + ' 190 L0 190 Z'" />
        <line class="mark" [attr.x1]="place()" y1="30" [attr.x2]="place()" y2="110" />
        <circle class="body" [attr.cx]="place()" cy="110" r="7" />
        <path class="body" [attr.d]="'M' + (place() - 16) + ' 22 h32 l-6 10 h-20 z'" />
      </svg>
    }
    <p class="problem" role="alert">{{ told().problems[''] }}</p>
    <inky-fields
      prefix="offset"
      [specs]="specs"
      [values]="values()"
      [problems]="told().problems"
      (changed)="change($event)"
    />
  `,
  styleUrl: './tool.css',
})
export class OffsetTool extends Tool {
  protected readonly specs: readonly FieldSpec[] = [
    { kind: 'figure', key: 'depthM', label: 'Fish at', measure: 'depth' },
    { kind: 'figure', key: 'bankSlopeDeg', label: 'Slope of the bank', unit: '°' },
    { kind: 'figure', key: 'bandM', label: 'Give or take', measure: 'depth' },
    { kind: 'figure', key: 'castM', label: 'Cast', measure: 'depth' },
  ];
  protected readonly values = linkedSignal<Values>(() => ({
    depthM: middleOf(this.wantedM()) ?? 3,
    bankSlopeDeg: 45,
    bandM: 0.5,
    castM: 25,
  }));
  private readonly asked = computed(() => given(this.values(), 'depthM', 'bankSlopeDeg', 'bandM', 'castM'));
  protected readonly told = reckoned<ParallelOffset>('parallel-offset', this.asked);
  /** Across the picture where the depth of the fish, drawn 80 down, is met by the bank; a flat bank is cut short. */
  protected readonly place = computed(() => {
    const slope = Math.tan((Number(this.values()['bankSlopeDeg'] ?? 45) * Math.PI) / 180);
    return Math.min(370, 30 + 80 / Math.max(0.02, slope));
  });
  protected readonly foot = computed(() => 30 + 2 * (this.place() - 30));
  protected readonly words = computed(() => {
    const { answer } = this.told();
    if (!answer) return '';
    const { offsetM, marginM, shareAcross } = answer;
    const depth = (si: number) => say('depth', si, this.units());
    return `Hold ${depth(offsetM)} off the edge, give or take ${depth(marginM)}, and cast along it. Cast at the bank, ${Math.max(1, Math.round(100 * shareAcross))} % of a cast is at that depth.`;
  });

  protected change(change: FieldChange): void {
    this.values.set(withChange(this.values(), change));
  }
}
