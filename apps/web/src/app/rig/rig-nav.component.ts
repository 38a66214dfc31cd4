import { ChangeDetectionStrategy, Component } from '@angular/core';
import { RouterLink, RouterLinkActive } from '@angular/router';

/** The three sides of Rig: rods for the day, what is owned, and the bench. */
@Component({
  selector: 'inky-rig-nav',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink, RouterLinkActive],
  template: `
    <nav aria-label="Rig" class="no-print">
      @for (side of sides; track side.path) {
        <a
          [routerLink]="side.path"
          routerLinkActive="here"
          [routerLinkActiveOptions]="{ exact: side.path === '/rig' }"
          ariaCurrentWhenActive="page"
          >{{ side.name }}</a
        >
      }
    </nav>
  `,
  styles: `
    nav {
      display: flex;
      gap: 0.25rem;
      margin-bottom: 0.75rem;
    }
    a {
      display: flex;
      align-items: center;
      min-height: var(--touch);
      padding: 0 0.8rem;
      border-bottom: 3px solid var(--rule);
      font-family: var(--display);
      font-weight: 600;
      color: var(--ink-2);
      text-decoration: none;
    }
    a:hover {
      background: var(--paper-2);
    }
    a.here {
      color: var(--ink);
      border-bottom-color: var(--act);
    }
  `,
})
export class RigNavComponent {
  protected readonly sides = [
    { path: '/rig', name: 'Rods' },
    { path: '/rig/boxes', name: 'Boxes' },
    { path: '/rig/bench', name: 'Bench' },
  ];
}
