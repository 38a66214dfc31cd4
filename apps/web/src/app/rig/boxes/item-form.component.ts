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
import type { HookSize } from '@inky-shoal/core/mechanics';
import {
  likenessKey,
  lurePreset,
  presetOf,
  TACKLE_KINDS,
  TackleDraft,
  type TackleItem,
  type TackleKind,
} from '@inky-shoal/core/tackle';
import { v7 as uuid } from 'uuid';
import { ButtonDirective } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { capital } from '../../sheet/words';
import { NoticeService } from '../../base/notice.service';
import { SettingsService } from '../../base/settings.service';
import { TackleService } from '../tackle.service';
import { FieldsComponent, type FieldChange, type Values } from '../../ui/fields.component';
import { sayWhere } from '../rig-words';
import { SelectComponent } from '../../ui/select.component';
import { OpenFileComponent } from '../../ui/open-file.component';
import { FieldComponent } from '../../ui/field.component';
import { itemFields, TREBLE_SIZES } from './item-fields';
import { PhotoProblem, smallPhoto } from './photo';

/** A treble as the form has it. */
interface Treble {
  readonly size: HookSize;
  readonly at: number;
}

/** One piece of tackle, new or owned: quick to enter, since its usual attributes stand there to be changed. */
@Component({
  selector: 'inky-item-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, FieldComponent, FieldsComponent, InputText, OpenFileComponent, SelectComponent],
  templateUrl: './item-form.component.html',
  styleUrl: './item-form.component.css',
})
export class ItemFormComponent {
  private readonly tackle = inject(TackleService);
  private readonly notices = inject(NoticeService);
  protected readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });

  /** The piece to change; null for a new one. */
  readonly item = input.required<TackleItem | null>();
  readonly owned = input.required<readonly TackleItem[]>();
  /** Kept, or given up. */
  readonly done = output();

  protected readonly values = linkedSignal<Values>(() => this.item() ?? lurePreset('suspending-jerkbait'));
  protected readonly problems = signal<Readonly<Record<string, string>>>({});
  protected readonly problem = signal<string | null>(null);
  protected readonly busy = signal(false);
  /** An owned piece that is the same, told before it is entered again. */
  protected readonly same = signal<TackleItem | null>(null);
  protected readonly kind = computed(() => this.values()['kind'] as TackleKind);
  protected readonly specs = computed(() => itemFields(this.values(), this.owned()));
  protected readonly trebles = computed(() => (this.values()['hooks'] as Treble[] | undefined) ?? []);
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
    const { box, slot } = this.values();
    const preset = kind === 'lure' ? lurePreset('suspending-jerkbait') : presetOf(kind as Exclude<TackleKind, 'lure'>);
    this.values.set({ ...preset, ...(box !== undefined && { box }), ...(slot !== undefined && { slot }) });
    this.problems.set({});
  }

  /** Another category brings its own usual attributes; the place in the box stays. */
  protected setCategory(category: string): void {
    const { box, slot, count } = this.values();
    this.values.set({ ...lurePreset(category as CategoryId), count, box, slot });
    this.problems.set({});
  }

  protected change({ key, value }: FieldChange): void {
    this.values.set({ ...this.values(), [key]: value });
    this.same.set(null);
    const { [key]: _, ...others } = this.problems();
    this.problems.set(others);
  }

  protected setTreble(at: number, size: string): void {
    this.change({
      key: 'hooks',
      value: this.trebles().map((treble, index) => (index === at ? { ...treble, size } : treble)),
    });
  }

  protected addTreble(): void {
    const trebles = this.trebles();
    const size = trebles.at(-1)?.size ?? '6';
    const places = [[0.5], [0.35, 0.9], [0.25, 0.55, 0.9]][trebles.length] ?? [];
    this.change({ key: 'hooks', value: places.map((at, index) => ({ size: trebles[index]?.size ?? size, at })) });
  }

  protected dropTreble(): void {
    this.change({ key: 'hooks', value: this.trebles().slice(0, -1) });
  }

  protected takePhoto(file: File): void {
    this.problem.set(null);
    this.busy.set(true);
    smallPhoto(file)
      .then((photo) =>
        this.tackle.keepPhoto(photo).subscribe({
          next: (photoId) => this.change({ key: 'photoId', value: photoId }),
          error: (error: Error) => this.fail(`The photo is not kept. ${error.message}`),
          complete: () => this.busy.set(false),
        }),
      )
      .catch((error: unknown) =>
        this.fail(error instanceof PhotoProblem ? error.message : 'The photo could not be opened.'),
      );
  }

  private fail(message: string): void {
    this.busy.set(false);
    this.problem.set(message);
  }

  /** @param again kept although the same is owned already */
  protected keep(again = false): void {
    const { id: _, ...draft } = this.values();
    const checked = parse(TackleDraft, draft);
    if (!checked.ok) {
      this.problems.set(
        Object.fromEntries(
          checked.problems.map(({ path, message }) => [path.split(/[.[]/)[0], `${capital(message)}.`]),
        ),
      );
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
    this.save(item, before);
  }

  /** One more of a piece that is owned already. */
  protected count(same: TackleItem): void {
    this.save({ ...same, count: same.count + Number(this.values()['count'] ?? 1) }, same);
  }

  private save(item: TackleItem, before: TackleItem | null): void {
    this.tackle.put(item, before ? this.tackle.versionOf(before.id) : undefined).subscribe({
      next: (state) => {
        const undo = before ? this.tackle.put(before) : this.tackle.remove([item.id]);
        this.notices.say(
          state === 'sent' ? `${item.name} is kept.` : `${item.name} is kept here until the server is back.`,
          () => undo.subscribe(),
        );
        this.done.emit();
      },
      error: (error: Error) => this.fail(`Not kept. ${error.message}`),
    });
  }

  protected where(item: TackleItem): string {
    return sayWhere(item) || 'in no box';
  }
}
