import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { Router } from '@angular/router';
import type { Water } from '@inky-shoal/core';
import { takenAtOf, tripsOfPhotos } from '@inky-shoal/core/underway';
import { parse } from 'exifr';
import { ButtonDirective } from 'primeng/button';
import { NoticeService } from '../base/notice.service';
import { countWords } from '../record/record-words';
import { PhotoProblem, smallPhoto } from '../rig/boxes/photo';
import { sayDate } from '../ui/dates';
import { OpenFileComponent } from '../ui/open-file.component';
import { PastTripsService, zoneHere } from '../underway/past/past-trips.service';
import { TripService } from '../underway/trip.service';

/** Photographs that are read at once. */
const MAX_PHOTOS = 60;

/** A photograph that was read, with what its camera wrote into it. */
interface ReadPhoto {
  readonly photo: Blob;
  readonly takenAt: string;
  readonly lonLat: readonly [number, number] | null;
}

/** @throws PhotoProblem in words, with the file's name */
async function readPhoto(file: File): Promise<ReadPhoto> {
  const photo = await smallPhoto(file);
  const written = (await parse(file, { reviveValues: false }).catch(() => undefined)) as
    { DateTimeOriginal?: unknown; latitude?: number; longitude?: number } | undefined;
  const takenAt = takenAtOf(written?.DateTimeOriginal);
  if (!takenAt) throw new PhotoProblem(`${file.name} does not say when it was taken: add it to a fish of its trip.`);
  const { latitude, longitude } = written ?? {};
  const isPlace = latitude !== undefined && longitude !== undefined && Number.isFinite(latitude + longitude);
  return { photo, takenAt, lonLat: isPlace ? [longitude, latitude] : null };
}

/** Trips of the past from photographs of fish: each says when it was taken, most say where. */
@Component({
  selector: 'inky-trips-by-photos',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, OpenFileComponent],
  template: `
    <p class="quiet">
      A trip a day, a fish a photograph, on the water chosen above. What was fished can be added afterwards.
    </p>
    <inky-open-file
      many
      accept="image/*"
      label="Open photographs"
      [disabled]="reading() !== null || busy()"
      (openedAll)="read($event)"
    />
    @if (reading(); as words) {
      <p role="status">{{ words }}</p>
    }
    @if (problems().length) {
      <div role="alert">
        @for (problem of problems(); track $index) {
          <p class="problem">{{ problem }}</p>
        }
      </div>
    }
    @if (told(); as told) {
      <ul>
        @for (trip of told; track trip.date) {
          <li>{{ trip.words }}</li>
        }
      </ul>
      <p><button pButton type="button" [disabled]="busy()" (click)="add()">Into the log</button></p>
    }
  `,
  styles: `
    ul {
      padding-left: 1.25rem;
    }
  `,
})
export class TripsByPhotosComponent {
  private readonly past = inject(PastTripsService);
  private readonly trips = inject(TripService);
  private readonly notices = inject(NoticeService);
  private readonly router = inject(Router);

  readonly water = input.required<Water | null>();
  protected readonly reading = signal<string | null>(null);
  protected readonly problems = signal<readonly string[]>([]);
  protected readonly busy = signal(false);
  private readonly photos = signal<readonly ReadPhoto[]>([]);
  protected readonly told = computed(() => {
    const photos = this.photos();
    if (!photos.length) return null;
    return this.tripsWith(photos.map((photo, at) => ({ ...photo, photoId: String(at) }))).map(({ date, fish }) => ({
      date,
      words: `${sayDate(date)}: ${fish} fish`,
    }));
  });

  private tripsWith(photos: Parameters<typeof tripsOfPhotos>[0]) {
    const water = this.water();
    return tripsOfPhotos(photos, water, water?.place.timeZone ?? zoneHere());
  }

  protected async read(files: readonly File[]): Promise<void> {
    const read: ReadPhoto[] = [];
    const problems: string[] = [];
    if (files.length > MAX_PHOTOS) {
      problems.push(`${files.length} photographs are too many at once: the first ${MAX_PHOTOS} are read.`);
    }
    const taken = files.slice(0, MAX_PHOTOS);
    for (const [at, file] of taken.entries()) {
      this.reading.set(`Reading ${at + 1} of ${countWords(taken.length, 'photograph')}.`);
      try {
        read.push(await readPhoto(file));
      } catch (error) {
        problems.push(error instanceof PhotoProblem ? error.message : `${file.name} could not be read.`);
      }
    }
    this.reading.set(null);
    this.problems.set(problems);
    this.photos.set(read);
  }

  protected async add(): Promise<void> {
    const water = this.water();
    this.busy.set(true);
    try {
      const kept: Parameters<typeof tripsOfPhotos>[0][number][] = [];
      for (const { photo, takenAt, lonLat } of this.photos()) {
        kept.push({ photoId: await this.trips.addPhoto(photo), takenAt, lonLat });
      }
      const trips = this.tripsWith(kept);
      const ids = await this.past.add(trips, water ? [water] : []);
      this.photos.set([]);
      this.notices.say(
        `${countWords(ids.length, 'trip')} with ${countWords(kept.length, 'photograph')} stand in the log.`,
        () => void this.past.remove(ids),
      );
      await this.router.navigateByUrl('/log');
    } catch (error) {
      this.problems.set([(error as Error).message]);
    } finally {
      this.busy.set(false);
    }
  }
}
