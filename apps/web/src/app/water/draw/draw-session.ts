import { computed, inject, Injectable, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { crossingIn, FeatureShape, MAX_LINE_UPS, type ChartFeature } from '@inky-shoal/core/chart';
import { v7 as uuid } from 'uuid';
import { DrawnService } from '../drawn.service';
import { NoticeService } from '../../base/notice.service';
import { PositionService } from '../../base/position.service';
import { choiceOf, idOf, sayFeature, type DrawChoice } from './what-to-draw';

/** What the pen draws now: a new feature, or where a mark's line-up looks. */
export interface Pen {
  readonly as: FeatureShape['type'];
  readonly choice?: DrawChoice;
  readonly lineUpOf?: string;
}

/** What is wrong with a shape, in a sentence; null where it can be kept. */
function wrongWith(shape: FeatureShape): string | null {
  const parsed = FeatureShape.safeParse(shape);
  if (!parsed.success) {
    return shape.type === 'Polygon' ? 'An area wants three corners or more.' : 'A line wants two points or more.';
  }
  if (shape.type !== 'Polygon') return null;
  const crossing = shape.coordinates.map((ring) => crossingIn(ring)).find((found) => found !== null);
  return crossing
    ? `This area crosses itself after its points ${crossing[0]} and ${crossing[1]}, and was not taken.`
    : null;
}

/** The pen over the chart: what is to be drawn, what was chosen, and what is done with it. */
@Injectable()
export class DrawSession {
  private readonly drawn = inject(DrawnService);
  private readonly notices = inject(NoticeService);
  private readonly positions = inject(PositionService);

  readonly features = toSignal(this.drawn.features$, { requireSync: true });
  readonly canUndo = toSignal(this.drawn.canUndo$, { requireSync: true });
  readonly canRedo = toSignal(this.drawn.canRedo$, { requireSync: true });
  /** The drawing tools are out. */
  readonly open = signal(false);
  readonly what = signal('mark');
  readonly pen = signal<Pen | null>(null);
  private readonly chosenId = signal<string | null>(null);
  readonly chosen = computed(() => this.features().find(({ id }) => id === this.chosenId()) ?? null);
  readonly locating = signal(false);

  toggle(): void {
    this.open.set(!this.open());
    this.stop();
    this.chosenId.set(null);
  }

  /** Takes the pen for what is chosen to be drawn. */
  start(): void {
    const choice = choiceOf(this.what());
    if (!choice) return;
    this.chosenId.set(null);
    this.pen.set({ as: choice.as, choice });
  }

  startLineUp({ id }: ChartFeature): void {
    this.pen.set({ as: 'Point', lineUpOf: id });
  }

  stop(): void {
    this.pen.set(null);
  }

  choose(id: string | null): void {
    this.pen.set(null);
    this.chosenId.set(id);
  }

  /** A shape was drawn with the pen. */
  take(shape: FeatureShape): void {
    const pen = this.pen();
    this.pen.set(null);
    const wrong = wrongWith(shape);
    if (wrong) return this.notices.say(wrong);
    if (pen?.lineUpOf && shape.type === 'Point') return this.lineUp(pen.lineUpOf, shape.coordinates);
    if (pen?.choice) this.add({ id: uuid(), shape, ...pen.choice.what });
  }

  reshape(feature: ChartFeature, shape: FeatureShape): void {
    const wrong = wrongWith(shape);
    if (!wrong) {
      this.drawn.put([{ ...feature, shape }]);
      return;
    }
    this.notices.say(wrong.replace('was not taken', 'is as it was'));
    this.drawn.show();
  }

  change(feature: ChartFeature, change: Partial<ChartFeature>): void {
    this.drawn.put([{ ...feature, ...change }]);
  }

  changeWhat(feature: ChartFeature, id: string): void {
    const what = choiceOf(id)?.what;
    const { cover: _c, bottom: _b, structure: _s, ...rest } = feature;
    if (what && id !== idOf(feature)) this.drawn.put([{ ...rest, ...what }]);
  }

  remove(feature: ChartFeature): void {
    this.chosenId.set(null);
    this.notices.say(`${sayFeature(feature)} removed.`, this.drawn.remove([feature]));
  }

  undo(): void {
    this.drawn.undo();
  }

  redo(): void {
    this.drawn.redo();
  }

  /** Marks where one is now. @param covers whether the chart covers a place */
  markHere(covers: (lonLat: readonly [number, number]) => boolean): void {
    this.locating.set(true);
    this.positions.here().subscribe({
      next: ({ lonLat: [longitude, latitude], withinM }) => {
        this.locating.set(false);
        if (!covers([longitude, latitude])) {
          this.notices.say('You are not on this chart, so no mark was put.');
          return;
        }
        const note = `Known within ${Math.max(1, Math.round(withinM))} m`;
        this.add({ id: uuid(), kind: 'mark', shape: { type: 'Point', coordinates: [longitude, latitude] }, note });
      },
      error: (error: Error) => {
        this.locating.set(false);
        this.notices.say(error.message);
      },
    });
  }

  private add(feature: ChartFeature): void {
    this.drawn.put([feature]);
    this.chosenId.set(feature.id);
  }

  private lineUp(markId: string, toward: [number, number]): void {
    const mark = this.features().find(({ id }) => id === markId);
    if (!mark) return;
    const lineUps = mark.lineUps ?? [];
    if (lineUps.length >= MAX_LINE_UPS) return;
    this.drawn.put([{ ...mark, lineUps: [...lineUps, { toward, text: `Line-up ${lineUps.length + 1}` }] }]);
  }
}
