import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { ButtonDirective } from 'primeng/button';
import { NoticeService } from '../base/notice.service';
import { OutsideService } from './outside.service';
import type { WaterSeason } from './season.service';
import { sayWeather } from './season-words';
import { WeatherDaysService } from './weather-days.service';
import { WeatherImportComponent } from './weather-import.component';

/** Where the weather of a season is from, or why there is none. */
const weatherWords = ({ outside, clock, water }: WaterSeason): string =>
  sayWeather(outside.weather, clock.now, water.place.timeZone);

/** Why a season has no weather; nothing where it has. */
export const weatherProblem = (season: WaterSeason | null): string =>
  season?.outside.weather.failure ? weatherWords(season) : '';

/** Where the weather of a season comes from: asked for again, brought in from a file, let go of. */
@Component({
  selector: 'inky-weather-source',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, WeatherImportComponent],
  template: `
    <div class="weather">
      @if (!failed()) {
        <p role="status">{{ words() }}</p>
      }
      <p class="acts no-print">
        @if (season().outside.weather.source || failed()) {
          <button pButton text type="button" [disabled]="asking()" (click)="ask()">
            {{ asking() ? 'Asking' : 'Ask again' }}
          </button>
        }
        <button pButton text type="button" [attr.aria-expanded]="bringing()" (click)="bringing.set(!bringing())">
          Weather from a file
        </button>
        @if (season().outside.weatherDays.length) {
          <button pButton text type="button" (click)="remove()">Remove the weather</button>
        }
      </p>
      @if (bringing()) {
        <inky-weather-import [water]="season().water" [now]="season().clock.now" (done)="bringing.set(false)" />
      }
    </div>
  `,
  styleUrl: './weather-source.component.css',
})
export class WeatherSourceComponent {
  private readonly outside = inject(OutsideService);
  private readonly days = inject(WeatherDaysService);
  private readonly notices = inject(NoticeService);

  readonly season = input.required<WaterSeason>();

  protected readonly words = computed(() => weatherWords(this.season()));
  protected readonly failed = computed(() => !!this.season().outside.weather.failure);
  protected readonly asking = signal(false);
  /** Weather is being brought in from a file. */
  protected readonly bringing = signal(false);

  protected ask(): void {
    this.asking.set(true);
    this.outside.ask(this.season().water.id).subscribe({ complete: () => this.asking.set(false) });
  }

  /** Lets go of all weather that is kept of the water. */
  protected remove(): void {
    const {
      water: { id, name },
      outside: { weather, weatherDays },
    } = this.season();
    const dates = weatherDays.map(({ date }) => date);
    this.days.remove(id, dates).subscribe({
      next: () =>
        this.notices.say(`The weather of ${name} is removed: ${weatherDays.length} days.`, () =>
          this.days.take(id, weather.source ?? 'a file', weatherDays).subscribe(),
        ),
      error: (error: Error) => this.notices.say(`Not removed. ${error.message}`),
    });
  }
}
