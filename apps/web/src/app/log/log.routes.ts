import type { Routes } from '@angular/router';
import { BesideTripView } from './beside-trip.view';
import { LogView } from './log.view';
import { LoggedTripView } from './logged-trip.view';
import { PastTripView } from './past-trip.view';
import { PlacesView } from './places.view';
import { ShowsView } from './shows.view';
import { TaughtView } from './taught.view';

/** The log, in one piece: who looks at one part of it soon looks at another. */
export const LOG_ROUTES: Routes = [
  { path: '', component: LogView },
  { path: 'shows', title: 'What it shows', component: ShowsView },
  { path: 'places', title: 'Places', component: PlacesView },
  { path: 'taught', title: 'Taught', component: TaughtView },
  { path: 'past', title: 'A past trip', component: PastTripView },
  { path: ':id', title: 'A trip', component: LoggedTripView },
  { path: ':id/beside', title: 'Two days', component: BesideTripView },
];
