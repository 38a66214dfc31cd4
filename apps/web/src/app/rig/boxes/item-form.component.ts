import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  output,
  signal,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { CATEGORIES, nameOf, parse, type CategoryId } from '@inky-shoal/core';
import { likenessKey, TACKLE_KINDS, TackleDraft, type TackleItem, type TackleKind } from '@inky-shoal/core/tackle';
import { v7 as uuid } from 'uuid';
import { ButtonDirective } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { capital } from '../../sheet/words';
import { SettingsService } from '../../base/settings.service';
import { TackleService } from '../tackle.service';
import { FieldsComponent, type FieldChange, type Values } from '../../ui/fields.component';
import { sayWhere } from '../rig-words';
import { SelectComponent } from '../../ui/select.component';
import { OpenFileComponent } from '../../ui/open-file.component';
import { FieldComponent } from '../../ui/field.component';
import { itemFields, TREBLE_SIZES } from './item-fields';
import { ItemKeeping } from './item-keeping';
import { problemsByField, treblesIn, valuesOfCategory, valuesOfKind, withOneMore, withTrebleSize } from './item-values';

/** One piece of tackle, new or owned: quick to enter, since its usual attributes stand there to be changed. */
@Component({
  selector: 'inky-item-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, FieldComponent, FieldsComponent, InputText, OpenFileComponent, SelectComponent],
  providers: [ItemKeeping],
  templateUrl: './item-form.component.html',
  styleUrl: './item-form.component.css',
})
export class ItemFormComponent {
  private readonly tackle = inject(TackleService);
  private readonly keeping = inject(ItemKeeping);
  protected readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });

  /** The piece to change; null for a new one. */
  readonly item = input.required<TackleItem | null>();
  readonly owned = input.required<readonly TackleItem[]>();
  /** Kept, or given up. */
  readonly done = output();

  protected readonly values = linkedSignal<Values>(() => this.item() ?? valuesOfKind('lure'));
  protected readonly problems = signal<Readonly<Record<string, string>>>({});
  protected readonly problem = this.keeping.problem;
  protected readonly busy = this.keeping.busy;
  /** An owned piece that is the same, told before it is entered again. */
  protected readonly same = signal<TackleItem | null>(null);
  protected readonly kind = computed(() => this.values()['kind'] as TackleKind);
  protected readonly specs = computed(() => itemFields(this.values(), this.owned()));
  protected readonly trebles = computed(() => treblesIn(this.values()));
  protected readonly photo = computed(() => {
    const id = this.values()['photoId'];
    return typeof id === 'string' ? this.tackle.photoAddress(id) : null;
  });

  protected readonly kinds = TACKLE_KINDS.map((id) => ({ id, name: capital(nameOf(id)) }));
  protected readonly categories = CATEGORIES.map((id) => ({ id, name: capital(nameOf(id)) }));
  protected readonly sizes = TREBLE_SIZES.map((size) => ({ id: size, name: size }));

  protected text(key: string): string {
    const value = this.values()[key];
    return typeof value === 'string' ? value : '';
  }

  protected setKind(kind: string): void {
    this.values.set(valuesOfKind(kind as TackleKind, this.values()));
    this.problems.set({});
  }

  /** Another category brings its own usual attributes; the place in the box stays. */
  protected setCategory(category: string): void {
    this.values.set(valuesOfCategory(category as CategoryId, this.values()));
    this.problems.set({});
  }

  protected change({ key, value }: FieldChange): void {
    this.values.set({ ...this.values(), [key]: value });
    this.same.set(null);
    const { [key]: _, ...others } = this.problems();
    this.problems.set(others);
  }

  protected setTreble(at: number, size: string): void {
    this.change({ key: 'hooks', value: withTrebleSize(this.trebles(), at, size) });
  }

  protected addTreble(): void {
    this.change({ key: 'hooks', value: withOneMore(this.trebles()) });
  }

  protected dropTreble(): void {
    this.change({ key: 'hooks', value: this.trebles().slice(0, -1) });
  }

  protected takePhoto(file: File): void {
    this.keeping.takePhoto(file, (photoId) => this.change({ key: 'photoId', value: photoId }));
  }

  /** @param again kept although the same is owned already */
  protected keep(again = false): void {
    const { id: _, ...draft } = this.values();
    const checked = parse(TackleDraft, draft);
    if (!checked.ok) {
      this.problems.set(problemsByField(checked.problems));
      const shown = new Set(this.specs().map(({ key }) => key));
      const other = checked.problems.find(({ path }) => !shown.has(path.split(/[.[]/)[0] ?? ''));
      this.problem.set(other ? `${other.path}: ${other.message}.` : 'Not kept yet: see what is marked.');
      return;
    }
    const before = this.item();
    const item: TackleItem = { ...checked.value, id: before?.id ?? uuid() };
    const same = this.owned().find((each) => each.id !== item.id && likenessKey(each) === likenessKey(item));
    if (same && !before && !again) {
      this.same.set(same);
      return;
    }
    this.keeping.keep(item, before, () => this.done.emit());
  }

  /** One more of a piece that is owned already. */
  protected count(same: TackleItem): void {
    const more = { ...same, count: same.count + Number(this.values()['count'] ?? 1) };
    this.keeping.keep(more, same, () => this.done.emit());
  }

  protected where(item: TackleItem): string {
    return sayWhere(item) || 'in no box';
  }
}
