import { inject, Injectable } from '@angular/core';
import type { ToldCard } from '@inky-shoal/core/mornings';
import type { Trip } from '@inky-shoal/core/underway';
import * as z from 'zod';
import { BookService } from '../base/book.service';
import { Store } from '../base/store';

/** Of which day of which water it is, and the card. */
const Kept = z.object({
  of: z.string(),
  card: z.custom<ToldCard>((card) => typeof card === 'object' && card !== null),
});

/** The ramp card that was worked out last, kept in this browser: at the ramp there is no signal. */
@Injectable({ providedIn: 'root' })
export class KeptCard {
  private readonly books = inject(BookService);
  private readonly store = new Store('ramp-card', Kept.nullable(), null);

  /** Trips open on the card. */
  private readonly keptAsks = new Store('ask-at-ramp', z.boolean(), true);
  get asks(): boolean {
    return this.keptAsks.read();
  }
  set asks(asks: boolean) {
    this.keptAsks.write(asks);
  }

  keep(waterId: string | null | undefined, date: string, card: ToldCard): void {
    this.store.write({ of: this.keyOf(waterId, date), card });
  }

  /** It was looked at and left. */
  forget(): void {
    this.store.write(null);
  }

  /** The card of a day; null where none was worked out here, or another since. */
  of(waterId: string | null | undefined, date: string): ToldCard | null {
    const kept = this.store.read();
    return kept?.of === this.keyOf(waterId, date) ? kept.card : null;
  }

  /**
   * The card to open a trip on: until something is noted, or another plan taken than the one that it began with.
   * @returns null where none was worked out here, it asks nothing, or trips do not open on cards
   */
  askedOn({ begin, plan, notes, fishing }: Trip): ToldCard | null {
    if (!plan || plan !== begin.plan || notes.length || fishing || !this.asks) return null;
    const card = this.of(begin.waterId, plan.conditions.date);
    return card?.root.kind === 'question' ? card : null;
  }

  private keyOf(waterId: string | null | undefined, date: string): string {
    return `${this.books.book} ${waterId ?? ''} ${date}`;
  }
}
