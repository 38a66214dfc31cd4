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
import type { TackleImport, TackleItem } from '@inky-shoal/core/tackle';
import { catchError, of, Subject, switchMap } from 'rxjs';
import { ButtonDirective } from 'primeng/button';
import { Textarea } from 'primeng/textarea';
import { RigEngineService, type TackleRead } from '../rig-engine.service';
import { SettingsService } from '../../base/settings.service';
import { sayItem } from '../rig-words';
import { ColumnsComponent } from '../../ui/columns.component';
import { CheckComponent } from '../../ui/check.component';
import { OpenFileComponent } from '../../ui/open-file.component';
import { ProgressComponent } from '../../ui/progress.component';
import { TableComponent } from '../../ui/table.component';
import { FieldComponent } from '../../ui/field.component';
import { FoldComponent } from '../../ui/fold.component';
import { IGNORED, ROLE_CHOICES } from './tackle-roles';
import { TackleTaking } from './tackle-taking';

/** Larger files are refused before they are read. */
const MAX_FILE_BYTES = 8_000_000;
const SHOWN = 8;
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
  providers: [TackleTaking],
  templateUrl: './tackle-import.component.html',
  styleUrl: './tackle-import.component.css',
})
export class TackleImportComponent {
  private readonly engine = inject(RigEngineService);
  protected readonly taking = inject(TackleTaking);
  private readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });

  readonly owned = input.required<readonly TackleItem[]>();
  readonly done = output();

  private readonly text = signal('');
  private readonly reads = new Subject<readonly (string | null)[] | undefined>();
  protected readonly found = signal<TackleImport | null>(null);
  protected readonly problem = signal<string | null>(null);
  private readonly readShare = signal<number | null>(null);
  /** How far reading or taking in has come, 0 to 1; null while neither is under way. */
  protected readonly share = computed(() => this.taking.share() ?? this.readShare());
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
    const owned = new Set(this.owned().map(({ id }) => id));
    const twice = this.withTwice() ? found.twice.flatMap(({ item }) => (owned.has(item.id) ? [] : [item])) : [];
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
  protected readonly roles = ROLE_CHOICES;
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
          this.readShare.set(told.share);
          return;
        }
        this.readShare.set(null);
        this.agreed.set(false);
        this.found.set(typeof told.read === 'string' ? null : told.read);
        this.problem.set(typeof told.read === 'string' ? told.read : null);
      });
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

  protected take(): void {
    this.taking.take(this.toTake(), this.owned(), () => this.done.emit());
  }
}
