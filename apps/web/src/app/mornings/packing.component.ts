import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { capital } from '@inky-shoal/core';
import { combineLatest, map } from 'rxjs';
import * as z from 'zod';
import { Store } from '../base/store';
import { RigService } from '../rig/rig.service';
import { FoldComponent } from '../ui/fold.component';
import { SelectComponent } from '../ui/select.component';
import { LackingAheadComponent } from './lacking-ahead.component';
import { LackingComponent } from './lacking.component';
import { MorningsService } from './mornings.service';

/** Lures for which there may be room in the boat. */
const ROOM = [4, 6, 8, 10, 12, 16, 20, 30] as const;
const USUAL_ROOM = 10;
const MOST_RODS = 12;
const USUAL_RODS = 5;
/** Days that one packing may be for. */
const MOST_DAYS = 7;
const MOST_LACKING = 5;

const named = (counts: readonly number[]) => counts.map((count) => ({ id: String(count), name: String(count) }));
const upTo = (most: number): number[] => Array.from({ length: most }, (_, at) => at + 1);

/** What to take for the mornings that may come: rods on deck, lures aboard, and what the box lacks. */
@Component({
  selector: 'inky-packing',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FoldComponent, LackingAheadComponent, LackingComponent, RouterLink, SelectComponent],
  templateUrl: './packing.component.html',
  styleUrl: './packing.component.css',
})
export class PackingComponent {
  private readonly service = inject(MorningsService);
  private readonly rig = inject(RigService);
  private readonly room = new Store('lures-aboard', z.number().int().min(1).max(60), USUAL_ROOM);

  protected readonly most = signal(this.room.read());
  protected readonly rods = toSignal(this.rig.maxRods$, { initialValue: USUAL_RODS });
  protected readonly days = signal(1);
  protected readonly packing = toSignal(
    this.service.packing(
      combineLatest([toObservable(this.most), this.rig.maxRods$, toObservable(this.days)]).pipe(
        map(([lures, rods, days]) => ({ lures, rods, days })),
      ),
    ),
    { initialValue: null },
  );
  protected readonly packed = computed(() => {
    const packing = this.packing();
    return packing === 'failed' ? null : packing;
  });
  protected readonly lacking = computed(() => (this.packed()?.lacks ?? []).slice(0, MOST_LACKING));
  protected readonly rooms = named(ROOM);
  protected readonly rodCounts = named(upTo(MOST_RODS));
  protected readonly dayCounts = named(upTo(MOST_DAYS));
  protected readonly aheadOpen = signal(false);
  protected readonly capital = capital;

  protected setMost(most: string): void {
    this.room.write(Number(most));
    this.most.set(Number(most));
  }

  protected setRods(count: string): void {
    this.rig.setRods(Number(count));
  }

  protected setDays(count: string): void {
    this.days.set(Number(count));
  }
}
