import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import { nameOf, say, sayRange, type PlanWindow, type UnitSystem } from '@inky-shoal/core';
import type { RodAdvice } from '@inky-shoal/core/tackle/match';
import { windowName } from '../sheet/words';
import { sayWhere } from './rig-words';

/** Rods for the day: what to tie on each, what it gives up, and what will not reach. */
@Component({
  selector: 'inky-rods',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink],
  templateUrl: './rods.component.html',
  styleUrl: './rods.component.css',
})
export class RodsComponent {
  readonly rods = input.required<readonly RodAdvice[]>();
  readonly windows = input.required<readonly PlanWindow[]>();
  readonly units = input.required<UnitSystem>();

  protected readonly name = nameOf;
  protected readonly where = sayWhere;

  protected when({ windowIds }: RodAdvice): string {
    const all = this.windows();
    if (windowIds.length === all.length) return 'all day';
    return all
      .filter(({ id }) => windowIds.includes(id))
      .map((window) => windowName(window, all).toLowerCase())
      .join(', ');
  }

  protected line({ combo: { line, leader } }: RodAdvice): string {
    const test = (lb: number) => say('test', lb, this.units());
    return `${test(line.testLb)} ${line.material}${leader ? `, ${test(leader.testLb)} leader` : ''}`;
  }

  /** How deep it gets beside what is wanted, where that is told. */
  protected depth({ reach }: RodAdvice): string {
    if (!reach) return '';
    const wanted = sayRange('depth', reach.wantedM, this.units());
    return `gets to ${say('depth', reach.deepestM, this.units())}, wanted ${wanted}`;
  }

  /** What the bench is filled from. */
  protected bench({ lure, combo: { rod }, reach }: RodAdvice): Record<string, string> {
    const [from, to] = (reach?.wantedM ?? [0, 0]).map((depth) => depth.toFixed(2));
    return { lure: lure.id, rod: rod.id, from: from ?? '', to: to ?? '' };
  }

  /** What to do about one that does not get down there as it is. */
  protected instead({ respool, instead, combo }: RodAdvice): string {
    if (!respool) return instead ?? '';
    const then = respool.deepestM === null ? '' : `: it then gets to ${say('depth', respool.deepestM, this.units())}`;
    return `Put ${respool.line.name} on ${combo.reel.name} first${then}`;
  }

  protected needs({ needs }: RodAdvice): string {
    return needs
      .filter(({ item }) => item)
      .map(({ what, item, differs }) => `${what}: ${item?.name}${differs ? ` (${differs})` : ''}`)
      .join('; ');
  }
}
