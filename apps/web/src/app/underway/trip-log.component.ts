import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { nameOf, say, type UnitSystem } from '@inky-shoal/core';
import { fishingWords, noteTideWords, type Trip, type TripEvent } from '@inky-shoal/core/underway';
import { ButtonDirective } from 'primeng/button';
import { LEVEL_WORDS } from '../sheet/words';
import { TripPhotoComponent } from './trip-photo.component';
import { TripService } from './trip.service';
import { eventWords, sayTime } from './underway-words';

const SHOWN = 40;

/** The notes of a trip, the latest first; each can be taken back. */
@Component({
  selector: 'inky-trip-log',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, TripPhotoComponent],
  templateUrl: './trip-log.component.html',
  styleUrl: './trip-log.component.css',
})
export class TripLogComponent {
  private readonly trips = inject(TripService);

  readonly trip = input.required<Trip>();
  readonly units = input.required<UnitSystem>();
  readonly done = input(false);
  /** More can be said of a fish here. */
  readonly sizes = input(false);
  /** More is to be said of a fish: the id of its note. */
  readonly fishWanted = output<string>();

  /** The older notes are wanted, too. */
  protected readonly all = signal(false);
  protected readonly older = computed(() => (this.all() ? 0 : Math.max(0, this.trip().notes.length - SHOWN)));
  protected readonly lines = computed(() => {
    const { notes, begin } = this.trip();
    return notes
      .slice(this.older())
      .reverse()
      .map(({ event, atMs }) => ({
        id: event.id,
        time: sayTime(atMs, begin.place?.timeZone),
        words: eventWords(event, this.units()),
        landed: event.kind === 'contact' && event.what === 'landed',
        more: this.more(event),
        photoId: event.kind === 'contact' ? event.fish?.photoId : undefined,
      }));
  });

  protected takeBack(id: string): void {
    void this.trips.takeBack(id);
  }

  private more(event: TripEvent): string {
    const units = this.units();
    const parts: string[] = [];
    if (event.kind === 'contact') {
      const { lengthMm, weightG, tag } = event.fish ?? {};
      if (lengthMm) parts.push(say('fishLength', lengthMm, units));
      if (weightG) parts.push(say('fishWeight', weightG, units));
      if (tag) parts.push(`tag ${tag}`);
      if (event.atBoat) parts.push('at the boat');
    }
    if (event.kind === 'reading') {
      const { surfaceTempC, visibilityM, sky, level, windMps } = event.reading;
      if (surfaceTempC !== undefined) parts.push(say('temp', surfaceTempC, units));
      if (visibilityM !== undefined) parts.push(`sees ${say('depth', visibilityM, units)}`);
      if (sky) parts.push(nameOf(sky));
      if (level) parts.push(`level ${LEVEL_WORDS[level]}`);
      if (windMps !== undefined) parts.push(`wind ${say('wind', windMps, units)}`);
    }
    if ('fishing' in event && event.fishing && event.kind !== 'fishing') {
      parts.push([fishingWords(event.fishing, units), event.fishing.spot].filter(Boolean).join(', '));
    }
    if (event.tide) parts.push(noteTideWords(event.tide));
    const { surfaceTempC, depthM } = event.sensed ?? {};
    if (depthM !== undefined) parts.push(`${say('depth', depthM, units)} under the boat`);
    if (surfaceTempC !== undefined) parts.push(`water ${say('temp', surfaceTempC, units)}`);
    return parts.join(', ');
  }
}
