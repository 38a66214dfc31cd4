import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { ButtonDirective } from 'primeng/button';
import { BookService } from '../base/book.service';
import { valueOr } from '../base/loaded';
import { NoticeService } from '../base/notice.service';
import { OutboxService } from '../base/outbox.service';
import { saveFile } from '../ui/save-file';
import { OpenFileComponent } from '../ui/open-file.component';
import { BackupsService, type Backup, type Compared } from './backups.service';
import { sayInstant } from '../ui/dates';

const REASONS: Readonly<Record<Backup['reason'], string>> = {
  daily: 'of the day',
  asked: 'asked for',
  'before-import': 'before an archive came in',
  'before-migration': 'before a newer version',
  'before-restore': 'before going back',
};

/** What is told of what a book holds. */
const TOLD: readonly (readonly [table: string, one: string, many: string])[] = [
  ['water', 'water', 'waters'],
  ['reading', 'reading', 'readings'],
  ['plan', 'plan', 'plans'],
  ['tackle', 'piece', 'pieces'],
  ['trip_event', 'note', 'notes'],
  ['practice_event', 'answer of practice', 'answers of practice'],
  ['photo', 'photograph', 'photographs'],
];

const told = (counts: Readonly<Record<string, number>>): string =>
  TOLD.map(([table, one, many]) => [counts[table] ?? 0, one, many] as const)
    .filter(([count]) => count > 0)
    .map(([count, one, many]) => `${count} ${count === 1 ? one : many}`)
    .join(', ') || 'nothing';

/** Backups: those there are, one more, back to one; all of the book out and in; what was removed. */
@Component({
  selector: 'inky-backups',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, OpenFileComponent, RouterLink],
  templateUrl: './backups.component.html',
  styleUrl: './backups.component.css',
})
export class BackupsComponent {
  private readonly backups = inject(BackupsService);
  private readonly outbox = inject(OutboxService);
  private readonly notices = inject(NoticeService);

  private readonly loaded = toSignal(this.backups.backups$, { initialValue: null });
  private readonly known = computed(() => valueOr(this.loaded(), { folder: 'the data folder', backups: [] }));
  protected readonly book = toSignal(inject(BookService).book$, { requireSync: true });
  protected readonly folder = computed(() => this.known().folder);
  protected readonly list = computed(() => this.known().backups);
  protected readonly all = signal(false);
  protected readonly shown = computed(() => (this.all() ? this.list() : this.list().slice(0, 5)));
  protected readonly archiveAddress = computed(() => {
    this.book();
    return this.backups.archiveAddress;
  });
  protected readonly refused = toSignal(this.outbox.refusedCount$, { initialValue: 0 });
  /** What is being done, in words. */
  protected readonly busy = signal<string | null>(null);
  protected readonly problem = signal<string | null>(null);
  protected readonly looked = signal<{ name: string; compared: Compared } | null>(null);
  protected readonly archive = signal<File | null>(null);
  protected readonly told = told;

  protected when({ at }: Backup): string {
    return sayInstant(at);
  }

  protected why({ reason }: Backup): string {
    return REASONS[reason];
  }

  protected size({ bytes }: Backup): string {
    return bytes < 1e6 ? `${Math.ceil(bytes / 1e3)} kB` : `${(bytes / 1e6).toFixed(1)} MB`;
  }

  protected make(): void {
    this.run('Backing up…', this.backups.make(), 'Backed up.');
  }

  protected look({ name }: Backup): void {
    this.problem.set(null);
    this.backups.compare(name).subscribe({
      next: (compared) => this.looked.set({ name, compared }),
      error: (error: Error) => this.problem.set(error.message),
    });
  }

  protected restore({ name }: Backup): void {
    this.looked.set(null);
    this.run('Going back…', this.backups.restore(name), 'The book is as it was then.');
  }

  protected takeIn(file: File): void {
    this.archive.set(null);
    this.run('Taking it in…', this.backups.importArchive(file), 'The book now holds what the file held.');
  }

  protected saveRefused(): void {
    void this.outbox
      .refusedWrites()
      .then((writes) => saveFile('refused-changes.json', JSON.stringify(writes, null, 2), 'application/json'));
  }

  protected forgetRefused(): void {
    void this.outbox.forgetRefused();
  }

  private run(words: string, work: ReturnType<BackupsService['make']>, done: string): void {
    this.busy.set(words);
    this.problem.set(null);
    work.subscribe({
      next: () => this.notices.say(done),
      error: (error: Error) => {
        this.busy.set(null);
        this.problem.set(error.message);
      },
      complete: () => this.busy.set(null),
    });
  }
}
