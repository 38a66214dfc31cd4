import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  linkedSignal,
  signal,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { capital, nameOf, type Presentation } from '@inky-shoal/core';
import { cycleOf, middlePauseS, motionOf } from '@inky-shoal/core/drill';
import { ButtonDirective } from 'primeng/button';
import { filter, map } from 'rxjs';
import { valueOr } from '../base/loaded';
import { SettingsService } from '../base/settings.service';
import { TackleService } from '../rig/tackle.service';
import { DayService } from '../sheet/day.service';
import { TripService } from '../underway/trip.service';
import { FigureComponent } from '../ui/figure.component';
import { SelectComponent } from '../ui/select.component';
import { CadencePictureComponent } from './cadence-picture.component';
import { CadencePlayer } from './cadence-player.service';
import { CadenceSound } from './cadence-sound';
import { FeelComponent } from './feel.component';
import { handleTurnsPerS, turnWords } from './turn-words';

const PAUSE_S = [0, 60] as const;
/** Of a jerkbait in cold water. */
const USUAL_PAUSE_S = 8;
const STROKES = [1, 12] as const;

const within = (value: unknown, [least, most]: readonly [number, number]): boolean =>
  typeof value === 'number' && value >= least && value <= most;

/** The cadence trainer: it sounds the strokes and the wait, shows what rod and lure do, and lets one feel the wait. */
@Component({
  selector: 'inky-cadence',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, CadencePictureComponent, FeelComponent, FigureComponent, RouterLink, SelectComponent],
  providers: [CadencePlayer, CadenceSound],
  templateUrl: './cadence.view.html',
  styleUrl: './cadence.view.css',
})
export class CadenceView {
  protected readonly sound = inject(CadenceSound);

  /** Of the address: the lure whose cadence it is. */
  readonly lure = input<string>();

  protected readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });
  private readonly planned = toSignal(inject(DayService).planned$, { initialValue: null });
  private readonly owned = toSignal(
    inject(TackleService).tackle$.pipe(
      filter(({ state }) => state !== 'loading'),
      map((loaded) => valueOr(loaded, [])),
    ),
    { initialValue: [] },
  );

  private readonly trip = toSignal(inject(TripService).trip$, { initialValue: null });
  /** Every lure that the trip underway and the day on the sheet name, once. */
  private readonly named = computed(() => {
    const plans = [this.trip()?.plan?.plan, this.planned()?.day.plan];
    const all = plans.flatMap((plan) => plan?.windows ?? []).flatMap(({ presentations }) => presentations);
    return all.filter((each, at) => all.findIndex(({ category }) => category === each.category) === at);
  });
  protected readonly lures = computed(() =>
    this.named().map(({ category }) => ({ id: category, name: capital(nameOf(category)) })),
  );
  protected readonly chosen = linkedSignal(() => this.lure() ?? '');
  protected readonly presentation = computed(
    (): Presentation | null =>
      this.named().find(({ category }) => category === this.chosen()) ?? this.named()[0] ?? null,
  );
  protected readonly chosenName = computed(() => capital(nameOf(this.presentation()?.category ?? '')));
  protected readonly reels = computed(() =>
    this.owned().flatMap((item) => (item.kind === 'reel' ? [{ id: item.id, name: item.name, reel: item }] : [])),
  );
  protected readonly reelId = signal('');
  /** What is set by hand for the chosen lure; what its retrieve says where nothing is. */
  private readonly byHand = signal<{ readonly pauseS?: unknown; readonly strokes?: unknown }>({});
  protected readonly pauseTyped = computed((): unknown => {
    const [byHand, presentation] = [this.byHand(), this.presentation()];
    if ('pauseS' in byHand) return byHand.pauseS;
    return presentation ? Number(middlePauseS(presentation.retrieve).toFixed(1)) : USUAL_PAUSE_S;
  });
  protected readonly strokesTyped = computed((): unknown => this.byHand().strokes);
  protected readonly pauseProblem = computed(() =>
    within(this.pauseTyped(), PAUSE_S) ? null : `Expected ${PAUSE_S[0]} to ${PAUSE_S[1]} s.`,
  );
  protected readonly strokesProblem = computed(() =>
    this.strokesTyped() === undefined || within(this.strokesTyped(), STROKES)
      ? null
      : `Expected ${STROKES[0]} to ${STROKES[1]}.`,
  );

  protected readonly turns = computed(() => {
    const [presentation, reel] = [this.presentation(), this.reels().find(({ id }) => id === this.reelId())?.reel];
    return presentation && reel ? handleTurnsPerS(presentation.retrieve, reel) : null;
  });
  protected readonly turnWords = computed(() => turnWords(this.turns()));
  private readonly wish = computed(() => ({
    pauseS: this.pauseProblem() ? undefined : (this.pauseTyped() as number),
    strokes: this.strokesProblem() ? undefined : (this.strokesTyped() as number | undefined),
    turnsPerS: this.turns() ?? undefined,
  }));
  protected readonly cycle = computed(() => {
    const retrieve = this.presentation()?.retrieve ?? ({ style: 'twitch-pause', pauseS: [8, 8] } as const);
    return cycleOf({ style: retrieve.style, pauseS: retrieve.pauseS ? [...retrieve.pauseS] : null }, this.wish());
  });
  protected readonly motion = computed(() => {
    const presentation = this.presentation();
    return presentation
      ? motionOf(presentation)
      : { depthM: 1.5, verticalMps: 0, strokeM: 0.12, deepestM: Infinity, onBottom: false };
  });

  constructor() {
    // What sounds follows what is set.
    effect(() => {
      const cycle = this.cycle();
      if (this.sound.sounds()) void this.sound.play(cycle);
    });
  }

  protected choose(lure: string): void {
    this.chosen.set(lure);
    this.byHand.set({});
  }

  protected setPause(pauseS: unknown): void {
    this.byHand.set({ ...this.byHand(), pauseS });
  }

  protected setStrokes(strokes: unknown): void {
    this.byHand.set({ ...this.byHand(), strokes });
  }

  /** A browser that held the sound may be asked for it again. */
  protected goOn(): void {
    void this.sound.play(this.cycle());
  }
}
