import { ChangeDetectionStrategy, Component, computed, effect, inject, input } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import type { PlanWindow, UnitSystem } from '@inky-shoal/core';
import { RigService } from './rig.service';
import { sayRods } from './rig-words';
import { RodsComponent } from './rods.component';

/** Long enough for what has just been drawn to stand on the page. */
const DRAWN_MS = 400;

/** The rods of the day on its sheet: in a line on the screen, whole on a page of their own where it is printed. */
@Component({
  selector: 'inky-rods-on-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RodsComponent, RouterLink],
  template: `
    @if (rig(); as rig) {
      <p class="no-print">
        <a class="plain" routerLink="/rig">{{ words() }}</a>
      </p>
      <section class="print-only page" aria-label="Rods">
        <h2>{{ words() }}</h2>
        <inky-rods [rods]="rig.rods" [windows]="windows()" [units]="units()" />
        @for (box of rig.packing; track $index) {
          <p>
            <strong>{{ box.box ?? 'In no box' }}:</strong>
            @for (piece of box.pieces; track piece.item.id) {
              &#9633; {{ piece.slot ? piece.slot + ' ' : '' }}{{ piece.item.name }}{{ $last ? '.' : ', ' }}
            }
          </p>
        }
      </section>
    }
  `,
  styles: `
    .plain {
      display: inline-flex;
      align-items: center;
      padding-left: 0;
    }
    .page {
      break-before: page;
    }
  `,
})
export class RodsOnSheetComponent {
  private readonly router = inject(Router);

  readonly windows = input.required<readonly PlanWindow[]>();
  readonly units = input.required<UnitSystem>();
  /** The sheet was asked for to be printed. */
  readonly print = input(false);

  protected readonly rig = toSignal(inject(RigService).onSheet$, { initialValue: null });
  protected readonly words = computed(() => {
    const rig = this.rig();
    return rig ? sayRods(rig) : '';
  });

  constructor() {
    effect((onCleanup) => {
      if (!this.print() || !this.rig()) return;
      const timer = setTimeout(() => {
        window.print();
        void this.router.navigateByUrl('/sheet', { replaceUrl: true });
      }, DRAWN_MS);
      onCleanup(() => clearTimeout(timer));
    });
  }
}
