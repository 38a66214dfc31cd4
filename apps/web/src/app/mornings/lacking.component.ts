import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { capital, nameOf } from '@inky-shoal/core';
import { SettingsService } from '../base/settings.service';
import type { ToldLacking } from './mornings-api';
import { lackingWords } from './mornings-words';

/** Kinds of lures that are not owned and would be wanted, by what they should be. */
@Component({
  selector: 'inky-lacking',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ul>
      @for (each of lacks(); track each.category) {
        <li>
          <strong>{{ capital(name(each.category)) }}</strong>: {{ words(each)[0] }}.
          <span class="quiet">{{ words(each)[1] }}.</span>
        </li>
      }
    </ul>
  `,
  styles: `
    ul {
      padding-left: 1.25rem;
    }
  `,
})
export class LackingComponent {
  readonly lacks = input.required<readonly ToldLacking[]>();

  private readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });
  protected readonly capital = capital;
  protected readonly name = nameOf;

  protected words(lacking: ToldLacking): [what: string, why: string] {
    return lackingWords(lacking, this.units());
  }
}
