import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { bearingDeg, bestCutDeg, MIN_CUT_DEG, MAX_LINE_UPS, type ChartFeature } from '@inky-shoal/core/chart';
import type { Water } from '@inky-shoal/core';
import { ButtonDirective } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { Textarea } from 'primeng/textarea';
import { SpotMemoryComponent } from '../../log/spot-memory.component';
import { SelectComponent } from '../../ui/select.component';
import { FieldComponent } from '../../ui/field.component';
import { DrawSession } from './draw-session';
import { DRAW_GROUPS, idOf, sayFeature } from './what-to-draw';

/** What was drawn, to be named, noted, changed or taken away. Its points are moved on the chart. */
@Component({
  selector: 'inky-feature-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, FieldComponent, InputText, SelectComponent, SpotMemoryComponent, Textarea],
  templateUrl: './feature-form.component.html',
  styleUrl: './feature-form.component.css',
})
export class FeatureFormComponent {
  protected readonly session = inject(DrawSession);
  readonly feature = input.required<ChartFeature>();
  readonly water = input.required<Water>();
  /** Places like this mark are wanted. */
  readonly likeWanted = output<ChartFeature>();

  protected readonly what = computed(() => idOf(this.feature()));
  protected readonly kinds = computed(() =>
    this.what() === 'cover'
      ? [{ name: 'Not said', choices: [{ id: 'cover', name: 'an area, of what is not said' }] }, ...DRAW_GROUPS]
      : DRAW_GROUPS,
  );
  protected readonly title = computed(() => sayFeature(this.feature()));
  protected readonly zones = computed(() => this.water().zones ?? []);
  protected readonly lineUps = computed(() => {
    const { shape, lineUps = [] } = this.feature();
    if (shape.type !== 'Point') return [];
    return lineUps.map(({ toward, text }) => ({
      text,
      bearing: Math.round(bearingDeg(shape.coordinates, toward)) % 360,
    }));
  });
  /** Where a mark lies; null for what is no mark. */
  protected readonly at = computed(() => {
    const { kind, shape } = this.feature();
    return kind === 'mark' && shape.type === 'Point' ? shape.coordinates : null;
  });
  protected readonly canLineUp = computed(
    () => this.feature().shape.type === 'Point' && this.lineUps().length < MAX_LINE_UPS,
  );
  /** Whether the line-ups tell well where one is. */
  protected readonly cut = computed(() => {
    const cut = bestCutDeg(this.lineUps().map(({ bearing }) => bearing));
    if (cut === null) return this.lineUps().length ? 'One more that crosses it finds the place again.' : '';
    const told = `They cross at ${Math.round(cut)}°`;
    return cut >= MIN_CUT_DEG
      ? `${told}: that finds the place again.`
      : `${told}: too flat to be sure, find one more to the side.`;
  });

  protected set(key: 'name' | 'note', text: string): void {
    const value = text.trim() || undefined;
    if (value !== this.feature()[key]) this.session.change(this.feature(), { [key]: value });
  }

  protected setZone(zoneId: string): void {
    const zone = this.zones().find(({ id }) => id === zoneId);
    this.session.change(this.feature(), { zoneId: zone?.id, ...(zone ? { name: zone.name } : {}) });
  }

  protected setLineUp(at: number, text: string): void {
    const kept = this.feature().lineUps ?? [];
    if (!text.trim() || kept[at]?.text === text.trim()) return;
    const lineUps = kept.map((each, index) => (index === at ? { ...each, text: text.trim() } : each));
    this.session.change(this.feature(), { lineUps });
  }

  protected dropLineUp(at: number): void {
    const lineUps = (this.feature().lineUps ?? []).filter((_, index) => index !== at);
    this.session.change(this.feature(), { lineUps: lineUps.length ? lineUps : undefined });
  }
}
