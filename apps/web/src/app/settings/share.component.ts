import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { catchError, EMPTY, type Observable, of, switchMap, timer } from 'rxjs';
import * as z from 'zod';
import { ApiService, type Write } from '../base/api.service';

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
  imports: [FormsModule],
  template: `
    @if (state(); as share) {
      <p>
        Your phone can have this in the boat, with no signal. It is paired once; over the network it is encrypted, and
        nobody comes in who is not paired.
      </p>
      @if (share.failure) {
        <p class="problem" role="alert">{{ share.failure }}</p>
      }
      @if (!share.on) {
        <button type="button" class="act" (click)="turn(true)">Share on this network</button>
      } @else {
        @if (share.code; as code) {
          <div class="code">
            <img [src]="picture()" width="200" height="200" alt="The address with the code, for the phone's camera" />
            <div>
              <p>Point the phone's camera here, or open</p>
              <p>
                <strong class="address">{{ code.address }}</strong>
              </p>
              <p>
                and enter <strong class="sign">{{ sayCode(code.text) }}</strong>. It holds until
                {{ time(code.endsAt) }}, for one device.
              </p>
              <p class="quiet">The phone warns the first time; the page it shows says what to do.</p>
            </div>
          </div>
        } @else {
          <button type="button" class="act" (click)="newCode()">Pair a device</button>
        }
        <button type="button" class="plain" (click)="turn(false)">Stop sharing</button>
      }
      <p class="problem" role="alert">{{ problem() }}</p>
      @if (share.devices.length) {
        <h3>Paired</h3>
        <ul>
          @for (device of share.devices; track device.id) {
            <li>
              {{ device.name }} <span class="quiet">seen {{ day(device.seenAt) }}</span>
              <button
                type="button"
                class="plain"
                (click)="remove(device.id)"
                [attr.aria-label]="'Remove ' + device.name"
              >
                Remove
              </button>
            </li>
          }
        </ul>
      }
      @if (share.on) {
        <form (ngSubmit)="keepPasscode()">
          <label class="label" for="passcode">A passcode, asked for beside the code</label>
          <div class="row">
            <input
              id="passcode"
              name="passcode"
              class="field"
              type="password"
              autocomplete="new-password"
              [placeholder]="share.passcode ? 'One is set' : 'None is set'"
              [ngModel]="passcode()"
              (ngModelChange)="passcode.set($event)"
            />
            <button type="submit" class="act">Keep</button>
          </div>
        </form>
      }
    } @else if (elsewhere()) {
      <p>Devices are paired and removed on the computer that shares.</p>
    }
  `,
  styles: `
    p {
      margin: 0.5rem 0 0.75rem;
    }
    .code {
      display: flex;
      flex-wrap: wrap;
      gap: 0.5rem 1.25rem;
      align-items: center;
    }
    .code > div {
      flex: 1 1 14rem;
    }
    .code p {
      margin: 0.25rem 0;
    }
    img {
      background: #fff;
    }
    .address {
      overflow-wrap: anywhere;
    }
    .sign {
      font-size: 1.25em;
      letter-spacing: 0.05em;
      white-space: nowrap;
    }
    .row {
      display: flex;
      gap: 0.5rem;
    }
    ul {
      list-style: none;
      margin: 0 0 0.75rem;
      padding: 0;
    }
  `,
})
export class ShareComponent {
  private readonly api = inject(ApiService);
  protected readonly state = signal<ShareState | null>(null);
  /** This page runs on a paired device, which sees to nothing. */
  protected readonly elsewhere = signal(false);
  protected readonly problem = signal<string | null>(null);
  protected readonly passcode = signal('');
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
    this.change({ method: 'PUT', path: '/share', body: { passcode: this.passcode() || null } });
    this.passcode.set('');
  }

  /** In two halves, which are typed more surely. */
  protected sayCode(code: string): string {
    return `${code.slice(0, 4)} ${code.slice(4)}`;
  }

  protected time(at: string): string {
    return new Date(at).toLocaleTimeString('en', { timeStyle: 'short' });
  }

  protected day(at: string): string {
    return new Date(at).toLocaleDateString('en', { dateStyle: 'medium' });
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
