import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { nameOf } from '@inky-shoal/core';
import type { PackedBox } from '@inky-shoal/core/tackle/match';
import * as z from 'zod';
import { ButtonDirective } from 'primeng/button';
import { capital } from '../sheet/words';
import { sayDate } from '../ui/dates';
import { DayService } from '../sheet/day.service';
import { NoticeService } from '../base/notice.service';
import { SettingsService } from '../base/settings.service';
import { StoreSet } from '../base/store';
import { SelectComponent } from '../ui/select.component';
import { CheckComponent } from '../ui/check.component';
import { RigService, type RigState } from './rig.service';
import { TackleService } from './tackle.service';
import { RigNavComponent } from './rig-nav.component';
import { sayRods } from './rig-words';
import { RodsComponent } from './rods.component';

/** Ids of the pieces that are packed for a day. */
const Packed = z.array(z.string());
/** Days whose ticks are kept. */
const DAYS_KEPT = 6;

/** Rods for the day on the sheet, matched from what is owned; what to pack, what is missing, what to see to first. */
@Component({
  selector: 'inky-rig',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, CheckComponent, RigNavComponent, RodsComponent, RouterLink, SelectComponent],
  templateUrl: './rig.view.html',
  styleUrl: './rig.view.css',
})
export class RigView {
  private readonly service = inject(RigService);
  private readonly day = inject(DayService);
  private readonly router = inject(Router);
  private readonly tackle = inject(TackleService);
  private readonly notices = inject(NoticeService);
  private readonly store = new StoreSet('packed', Packed);

  protected readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });
  protected readonly draft = toSignal(this.day.draft$, { initialValue: null });
  protected readonly planned = toSignal(this.day.planned$, { initialValue: null });
  protected readonly rigged = toSignal(this.service.rigState$, { initialValue: { state: 'working' } as RigState });
  protected readonly maxRods = toSignal(this.service.maxRods$, { initialValue: 5 });
  protected readonly rig = computed(() => {
    const rigged = this.rigged();
    return rigged.state === 'matched' ? rigged.rig : null;
  });
  protected readonly failure = computed(() => {
    const rigged = this.rigged();
    return rigged.state === 'failed' ? rigged : null;
  });
  protected readonly answer = computed(() => {
    const rig = this.rig();
    return rig ? sayRods(rig) : '';
  });
  protected readonly windows = computed(() => this.planned()?.day.plan.windows ?? []);
  protected readonly date = computed(() => this.draft()?.input.date ?? '');
  protected readonly about = computed(() => {
    const draft = this.draft();
    return draft ? `${draft.waterName}, ${sayDate(draft.input.date)}` : '';
  });
  protected readonly nearest = computed(() => this.rig()?.left.filter(({ why }) => why === 'no-lure') ?? []);
  protected readonly ashore = computed(() => this.rig()?.left.filter(({ why }) => why === 'no-rod') ?? []);
  protected readonly counts = Array.from({ length: 10 }, (_, at) => ({ id: `${at + 1}`, name: `${at + 1}` }));

  /** Ids of what is packed already, for this day. */
  protected readonly packed = linkedSignal(() => new Set(this.store.read(this.date())));
  protected readonly toPack = computed(
    () => this.rig()?.packing.flatMap(({ pieces }) => pieces.map(({ item }) => item.id)) ?? [],
  );
  protected readonly leftToPack = computed(() => this.toPack().filter((id) => !this.packed().has(id)).length);

  protected readonly name = nameOf;
  protected readonly capital = capital;

  constructor() {
    this.service.ask();
  }

  protected retry(): void {
    this.tackle.reload();
  }

  protected setRods(text: string): void {
    this.service.setRods(Number(text));
  }

  protected tick(id: string): void {
    const packed = new Set(this.packed());
    if (!packed.delete(id)) packed.add(id);
    this.packed.set(packed);
    this.store.write(this.date(), [...packed]);
    for (const old of this.store.ids().slice(0, -DAYS_KEPT)) this.store.remove(old);
  }

  /** A day's fishing on the lines of these rods: they wear by it. */
  protected countDay(): void {
    const rods = this.rig()?.rods ?? [];
    const lines = rods.flatMap(({ combo, respool }) => [respool?.line ?? combo.line, combo.leader ?? []].flat());
    const before = [...new Map(lines.map((line) => [line.id, line])).values()];
    const after = before.map((line) => ({ ...line, daysUsed: (line.daysUsed ?? 0) + 1 }));
    this.tackle.putAll(after).subscribe({
      next: () =>
        this.notices.say(`A day is counted on ${after.length} lines.`, () => this.tackle.putAll(before).subscribe()),
      error: (error: Error) => this.notices.say(`Not counted. ${error.message}`),
    });
  }

  protected boxName({ box }: PackedBox): string {
    return box ?? 'In no box';
  }

  protected choreOf(itemId: string): string {
    const pieces = this.rig()?.rods.flatMap(({ lure, combo }) => [lure, combo.line, combo.leader]) ?? [];
    return pieces.find((piece) => piece?.id === itemId)?.name ?? '';
  }

  /** To the sheet, whose printed page carries the rods. */
  protected async print(): Promise<void> {
    await this.router.navigateByUrl('/sheet?print=1');
  }
}
