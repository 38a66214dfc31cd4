import { ChangeDetectionStrategy, Component, computed, inject, input, signal, type OnInit } from '@angular/core';
import { FormControl, FormGroup } from '@angular/forms';
import { readPosition, sayPosition, type Position } from '@inky-shoal/core/units/position';
import { ButtonDirective } from 'primeng/button';
import { from, map, of, startWith, switchMap } from 'rxjs';
import { PositionService } from '../base/position.service';
import { FieldComponent } from '../ui/field.component';
import { doubtOf, type PlaceDoubt } from './place-doubt';
import { PlaceMapComponent } from './place-map.component';

/** The controls of a place: where, as text, and its time zone. */
export const placeControls = (position: Position | null, timeZone: string) =>
  new FormGroup({
    where: new FormControl(position ? sayPosition(position) : '', { nonNullable: true }),
    timeZone: new FormControl(timeZone, { nonNullable: true }),
  });

const DEVICE_ZONE = Intl.DateTimeFormat().resolvedOptions().timeZone;

/** Zones and their places; fetched once a place is typed. */
const zoneTable = () => import('@photostructure/tz-lookup').then(({ default: zoneAt }) => zoneAt);

/** Where a water lies: typed or pasted, from the browser's position, or pressed on a map. Its time zone follows. */
@Component({
  selector: 'inky-place-fields',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, FieldComponent, PlaceMapComponent],
  templateUrl: './place-fields.component.html',
  styleUrl: './place-fields.component.css',
})
export class PlaceFieldsComponent implements OnInit {
  private readonly positions = inject(PositionService);

  readonly group = input.required<ReturnType<typeof placeControls>>();
  readonly whereProblem = input<string | null | undefined>(null);
  readonly zoneProblem = input<string | null | undefined>(null);
  /** The zone stands to be changed even where it is in no doubt. */
  readonly zoneShown = input(true);

  protected readonly mapOpen = signal(false);
  /** What the browser's position says of itself: that it is looked for, or why there is none. */
  protected readonly hereSays = signal<string | null>(null);
  private readonly read = signal<Position | null>(null);
  private readonly found = signal<{ readonly there: string; readonly mirrored: string } | null>(null);
  private readonly zone = signal({ timeZone: DEVICE_ZONE, typed: false });
  /** A doubt that was answered: it is not asked again of the same place and zone. */
  private readonly settled = signal('');

  protected readonly position = this.read.asReadonly();
  protected readonly says = computed(() => {
    const position = this.read();
    return position && sayPosition(position);
  });
  readonly doubt = computed((): PlaceDoubt | null => {
    const [position, found] = [this.read(), this.found()];
    if (!position || !found || this.settled() === this.key()) return null;
    return doubtOf(position, found.there, found.mirrored, this.zone());
  });

  ngOnInit(): void {
    const { where, timeZone } = this.group().controls;
    const before = readPosition(where.value);
    // A place that is changed has a zone that was once agreed to.
    if (before.ok) {
      this.read.set(before.position);
      this.zone.set({ timeZone: timeZone.value, typed: true });
      this.settled.set(this.key());
    }
    // The zone of the place itself is nobody's word: it follows the place on.
    timeZone.valueChanges.subscribe((now) => this.zone.set({ timeZone: now, typed: now !== this.found()?.there }));
    where.valueChanges
      .pipe(
        startWith(where.value),
        map((text) => readPosition(text)),
        switchMap((now) => {
          this.read.set(now.ok ? now.position : null);
          return now.ok ? from(zonesOf(now.position)) : of(null);
        }),
      )
      .subscribe((found) => {
        this.found.set(found);
        if (!found || this.zone().typed) return;
        timeZone.setValue(found.there);
      });
  }

  private key(): string {
    return `${this.says()} ${this.zone().timeZone}`;
  }

  protected take(position: Position): void {
    this.group().controls.where.setValue(sayPosition(position));
  }

  protected takeZone(timeZone: string): void {
    this.group().controls.timeZone.setValue(timeZone);
  }

  protected settle(): void {
    this.settled.set(this.key());
  }

  protected here(): void {
    this.hereSays.set('Looking for where you are.');
    this.positions.here().subscribe({
      next: ({ lonLat: [longitude, latitude] }) => {
        this.hereSays.set(null);
        this.take({ latitude, longitude });
      },
      error: (error: Error) => this.hereSays.set(error.message),
    });
  }
}

async function zonesOf({ latitude, longitude }: Position): Promise<{ there: string; mirrored: string }> {
  const zoneAt = await zoneTable();
  return { there: zoneAt(latitude, longitude), mirrored: zoneAt(latitude, -longitude) };
}
