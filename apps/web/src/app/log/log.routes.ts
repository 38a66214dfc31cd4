import type { Routes } from '@angular/router';
import { LogView } from './log.view';

/** The log: its wall, what it shows and remembers, a trip of it. */
export const LOG_ROUTES: Routes = [
  { path: '', component: LogView },
  {
    path: 'shows',
    title: 'What it shows',
    loadComponent: () => import('./shows.view').then((m) => m.ShowsView),
  },
  { path: 'places', title: 'Places', loadComponent: () => import('./places.view').then((m) => m.PlacesView) },
  { path: 'taught', title: 'Taught', loadComponent: () => import('./taught.view').then((m) => m.TaughtView) },
  { path: 'past', title: 'A past trip', loadComponent: () => import('./past-trip.view').then((m) => m.PastTripView) },
  {
    path: ':id',
    title: 'A trip',
    loadComponent: () => import('./logged-trip.view').then((m) => m.LoggedTripView),
  },
];
