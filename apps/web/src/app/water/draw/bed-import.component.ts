import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { readNumber, type Water } from '@inky-shoal/core';
import type { BedChoices, BedSense, BedUnit } from '@inky-shoal/core/formats/bathymetry';
import { ButtonDirective } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { SettingsService } from '../../base/settings.service';
import { ProgressComponent } from '../../ui/progress.component';
import { SelectComponent } from '../../ui/select.component';
import { OpenFileComponent } from '../../ui/open-file.component';
import { FieldComponent } from '../../ui/field.component';
import { BedImportSession, type BedWork } from './bed-import-session';
import { sayBedRead, sayLaid } from './bed-words';

const WORDS: Readonly<Record<BedWork, string>> = {
  reading: 'Reading the file.',
  laying: 'Laying the bed.',
  keeping: 'Keeping the chart.',
};
/** The farthest apart that soundings may be joined, metres. */
const MAX_JOIN_M = 5000;

/** A chart from a file: what it holds is told, and how its figures are to be read, before anything is changed. */
@Component({
  selector: 'inky-bed-import',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, FieldComponent, InputText, OpenFileComponent, ProgressComponent, SelectComponent],
  providers: [BedImportSession],
  templateUrl: './bed-import.component.html',
  styleUrl: './bed-import.component.css',
})
export class BedImportComponent {
  protected readonly session = inject(BedImportSession);
  private readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });

  readonly water = input.required<Water>();

  protected readonly senses = [
    { id: 'depth', name: 'depths' },
    { id: 'height', name: 'heights' },
  ];
  protected readonly bedUnits = [
    { id: 'm', name: 'metres' },
    { id: 'ft', name: 'feet' },
  ];
  protected readonly goes = computed(() => {
    const going = this.session.going();
    return going ? WORDS[going] : '';
  });
  protected readonly foundWords = computed(() => {
    const found = this.session.found();
    return found ? `${this.session.name()}: ${sayBedRead(found)}` : '';
  });
  protected readonly laidWords = computed(() => {
    const laid = this.session.laid();
    return laid ? sayLaid(laid, this.units()) : '';
  });
  protected readonly joins = computed(() => ['soundings', 'contours'].includes(this.session.found()?.from ?? ''));

  protected setSense(sense: string): void {
    this.choose({ sense: sense as BedSense });
  }

  protected setUnit(unit: string): void {
    this.choose({ unit: unit as BedUnit });
  }

  protected setSurface(text: string): void {
    const surface = readNumber(text);
    if (surface === undefined)
      this.session.problem.set(`Expected the figure at which the water stands, got "${text.slice(0, 20)}".`);
    else this.choose({ surface });
  }

  protected setJoin(text: string): void {
    const joinM = readNumber(text);
    if (joinM !== undefined && joinM > 0 && joinM <= MAX_JOIN_M) this.choose({ joinM });
    else this.session.problem.set(`Expected from 1 to ${MAX_JOIN_M} metres, got "${text.slice(0, 20)}".`);
  }

  private choose(change: Partial<BedChoices>): void {
    this.session.choose(change, this.water());
  }
}
