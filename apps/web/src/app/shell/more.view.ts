import { ChangeDetectionStrategy, Component } from '@angular/core';
import { RouterLink } from '@angular/router';

/** On a phone: the views that have no room at the foot of the page. */
@Component({
  selector: 'inky-more',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink],
  template: `<div class="view">
    <h1>More</h1>
    <ul>
      @for (view of views; track view.path) {
        <li>
          <a [routerLink]="view.path"
            ><strong>{{ view.name }}</strong> <span>{{ view.about }}</span></a
          >
        </li>
      }
    </ul>
  </div>`,
  styles: `
    ul {
      list-style: none;
      margin: 0.5rem 0 0;
      padding: 0;
    }
    a {
      display: grid;
      min-height: 3.5rem;
      align-content: center;
      border-bottom: var(--stroke) solid var(--rule);
      text-decoration: none;
    }
    strong {
      font-family: var(--display);
    }
    span {
      color: var(--ink-2);
    }
  `,
})
export class MoreView {
  protected readonly views = [
    { path: '/season', name: 'Season', about: 'where the year stands, and what comes' },
    { path: '/log', name: 'Log', about: 'trips that were made, and what they taught' },
    { path: '/drill', name: 'Practice', about: 'ten minutes, and the planner needs you less' },
    { path: '/cadence', name: 'Cadence', about: 'how long eight seconds are' },
    { path: '/plans', name: 'Plans', about: 'days that were saved' },
    { path: '/waters', name: 'Waters', about: 'what you fish, and its readings' },
    { path: '/rig/boxes', name: 'Boxes', about: 'lures, rods, reels and lines you own' },
    { path: '/rig/bench', name: 'Bench', about: 'how deep, how far, how heavy' },
    { path: '/rules', name: 'Rules', about: 'everything the planner knows' },
    { path: '/bin', name: 'Bin', about: 'what was removed or changed' },
    { path: '/settings', name: 'Settings', about: 'units, look, schools, instruments, backups' },
  ];
}
