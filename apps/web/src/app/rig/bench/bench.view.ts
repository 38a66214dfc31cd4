import { NgComponentOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, input, type Type } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink, RouterLinkActive } from '@angular/router';
import { CATEGORIES, LINE_MATERIALS, nameOf } from '@inky-shoal/core';
import { ownedRods } from '@inky-shoal/core/tackle/match';
import { isKind, lurePreset, presetOf, type TackleItem } from '@inky-shoal/core/tackle';
import { valueOr, type Loaded } from '../../base/loaded';
import { SettingsService } from '../../base/settings.service';
import { TackleService } from '../tackle.service';
import { RigNavComponent } from '../rig-nav.component';
import { SelectComponent } from '../../ui/select.component';
import { BalanceTool } from './balance.tool';
import { CountdownTool } from './countdown.tool';
import { CoverageTool } from './coverage.tool';
import { OffsetTool } from './offset.tool';
import { RetrieveTool } from './retrieve.tool';
import { RunningDepthTool } from './running-depth.tool';
import type { Tool } from './tool';

interface Listed {
  readonly path: string;
  readonly name: string;
  readonly tool: Type<Tool>;
  /** What it is filled from. */
  readonly from: readonly ('lure' | 'rod')[];
}

const TOOLS: readonly [Listed, ...Listed[]] = [
  { path: 'running-depth', name: 'How deep it runs', tool: RunningDepthTool, from: ['lure', 'rod'] },
  { path: 'balance', name: 'How it hangs', tool: BalanceTool, from: ['lure', 'rod'] },
  { path: 'countdown', name: 'Countdown', tool: CountdownTool, from: ['lure', 'rod'] },
  { path: 'retrieve', name: 'Turns', tool: RetrieveTool, from: ['rod'] },
  { path: 'coverage', name: 'Coverage', tool: CoverageTool, from: [] },
  { path: 'offset', name: 'Along a bank', tool: OffsetTool, from: [] },
];

/** The bench: the arithmetic of lure, line and reel, filled from a lure and a rod that are owned. */
@Component({
  selector: 'inky-bench',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NgComponentOutlet, RigNavComponent, RouterLink, RouterLinkActive, SelectComponent],
  template: `
    <div class="view">
      <inky-rig-nav />
      <h1>Bench</h1>
      <nav class="tools" aria-label="Tools">
        @for (each of tools; track each.path) {
          <a
            [routerLink]="['/rig/bench', each.path]"
            queryParamsHandling="preserve"
            routerLinkActive="here"
            ariaCurrentWhenActive="page"
            >{{ each.name }}</a
          >
        }
      </nav>
      <div class="from">
        @if (chosen().from.includes('lure') && lures().length) {
          <inky-select
            fieldId="bench-lure"
            label="Lure"
            [none]="category() ? 'as advised: ' + name(category()!) : 'by its figures'"
            [choices]="lures()"
            [value]="lureItem()?.id"
            (valueChange)="choose({ lure: $event || null })"
          />
        }
        @if (chosen().from.includes('rod') && combos().length) {
          <inky-select
            fieldId="bench-rod"
            label="Rod"
            [none]="material() ? 'as advised' : 'by its figures'"
            [choices]="rodChoices()"
            [value]="combo()?.rod?.id"
            (valueChange)="choose({ rod: $event || null })"
          />
        }
      </div>
      <ng-container *ngComponentOutlet="chosen().tool; inputs: inputs()" />
    </div>
  `,
  styleUrl: './bench.view.css',
})
export class BenchView {
  private readonly router = inject(Router);
  private readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });
  private readonly loaded = toSignal(inject(TackleService).tackle$, {
    initialValue: { state: 'loading' } as Loaded<TackleItem[]>,
  });

  /** Of the address: which tool, and what it is filled from. */
  readonly tool = input('running-depth');
  readonly lure = input<string>();
  readonly rod = input<string>();
  /** Of a plan: what it advises, and on what line. */
  readonly category = input<string>();
  readonly material = input<string>();
  readonly test = input<string>();
  /** The depths at which it should run, in m. */
  readonly from = input<string>();
  readonly to = input<string>();

  protected readonly tools = TOOLS;
  protected readonly name = nameOf;
  protected readonly chosen = computed(() => TOOLS.find(({ path }) => path === this.tool()) ?? TOOLS[0]);
  private readonly owned = computed(() => valueOr(this.loaded(), []));
  protected readonly lures = computed(() => this.owned().filter(isKind('lure')));
  protected readonly combos = computed(() => ownedRods(this.owned()).combos);
  protected readonly rodChoices = computed(() => this.combos().map(({ rod: { id, name } }) => ({ id, name })));
  protected readonly lureItem = computed(() => this.lures().find(({ id }) => id === this.lure()) ?? null);
  protected readonly combo = computed(() => this.combos().find(({ rod }) => rod.id === this.rod()) ?? null);
  /** The advice of a plan as a lure and a combo, where neither is chosen from what is owned. */
  private readonly advised = computed(() => {
    const category = CATEGORIES.find((id) => id === this.category());
    const material = LINE_MATERIALS.find((id) => id === this.material());
    const testLb = Number(this.test());
    const line = material && testLb > 0 ? { ...presetOf('line'), id: '', material, testLb } : null;
    return {
      lure: category ? { ...lurePreset(category), id: '' } : null,
      combo: line && {
        rod: { ...presetOf('rod'), id: '' },
        reel: { ...presetOf('reel'), id: '' },
        line,
        leader: null,
      },
    };
  });
  protected readonly inputs = computed(() => {
    const [from, to] = [Number(this.from()), Number(this.to())];
    return {
      lure: this.lureItem() ?? this.advised().lure,
      combo: this.combo() ?? this.advised().combo,
      wantedM: from >= 0 && to > from ? ([from, to] as const) : null,
      units: this.units(),
    };
  });

  protected choose(queryParams: { lure?: string | null; rod?: string | null }): void {
    void this.router.navigate([], { queryParams, queryParamsHandling: 'merge', replaceUrl: true });
  }
}
