import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { NonNullableFormBuilder, ReactiveFormsModule } from '@angular/forms';
import { catchError, EMPTY, type Observable, of, switchMap, timer } from 'rxjs';
import * as z from 'zod';
import { ButtonDirective } from 'primeng/button';
import { ApiService, type Write } from '../base/api.service';
import { FieldComponent } from '../ui/field.component';
import { sayShortDate } from '../ui/dates';

const ShareState = z.object({
  on: z.boolean(),
  failure: z.string().nullable(),
  addresses: z.array(z.string()),
  passcode: z.boolean(),
  code: z.object({ text: z.string(), endsAt: z.string(), address: z.string(), qr: z.string() }).nullable(),
  devices: z.array(z.object({ id: z.string(), name: z.string(), pairedAt: z.string(), seenAt: z.string() })),
});
type ShareState = z.infer<typeof ShareState>;

/** While a code stands, one looks so often whether a device was let in by it. */
const LOOK_MS = 2000;

/** The phone in the boat: shares with paired devices of the network, shows a code, lists who was let in. */
@Component({
  selector: 'inky-share',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, FieldComponent, ReactiveFormsModule],
  templateUrl: './share.component.html',
  styleUrl: './share.component.css',
})
export class ShareComponent {
  private readonly api = inject(ApiService);
  protected readonly state = signal<ShareState | null>(null);
  /** This page runs on a paired device, which sees to nothing. */
  protected readonly elsewhere = signal(false);
  protected readonly problem = signal<string | null>(null);
  protected readonly form = inject(NonNullableFormBuilder).group({ passcode: '' });
  protected readonly picture = computed(() => {
    const code = this.state()?.code;
    return code ? `data:image/svg+xml,${encodeURIComponent(code.qr)}` : '';
  });

  constructor() {
    this.read().subscribe();
    timer(LOOK_MS, LOOK_MS)
      .pipe(
        switchMap(() => (this.state()?.code ? this.read() : EMPTY)),
        takeUntilDestroyed(),
      )
      .subscribe();
  }

  protected turn(on: boolean): void {
    this.change({ method: 'PUT', path: '/share', body: { on } });
  }

  protected newCode(): void {
    this.change({ method: 'POST', path: '/share/code', body: {} });
  }

  protected remove(id: string): void {
    this.change({ method: 'DELETE', path: `/share/devices/${id}` });
  }

  protected keepPasscode(): void {
    this.change({ method: 'PUT', path: '/share', body: { passcode: this.form.getRawValue().passcode || null } });
    this.form.reset();
  }

  /** In two halves, which are typed more surely. */
  protected sayCode(code: string): string {
    return `${code.slice(0, 4)} ${code.slice(4)}`;
  }

  protected time(at: string): string {
    return new Date(at).toLocaleTimeString('en', { timeStyle: 'short' });
  }

  protected day(at: string): string {
    return sayShortDate(at);
  }

  private read(): Observable<unknown> {
    return this.api.get('/share', ShareState).pipe(
      switchMap((state) => {
        this.state.set(state);
        return of(state);
      }),
      catchError(({ kind }: { kind?: string }) => {
        this.elsewhere.set(kind === 'refused');
        return EMPTY;
      }),
    );
  }

  private change(write: Write): void {
    this.problem.set(null);
    this.api.send(write).subscribe({
      next: (body) => this.state.set(ShareState.parse(body)),
      error: (error: Error) => this.problem.set(error.message),
    });
  }
}
