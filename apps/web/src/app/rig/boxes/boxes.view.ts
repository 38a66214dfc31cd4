import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormControl } from '@angular/forms';
import { nameOf } from '@inky-shoal/core';
import {
  searchTackle,
  TACKLE_KINDS,
  tackleIndex,
  tackleToCsv,
  type TackleItem,
  type TackleKind,
} from '@inky-shoal/core/tackle';
import { v7 as uuid } from 'uuid';
import { ButtonDirective } from 'primeng/button';
import { TableModule } from 'primeng/table';
import { capital } from '../../sheet/words';
import { valueOr, type Loaded } from '../../base/loaded';
import { NoticeService } from '../../base/notice.service';
import { SettingsService } from '../../base/settings.service';
import { saveFile } from '../../ui/save-file';
import { addTableTheme } from '../../ui/theme-table';
import { TackleService } from '../tackle.service';
import { RigNavComponent } from '../rig-nav.component';
import { sayItem, sayWhere } from '../rig-words';
import { SelectComponent } from '../../ui/select.component';
import { FieldComponent } from '../../ui/field.component';
import { ArrangeComponent } from './arrange.component';
import { ItemFormComponent } from './item-form.component';
import { TackleImportComponent } from './tackle-import.component';

/** Up to this width a page is a phone's. */
const PHONE_PX = 760;

/** What stands beside the list. */
type Doing = 'list' | 'enter' | 'import' | 'arrange';

/** Everything owned: a list that is searched, a form to enter and change, files in and out, and places in the boxes. */
@Component({
  selector: 'inky-boxes',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    ArrangeComponent,
    ButtonDirective,
    FieldComponent,
    ItemFormComponent,
    RigNavComponent,
    SelectComponent,
    TableModule,
    TackleImportComponent,
  ],
  templateUrl: './boxes.view.html',
  styleUrl: './boxes.view.css',
})
export class BoxesView {
  private readonly service = inject(TackleService);
  private readonly notices = inject(NoticeService);
  private readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });

  protected readonly loaded = toSignal(this.service.tackle$, {
    initialValue: { state: 'loading' } as Loaded<TackleItem[]>,
  });
  protected readonly owned = computed(() => valueOr(this.loaded(), []));
  private readonly index = computed(() => tackleIndex(this.owned()));
  protected readonly typedText = new FormControl('', { nonNullable: true });
  private readonly typed = toSignal(this.typedText.valueChanges, { initialValue: '' });
  protected readonly kind = signal<TackleKind | ''>('');
  protected readonly found = computed(() => {
    const kind = this.kind();
    // Nobody waits for the words of thousands before something is sought.
    const all = this.typed().trim() ? searchTackle(this.index(), this.typed()) : this.owned();
    return kind ? all.filter((item) => item.kind === kind) : all;
  });
  protected readonly doing = signal<Doing>('list');
  /** The piece being changed; null while a new one is entered. */
  protected readonly changing = signal<TackleItem | null>(null);
  protected readonly kinds = TACKLE_KINDS.map((id) => ({ id, name: capital(nameOf(id)) }));
  /** On a phone what a piece is called takes two lines, and what it is two more. */
  protected readonly rowPx = innerWidth <= PHONE_PX ? 88 : 56;

  constructor() {
    addTableTheme();
  }

  protected told(item: TackleItem): string {
    return sayItem(item, this.units());
  }

  protected where(item: TackleItem): string {
    return sayWhere(item);
  }

  protected setKind(kind: string): void {
    this.kind.set(kind as TackleKind | '');
  }

  protected enter(): void {
    this.changing.set(null);
    this.doing.set('enter');
  }

  protected change(item: TackleItem): void {
    this.changing.set(item);
    this.doing.set('enter');
  }

  protected duplicate(item: TackleItem): void {
    const copy: TackleItem = { ...item, id: uuid(), name: `${item.name}, another`.slice(0, 80) };
    this.service.put(copy).subscribe({
      next: () => {
        this.notices.say(`${copy.name} is made; change what differs.`, () =>
          this.service.remove([copy.id]).subscribe(),
        );
        this.change(copy);
      },
      error: (error: Error) => this.notices.say(`Not duplicated. ${error.message}`),
    });
  }

  protected remove(item: TackleItem): void {
    this.doing.set('list');
    this.service.remove([item.id]).subscribe({
      next: () => this.notices.say(`${item.name} is removed.`, () => this.service.put(item).subscribe()),
      error: (error: Error) => this.notices.say(`Not removed. ${error.message}`),
    });
  }

  protected done(): void {
    this.doing.set('list');
    this.changing.set(null);
  }

  protected retry(): void {
    this.service.reload();
  }

  /** All that is owned, as a CSV file. */
  protected save(): void {
    saveFile('tackle.csv', tackleToCsv(this.owned()), 'text/csv');
  }
}
