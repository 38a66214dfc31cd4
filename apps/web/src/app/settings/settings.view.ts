import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { SCHOOL_IDS, SCHOOL_SIDES, type Book, type SchoolId, type SchoolSide, type UnitSystem } from '@inky-shoal/core';
import { ButtonDirective } from 'primeng/button';
import { BookService } from '../base/book.service';
import { SCHOOL_WORDS } from '../sheet/school-words';
import { SettingsService, type Look } from '../base/settings.service';
import { CheckComponent } from '../ui/check.component';
import { SelectComponent } from '../ui/select.component';
import { OneOfComponent } from '../ui/one-of.component';
import { BackupsComponent } from './backups.component';
import { ShareComponent } from './share.component';
import { InstrumentsFieldComponent } from './instruments-field.component';
import { OutsideAddressesComponent } from './outside-addresses.component';

/** Units, look, and which book is open. */
@Component({
  selector: 'inky-settings',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    CheckComponent,
    BackupsComponent,
    ButtonDirective,
    InstrumentsFieldComponent,
    OneOfComponent,
    OutsideAddressesComponent,
    RouterLink,
    SelectComponent,
    ShareComponent,
  ],
  templateUrl: './settings.view.html',
  styleUrl: './settings.view.css',
})
export class SettingsView {
  private readonly settings = inject(SettingsService);
  private readonly books = inject(BookService);
  private readonly router = inject(Router);

  protected readonly units = toSignal(this.settings.units$, { requireSync: true });
  protected readonly look = toSignal(this.settings.look$, { requireSync: true });
  protected readonly keys = toSignal(this.settings.keys$, { requireSync: true });
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

  protected setKeys(keys: boolean): void {
    this.settings.set({ keys });
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
