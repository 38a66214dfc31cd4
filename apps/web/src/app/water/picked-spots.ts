import { inject, Injectable, linkedSignal } from '@angular/core';
import type { PlacedSpot } from '@inky-shoal/core/spots';
import { NoticeService } from '../base/notice.service';
import { ChartLayers } from './chart-layers';
import { MAX_PICKED } from './run.service';

/** So many of the best are picked at once. */
const BEST = 6;

/** Spots picked for the run, in the order of picking. */
@Injectable()
export class PickedSpots {
  private readonly layers = inject(ChartLayers);
  private readonly notices = inject(NoticeService);

  private readonly picked = linkedSignal<string | undefined, readonly PlacedSpot[]>({
    source: this.layers.waterId,
    computation: () => [],
  });
  readonly list = this.picked.asReadonly();

  has({ cell }: PlacedSpot): boolean {
    return this.picked().some((each) => each.cell === cell);
  }

  /** Picks a spot, or lets it go where it was picked. */
  toggle(spot: PlacedSpot): void {
    if (this.has(spot)) this.remove(spot);
    else if (this.picked().length < MAX_PICKED) this.picked.set([...this.picked(), spot]);
    else this.notices.say(`A run is chosen from at most ${MAX_PICKED} spots: take one off first.`);
  }

  pickBest(): void {
    this.picked.set(this.layers.spots().slice(0, BEST));
  }

  remove(spot: PlacedSpot): void {
    this.picked.set(this.picked().filter(({ cell }) => cell !== spot.cell));
  }
}
