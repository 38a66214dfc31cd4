import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { SCHOOL_IDS, SCHOOL_SIDES, type Book, type SchoolId, type SchoolSide, type UnitSystem } from '@inky-shoal/core';
import { SelectButton } from 'primeng/selectbutton';
import { catchError, EMPTY, filter, switchMap } from 'rxjs';
import { BookService } from '../base/book.service';
import type { KeptAddress } from '../base/loaded';
import { NoticeService } from '../base/notice.service';
import { OutsideService } from '../season/outside.service';
import { SCHOOL_WORDS } from '../sheet/school-words';
import { SettingsService, type Look } from '../base/settings.service';
import { BackupsComponent } from './backups.component';
import { ShareComponent } from './share.component';
import { AddressFieldComponent } from './address-field.component';
import { InstrumentsFieldComponent } from './instruments-field.component';

/** Units, look, and which book is open. */
@Component({
  selector: 'inky-settings',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    ShareComponent,
    BackupsComponent,
    AddressFieldComponent,
    FormsModule,
    InstrumentsFieldComponent,
    RouterLink,
    SelectButton,
  ],
  template: `<div class="view">
    <h1>Settings</h1>

    <section aria-labelledby="units">
      <h2 id="units">Units</h2>
      <p-selectbutton
        ariaLabelledBy="units"
        [options]="unitChoices"
        optionLabel="name"
        optionValue="id"
        [allowEmpty]="false"
        [ngModel]="units()"
        (ngModelChange)="setUnits($event)"
      />
    </section>

    <section aria-labelledby="look">
      <h2 id="look">Look</h2>
      <p-selectbutton
        ariaLabelledBy="look"
        [options]="lookChoices"
        optionLabel="name"
        optionValue="id"
        [allowEmpty]="false"
        [ngModel]="look()"
        (ngModelChange)="setLook($event)"
      />
      <p class="quiet">{{ lookWords() }}</p>
    </section>

    <section aria-labelledby="schools">
      <h2 id="schools">Schools</h2>
      <p>Where good anglers disagree. Left to the day, the usual side is taken and named on the sheet.</p>
      <div class="schools">
        @for (school of schoolChoices; track school.id) {
          <label [for]="'school-' + school.id">{{ school.about }}</label>
          <select [id]="'school-' + school.id" class="field" #side (change)="takeSide(school.id, side.value)">
            <option value="" [selected]="!schools()[school.id]">by the day</option>
            @for (each of school.sides; track each.id) {
              <option [value]="each.id" [selected]="schools()[school.id] === each.id">{{ each.name }}</option>
            }
          </select>
        }
      </div>
      <p><a class="plain" routerLink="/rules">All rules</a></p>
    </section>

    <section aria-labelledby="book">
      <h2 id="book">Book</h2>
      @if (book() === 'demo') {
        <p>
          You are in the demo book: made-up waters on a day that stands still. Your own book is apart from it and empty
          until you fill it.
        </p>
        <button type="button" class="act" (click)="open('own')">Start my own, empty</button>
      } @else {
        <p>You are in your own book. The demo is kept apart from it.</p>
        <button type="button" class="act" (click)="open('demo')">Go to the demo</button>
      }
    </section>

    <section aria-labelledby="share">
      <h2 id="share">The phone in the boat</h2>
      <inky-share />
    </section>

    <section aria-labelledby="backups">
      <h2 id="backups">Backups</h2>
      <inky-backups />
    </section>

    <section aria-labelledby="weather">
      <h2 id="weather">Weather</h2>
      @if (book() === 'demo') {
        <p>The demo's weather and water gauge are made up by a stand-in beside the server.</p>
      } @else {
        <p>
          A service that answers <code>weather</code> and <code>gauge</code> with hourly figures as JSON. Without one, a
          CSV file on the season's page does as well.
        </p>
        <inky-address-field
          fieldId="weather-address"
          label="Address of the service"
          placeholder="http://"
          [address]="address()"
          [problem]="addressProblem()"
          (kept)="keepAddress($event)"
        />
      }
    </section>

    <section aria-labelledby="instruments">
      <h2 id="instruments">Boat instruments</h2>
      <inky-instruments-field />
    </section>
  </div>`,
  styles: `
    section {
      margin-top: 1.75rem;
      max-width: 38rem;
    }
    h2 {
      margin-bottom: 0.5rem;
    }
    section p {
      margin: 0.5rem 0 0.75rem;
    }
    .schools {
      display: grid;
      grid-template-columns: 12rem minmax(0, 18rem);
      gap: 0.4rem 1rem;
      align-items: center;
    }
    @media (max-width: 760px) {
      .schools {
        grid-template-columns: 8.5rem minmax(0, 1fr);
      }
    }
    :host ::ng-deep .p-togglebutton {
      min-height: var(--touch);
      min-width: 5.5rem;
    }
  `,
})
export class SettingsView {
  private readonly settings = inject(SettingsService);
  private readonly books = inject(BookService);
  private readonly router = inject(Router);
  private readonly outside = inject(OutsideService);
  private readonly notices = inject(NoticeService);

  protected readonly address = signal<KeptAddress>({ address: null, privateNetwork: false });
  protected readonly addressProblem = signal<string | null>(null);

  protected readonly units = toSignal(this.settings.units$, { requireSync: true });
  protected readonly look = toSignal(this.settings.look$, { requireSync: true });
  protected readonly book = toSignal(this.books.book$, { requireSync: true });
  protected readonly unitChoices: { id: UnitSystem; name: string }[] = [
    { id: 'us', name: '°F, ft, oz' },
    { id: 'metric', name: '°C, m, g' },
  ];
  protected readonly lookChoices: { id: Look; name: string }[] = [
    { id: 'paper', name: 'Paper' },
    { id: 'night', name: 'Night' },
    { id: 'glare', name: 'Glare' },
  ];

  constructor() {
    this.books.book$
      .pipe(
        filter((book) => book === 'own'),
        switchMap(() => this.outside.address().pipe(catchError(() => EMPTY))),
        takeUntilDestroyed(),
      )
      .subscribe((address) => this.address.set(address));
  }

  protected keepAddress(kept: KeptAddress): void {
    this.outside.setAddress(kept).subscribe({
      next: () => {
        this.addressProblem.set(null);
        this.notices.say(
          kept.address ? 'Address kept. The season asks it from now on.' : 'No service is asked any more.',
        );
      },
      error: (error: Error) => this.addressProblem.set(error.message),
    });
  }

  protected readonly schools = toSignal(this.settings.schools$, { requireSync: true });
  protected readonly schoolChoices = SCHOOL_IDS.map((id) => ({
    id,
    about: SCHOOL_WORDS[id].about,
    sides: SCHOOL_SIDES[id].map((side) => ({ id: side, name: SCHOOL_WORDS[id].sides[side] ?? side })),
  }));

  /** An empty side leaves the school to the day. */
  protected takeSide(id: SchoolId, side: string): void {
    const { [id]: _, ...others } = this.schools();
    this.settings.set({ schools: side ? { ...others, [id]: side as SchoolSide } : others });
  }

  protected setUnits(units: UnitSystem): void {
    this.settings.set({ units });
  }

  protected setLook(look: Look): void {
    this.settings.set({ look });
  }

  protected lookWords(): string {
    return {
      paper: 'For the evening before.',
      night: 'Dim and warm, for before dawn.',
      glare: 'Black on white, heavier and larger, for full sun.',
    }[this.look()];
  }

  protected open(book: Book): void {
    this.books.open(book);
    void this.router.navigateByUrl(book === 'own' ? '/waters' : '/sheet');
  }
}
