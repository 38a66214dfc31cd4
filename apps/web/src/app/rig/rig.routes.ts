import type { Routes } from '@angular/router';
import { RigView } from './rig.view';

/** Rods, boxes and the bench. */
export const RIG_ROUTES: Routes = [
  { path: '', component: RigView },
  { path: 'boxes', title: 'Boxes', loadComponent: () => import('./boxes/boxes.view').then((m) => m.BoxesView) },
  { path: 'bench', pathMatch: 'full', redirectTo: 'bench/running-depth' },
  { path: 'bench/:tool', title: 'Bench', loadComponent: () => import('./bench/bench.view').then((m) => m.BenchView) },
];
