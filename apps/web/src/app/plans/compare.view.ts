import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { headline, nameOf, say, sayRange, type SavedPlan } from '@inky-shoal/core';
import { combineLatest, forkJoin, switchMap } from 'rxjs';
import {
  capital,
  FRONT_WORDS,
  LEVEL_WORDS,
  PARTS_OF_DAY,
  sayDate,
  sayHours,
  sayTrend,
  sayWind,
  windowName,
} from '../sheet/words';
import { ConnectionService } from '../state/connection.service';
import { loading } from '../state/loaded';
import { PlansService } from '../state/plans.service';
import { SettingsService } from '../state/settings.service';

interface Line {
  readonly label: string;
  readonly left: string;
  readonly right: string;
  readonly differs: boolean;
}

/** One plan told in lines: what was said of the day, what came of it by window, and the rest. */
interface Told {
  readonly day: ReadonlyMap<string, string>;
  readonly windows: ReadonlyMap<string, string>;
  readonly rest: ReadonlyMap<string, string>;
}

/** Two saved plans side by side: what was said of the day, and what came of it; where they differ stands out. */
@Component({
  selector: 'inky-compare',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink],
  template: `<div class="view">
    <h1>Two plans</h1>
    <p><a class="back" routerLink="/plans">Saved plans</a></p>
    @if (pair(); as loaded) {
      @if (loaded.state === 'ready') {
        <div class="scroll" tabindex="0" role="region" aria-label="Two plans side by side">
          <table>
            <thead>
              <tr>
                <td></td>
                @for (plan of loaded.value; track $index) {
                  <th scope="col">{{ plan.name }}</th>
                }
              </tr>
            </thead>
            <tbody>
              @for (line of lines(); track line.label) {
                <tr [class.differs]="line.differs">
                  <th scope="row">{{ line.label }}</th>
                  <td>{{ line.left }}</td>
                  <td>{{ line.right }}</td>
                </tr>
              }
            </tbody>
          </table>
        </div>
      } @else if (loaded.state === 'failed') {
        <p>These plans cannot be read. {{ loaded.message }}</p>
      } @else {
        <p class="quiet">Reading the book.</p>
      }
    }
  </div>`,
  styles: `
    .back {
      display: inline-flex;
      align-items: center;
      min-height: var(--touch);
    }
    .scroll {
      overflow-x: auto;
    }
    table {
      border-collapse: collapse;
      width: 100%;
      max-width: 60rem;
      table-layout: fixed;
    }
    th,
    td {
      text-align: left;
      vertical-align: top;
      padding: 0.5rem 1rem 0.5rem 0;
      border-bottom: var(--stroke) solid var(--rule);
      overflow-wrap: break-word;
    }
    thead th {
      font-family: var(--display);
      border-bottom-color: var(--ink);
    }
    tbody th {
      font-weight: 400;
      font-style: italic;
      font-family: var(--display);
      color: var(--ink-2);
    }
    tr > :first-child {
      width: 8.5rem;
    }
    .differs td {
      font-weight: 700;
    }
    @media (max-width: 760px) {
      tr > :first-child {
        width: 5.2rem;
      }
      th,
      td {
        padding-right: 0.6rem;
        font-size: 0.95rem;
      }
    }
  `,
})
export class CompareView {
  private readonly plans = inject(PlansService);
  private readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });

  /** Ids of the two plans, from the address. */
  readonly left = input.required<string>();
  readonly right = input.required<string>();

  protected readonly pair = toSignal(
    combineLatest([toObservable(this.left), toObservable(this.right), inject(ConnectionService).there$]).pipe(
      switchMap(([left, right]) => loading(forkJoin([this.plans.get(left), this.plans.get(right)]))),
    ),
  );

  protected readonly lines = computed((): Line[] => {
    const pair = this.pair();
    if (pair?.state !== 'ready') return [];
    const [left, right] = pair.value.map((plan) => this.told(plan)) as [Told, Told];
    const both = (part: keyof Told) => [...new Set([...left[part].keys(), ...right[part].keys()])];
    const line = (part: keyof Told) => (label: string) => {
      const [a, b] = [left[part].get(label) ?? '', right[part].get(label) ?? ''];
      return { label, left: a, right: b, differs: a !== b };
    };
    const byDay = (a: string, b: string) => PARTS_OF_DAY.indexOf(a) - PARTS_OF_DAY.indexOf(b);
    return [
      ...both('day').map(line('day')),
      ...both('windows').sort(byDay).map(line('windows')),
      ...both('rest').map(line('rest')),
    ];
  });

  /** One plan in lines. */
  private told({ conditions, plan, engineVersion }: SavedPlan): Told {
    const units = this.units();
    const known = <T>(path: string, said: T | undefined): T | undefined =>
      said ?? (plan.assumed.find((each) => each.path === path)?.value as T | undefined);
    const trend = known('tempTrendCPerDay', conditions.tempTrendCPerDay);
    const seen = known('visibilityM', conditions.visibilityM);
    const wind = known('windMps', conditions.windMps);
    const day = new Map<string, string>([
      ['Answer', headline(plan, trend ?? 0, units)],
      ['Day', sayDate(conditions.date)],
      [
        'Water',
        `${say('temp', conditions.surfaceTempC, units)}${trend === undefined ? '' : `, ${sayTrend(trend, units)}`}`,
      ],
      ['Seen to', seen === undefined ? '' : say('depth', seen, units)],
      ['Sky', nameOf(known('sky', conditions.sky) ?? '')],
      ['Wind', wind === undefined ? '' : sayWind(wind, conditions.windFromDeg, units)],
      ['Front', FRONT_WORDS[known('front', conditions.front) ?? 'stable']],
      ['Level', LEVEL_WORDS[known('level', conditions.level) ?? 'stable']],
    ]);
    const windows = new Map<string, string>();
    for (const window of plan.windows) {
      const [first, second] = window.presentations;
      if (!first) continue;
      const waits = first.retrieve.pauseS ? `, wait ${first.retrieve.pauseS.join(' to ')} s` : '';
      const depth = first.runDepthM[1] <= 0.15 ? 'on top' : sayRange('depth', first.runDepthM, units);
      windows.set(
        windowName(window, plan.windows),
        `${sayHours(window.from, window.to)}: ${nameOf(first.category)}, ${depth}${waits}${second ? `; then ${nameOf(second.category)}` : ''}`,
      );
    }
    const grave = plan.cautions.filter(({ severity }) => severity !== 'advice').map(({ id }) => nameOf(id));
    const rest = new Map([
      ['Cautions', capital(grave.join(', ')) || 'None grave'],
      ['Engine', engineVersion],
    ]);
    return { day, windows, rest };
  }
}
