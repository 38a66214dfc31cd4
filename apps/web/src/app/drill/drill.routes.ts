import type { Routes } from '@angular/router';

export const DRILL_ROUTES: Routes = [
  { path: '', title: 'Practice', loadComponent: () => import('./drill-home.view').then((m) => m.DrillHomeView) },
  { path: 'day', title: 'Judge a day', loadComponent: () => import('./drill-day.view').then((m) => m.DrillDayView) },
  { path: 'evening', title: 'Ten minutes', loadComponent: () => import('./evening.view').then((m) => m.EveningView) },
  { path: 'turn', title: 'Turned round', loadComponent: () => import('./turn.view').then((m) => m.TurnView) },
  { path: 'spot', title: 'On the chart', loadComponent: () => import('./spot.view').then((m) => m.SpotView) },
];
