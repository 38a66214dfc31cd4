import { CdkDrag, type CdkDragDrop, CdkDropList, CdkDropListGroup } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { NonNullableFormBuilder, ReactiveFormsModule } from '@angular/forms';
import type { TackleItem } from '@inky-shoal/core/tackle';
import { ButtonDirective } from 'primeng/button';
import { NoticeService } from '../../base/notice.service';
import { TackleService } from '../tackle.service';
import { SelectComponent } from '../../ui/select.component';
import { FieldComponent } from '../../ui/field.component';

/** What lies in no box yet. */
const LOOSE = '';

const bySlot = (a: TackleItem, b: TackleItem): number =>
  (a.slot ?? '').localeCompare(b.slot ?? '', 'en', { numeric: true }) || a.name.localeCompare(b.name);

/** Pieces in a new order, with those slots that the box had: a slot stays where it is, pieces move through them. */
export function inSlots(pieces: readonly TackleItem[], slots: readonly (string | undefined)[]): TackleItem[] {
  return pieces.map((piece, at) => ({ ...piece, slot: slots[at] }));
}

/** Two boxes side by side: pieces are dragged, or moved by their buttons, within one and from one to the other. */
@Component({
  selector: 'inky-arrange',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    ButtonDirective,
    CdkDrag,
    CdkDropList,
    CdkDropListGroup,
    FieldComponent,
    ReactiveFormsModule,
    SelectComponent,
  ],
  templateUrl: './arrange.component.html',
  styleUrl: './arrange.component.css',
})
export class ArrangeComponent {
  private readonly service = inject(TackleService);
  private readonly notices = inject(NoticeService);

  readonly owned = input.required<readonly TackleItem[]>();
  readonly done = output();

  private readonly chosen = signal<readonly [string | null, string | null]>([null, null]);
  private readonly made = signal<readonly string[]>([]);
  protected readonly form = inject(NonNullableFormBuilder).group({ name: '' });
  protected readonly names = computed(() => {
    const names = new Set([...this.owned().flatMap(({ box }) => box ?? []), ...this.made()]);
    return [...names].sort((a, b) => a.localeCompare(b, 'en', { numeric: true }));
  });
  protected readonly boxChoices = computed(() => this.names().map((name) => ({ id: name, name })));
  protected readonly sides = computed(() => {
    const [left, right] = this.chosen();
    const names = this.names();
    return [left ?? names[0] ?? LOOSE, right ?? names[1] ?? LOOSE].map((box) => ({
      box,
      pieces: this.owned()
        .filter((item) => (item.box ?? LOOSE) === box)
        .sort(bySlot),
    }));
  });

  protected choose(side: number, box: string): void {
    const [left, right] = this.chosen();
    this.chosen.set(side === 0 ? [box, right] : [left, box]);
  }

  protected make(): void {
    const name = this.form.getRawValue().name.trim().slice(0, 40);
    if (!name) return;
    this.made.set([...this.made(), name]);
    this.form.reset();
    this.choose(1, name);
  }

  protected drop({ previousContainer, container, previousIndex, currentIndex, item }: CdkDragDrop<number>): void {
    const piece = item.data as TackleItem;
    if (previousContainer === container) this.moveWithin(container.data, previousIndex, currentIndex);
    else this.moveOver(piece, container.data);
  }

  /** Moves a piece within its box; the pieces between move up or down one slot. */
  protected moveWithin(side: number, from: number, to: number): void {
    const pieces = [...(this.sides()[side]?.pieces ?? [])];
    const [piece] = pieces.splice(from, 1);
    if (!piece || to < 0 || to > pieces.length || from === to) return;
    const slots = (this.sides()[side]?.pieces ?? []).map(({ slot }, at) => slot ?? String(at + 1));
    pieces.splice(to, 0, piece);
    this.keep(inSlots(pieces, slots), `${piece.name} is moved.`);
  }

  /** Moves a piece into the box of a side. */
  protected moveOver(piece: TackleItem, side: number): void {
    const box = this.sides()[side]?.box;
    if (box === undefined || (piece.box ?? LOOSE) === box) return;
    this.keep([{ ...piece, box: box || undefined, slot: undefined }], `${piece.name} is in ${box || 'no box'}.`);
  }

  private keep(moved: readonly TackleItem[], told: string): void {
    const before = moved.flatMap(({ id }) => this.owned().find((item) => item.id === id) ?? []);
    const changed = moved.filter((item) => {
      const was = before.find(({ id }) => id === item.id);
      return was?.box !== item.box || was?.slot !== item.slot;
    });
    this.service.putAll(changed).subscribe({
      next: () => this.notices.say(told, () => this.service.putAll(before).subscribe()),
      error: (error: Error) => this.notices.say(`Not moved. ${error.message}`),
    });
  }
}
