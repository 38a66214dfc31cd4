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
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { TACKLE_ROLES, type TackleImport, type TackleItem } from '@inky-shoal/core/tackle';
import { catchError, of, Subject, switchMap } from 'rxjs';
import { ButtonDirective } from 'primeng/button';
import { Textarea } from 'primeng/textarea';
import { NoticeService } from '../../base/notice.service';
import { RigEngineService, type TackleRead } from '../rig-engine.service';
import { SettingsService } from '../../base/settings.service';
import { TackleService } from '../tackle.service';
import { sayItem } from '../rig-words';
import { ColumnsComponent } from '../../ui/columns.component';
import { CheckComponent } from '../../ui/check.component';
import { OpenFileComponent } from '../../ui/open-file.component';
import { ProgressComponent } from '../../ui/progress.component';
import { TableComponent } from '../../ui/table.component';
import { FieldComponent } from '../../ui/field.component';
import { FoldComponent } from '../../ui/fold.component';

/** Larger files are refused before they are read. */
const MAX_FILE_BYTES = 8_000_000;
const SHOWN = 8;
const IGNORED = 'ignore';
const UNIT = /_(mm|g|m|lb|in|oz|ft|kg|yd)$/;
/** A column of tackle in words, with its unit: `stated_depth_ft` is "stated depth, ft". */
const sayRole = (role: string): string => role.replace(UNIT, ', $1').replaceAll('_', ' ');
const NOT_READ = 'The file could not be read, and the fault is ours. Try it again.';

/** Tackle from a CSV file: what it holds is told before anything is taken in. */
@Component({
  selector: 'inky-tackle-import',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    ButtonDirective,
    CheckComponent,
    ColumnsComponent,
    FieldComponent,
    FoldComponent,
    OpenFileComponent,
    ProgressComponent,
    TableComponent,
    Textarea,
  ],
  templateUrl: './tackle-import.component.html',
  styleUrl: './tackle-import.component.css',
})
export class TackleImportComponent {
  private readonly engine = inject(RigEngineService);
  private readonly tackle = inject(TackleService);
  private readonly notices = inject(NoticeService);
  private readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });

  readonly owned = input.required<readonly TackleItem[]>();
  readonly done = output();

  private readonly text = signal('');
  private readonly reads = new Subject<readonly (string | null)[] | undefined>();
  private readonly stopping = new Subject<void>();
  protected readonly found = signal<TackleImport | null>(null);
  protected readonly problem = signal<string | null>(null);
  /** How far reading or taking in has come, 0 to 1; null while neither is under way. */
  protected readonly share = signal<number | null>(null);
  protected readonly taking = signal(false);
  /** Lines that cannot be read, and columns that are not known, may be left out. */
  protected readonly agreed = signal(false);
  protected readonly withTwice = signal(false);

  protected readonly amiss = computed(() => {
    const found = this.found();
    return !!found && found.problems.length + found.unknownColumns.length > 0;
  });
  protected readonly toTake = computed(() => {
    const found = this.found();
    if (!found) return [];
    const twice = this.withTwice()
      ? found.twice.filter(({ item }) => !this.isOwned(item.id)).map(({ item }) => item)
      : [];
    return [...found.items, ...found.changed, ...twice];
  });
  /** Columns are looked at where some are not known, or where nothing can be read. */
  protected readonly columnsOpen = linkedSignal(() => {
    const found = this.found();
    return !!found && (found.unknownColumns.length > 0 || found.items.length + found.twice.length === 0);
  });
  protected readonly columns = computed(
    () => this.found()?.columns.map(({ title, role }) => ({ title, role: role ?? IGNORED })) ?? [],
  );
  protected readonly sample = computed(() => this.found()?.sample.map((cells) => ({ cells })) ?? []);
  protected readonly roles = [
    { id: IGNORED, name: 'nothing of use' },
    ...TACKLE_ROLES.map((id) => ({ id, name: sayRole(id) })),
  ];
  protected readonly bad = computed(() => this.found()?.problems.slice(0, SHOWN) ?? []);
  protected readonly preview = computed(() => this.toTake().slice(0, SHOWN));
  protected readonly canTake = computed(() => this.toTake().length > 0 && (!this.amiss() || this.agreed()));

  constructor() {
    this.reads
      .pipe(
        switchMap((roles) =>
          this.engine
            .read(this.text(), this.owned(), { roles, units: this.units() })
            .pipe(catchError(() => of<TackleRead>({ read: NOT_READ }))),
        ),
        takeUntilDestroyed(),
      )
      .subscribe((told) => {
        if ('share' in told) {
          this.share.set(told.share);
          return;
        }
        this.share.set(null);
        this.agreed.set(false);
        this.found.set(typeof told.read === 'string' ? null : told.read);
        this.problem.set(typeof told.read === 'string' ? told.read : null);
      });
  }

  private isOwned(id: string): boolean {
    return this.owned().some((item) => item.id === id);
  }

  protected read(text: string): void {
    this.found.set(null);
    this.problem.set(null);
    this.text.set(text);
    if (text.trim()) this.reads.next(undefined);
  }

  protected map(roles: readonly string[]): void {
    this.reads.next(roles.map((role) => (role === IGNORED ? null : role)));
  }

  protected open(file: File): void {
    if (file.size > MAX_FILE_BYTES) {
      this.found.set(null);
      this.problem.set(
        `${file.name} has ${Math.round(file.size / 1e6)} MB: expected a CSV file of at most ${MAX_FILE_BYTES / 1e6} MB.`,
      );
      return;
    }
    void file.text().then((text) => this.read(text));
  }

  protected told(item: TackleItem): string {
    return sayItem(item, this.units());
  }

  protected stop(): void {
    this.stopping.next();
  }

  protected take(): void {
    const items = this.toTake();
    const before = new Map(this.owned().map((item) => [item.id, item]));
    let taken = 0;
    this.taking.set(true);
    this.share.set(0);
    const finish = (why: string) => {
      this.taking.set(false);
      this.share.set(null);
      const done = items.slice(0, taken);
      const replaced = done.flatMap(({ id }) => before.get(id) ?? []);
      const fresh = done.filter(({ id }) => !before.has(id)).map(({ id }) => id);
      this.notices.say(why, () => {
        if (fresh.length) this.tackle.takeOut(fresh).subscribe();
        if (replaced.length) this.tackle.putAll(replaced).subscribe();
      });
      this.done.emit();
    };
    this.tackle.addAll(items, this.stopping).subscribe({
      next: (total) => {
        taken = total;
        this.share.set(total / items.length);
      },
      complete: () => finish(taken < items.length ? `Stopped: ${taken} of ${items.length} are in.` : `${taken} added.`),
      error: (error: Error) => finish(`${taken} of ${items.length} are in. ${error.message}`),
    });
  }
}
