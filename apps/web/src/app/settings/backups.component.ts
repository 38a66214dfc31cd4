import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { BackupsService, type Backup, type Compared } from './backups.service';
import { BookService } from '../base/book.service';
import { valueOr } from '../base/loaded';
import { NoticeService } from '../base/notice.service';
import { OutboxService } from '../base/outbox.service';
import { saveFile } from '../ui/save-file';

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
  imports: [RouterLink],
  template: `
    <p>
      @if (book() === 'own') {
        Your book is copied every day the server runs, and before anything large. Seven days and eight weeks are kept
      } @else {
        The demo ships with the program and is copied only when you ask
      }
      in <code>{{ folder() }}</code>.
    </p>
    <div class="row">
      <button type="button" class="act" [disabled]="busy()" (click)="make()">Back up now</button>
      <a class="plain" [href]="archiveAddress()" download>All of it as one file</a>
      <label class="plain">
        In from such a file
        <input #file type="file" accept=".zip" class="visually-hidden" [disabled]="busy()" (change)="choose(file)" />
      </label>
      <a class="plain" routerLink="/bin">Removed and changed</a>
    </div>
    <p class="problem" role="alert">{{ problem() }}</p>
    @if (busy(); as what) {
      <p role="status">{{ what }}</p>
    }
    @if (archive(); as coming) {
      <div class="asked" role="group" aria-label="In from a file">
        <p>{{ coming.name }} takes the place of all that this book holds. What it holds now is backed up first.</p>
        <button type="button" class="act" (click)="takeIn(coming)">Take it in</button>
        <button type="button" class="plain" (click)="archive.set(null)">No</button>
      </div>
    }
    @if (refused()) {
      <p>
        {{ refused() === 1 ? 'One change' : refused() + ' changes' }} that had waited for the server could not be taken.
        <button type="button" class="plain" (click)="saveRefused()">Save them as a file</button>
        <button type="button" class="plain" (click)="forgetRefused()">Let them go</button>
      </p>
    }
    <ul>
      @for (backup of shown(); track backup.name) {
        <li>
          <span>{{ when(backup) }}, </span><span class="quiet">{{ why(backup) }}, {{ size(backup) }}</span>
          <button type="button" class="plain" [disabled]="busy()" (click)="look(backup)">Go back to it</button>
          @if (looked()?.name === backup.name && looked()?.compared; as compared) {
            <div class="asked" role="group" aria-label="Back to this backup">
              <p>
                It holds {{ told(compared.then) }}. The book now holds {{ told(compared.now) }}, which is backed up
                first.
              </p>
              <button type="button" class="act" (click)="restore(backup)">Go back to it</button>
              <button type="button" class="plain" (click)="looked.set(null)">No</button>
            </div>
          }
        </li>
      } @empty {
        <li class="quiet">There is no backup yet.</li>
      }
    </ul>
    @if (list().length > 5 && !all()) {
      <button type="button" class="plain" (click)="all.set(true)">All {{ list().length }}</button>
    }
  `,
  styles: `
    p {
      margin: 0.5rem 0 0.75rem;
    }
    .row {
      display: flex;
      flex-wrap: wrap;
      gap: 0.5rem 1.25rem;
      align-items: center;
    }
    .row label {
      cursor: pointer;
    }
    .row label:focus-within {
      outline: 2px solid var(--ink);
      outline-offset: 2px;
    }
    code {
      overflow-wrap: anywhere;
    }
    ul {
      list-style: none;
      margin: 0.75rem 0 0;
      padding: 0;
    }
    li {
      padding: 0.35rem 0;
      border-bottom: var(--stroke) solid var(--rule);
    }
    .asked {
      margin: 0.5rem 0;
    }
    .asked .act {
      margin-right: 0.5rem;
    }
  `,
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
    return new Date(at).toLocaleString('en', { dateStyle: 'medium', timeStyle: 'short' });
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

  protected choose(input: HTMLInputElement): void {
    this.archive.set(input.files?.[0] ?? null);
    input.value = '';
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
