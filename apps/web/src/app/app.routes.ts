import type { Routes } from '@angular/router';

export const routes: Routes = [
  { path: '', pathMatch: 'full', redirectTo: 'sheet' },
  { path: 'sheet', title: 'Sheet', loadComponent: () => import('./sheet/sheet.view').then((m) => m.SheetView) },
  { path: 'season', title: 'Season', loadComponent: () => import('./season/season.view').then((m) => m.SeasonView) },
  {
    path: 'sheet/beside/:school/:side',
    title: 'The other side',
    loadComponent: () => import('./sheet/beside.view').then((m) => m.BesideView),
  },
  {
    path: 'sheet/species',
    title: 'Two kinds of fish',
    loadComponent: () => import('./sheet/species.view').then((m) => m.SpeciesView),
  },
  {
    path: 'mornings',
    title: 'How sure',
    loadComponent: () => import('./mornings/mornings.view').then((m) => m.MorningsView),
  },
  {
    path: 'competition',
    title: 'The day that counts',
    loadComponent: () => import('./competition/competition.view').then((m) => m.CompetitionView),
  },
  { path: 'drill', loadChildren: () => import('./drill/drill.routes').then((m) => m.DRILL_ROUTES) },
  { path: 'cadence', title: 'Cadence', loadComponent: () => import('./drill/cadence.view').then((m) => m.CadenceView) },
  { path: 'water', title: 'Water', loadComponent: () => import('./water/water.view').then((m) => m.WaterView) },
  { path: 'rig', title: 'Rods', loadChildren: () => import('./rig/rig.routes').then((m) => m.RIG_ROUTES) },
  {
    path: 'underway',
    title: 'Underway',
    loadComponent: () => import('./underway/underway.view').then((m) => m.UnderwayView),
  },
  {
    path: 'underway/bring',
    title: 'Trips from a file',
    loadComponent: () => import('./underway/past/past-trips.view').then((m) => m.PastTripsView),
  },
  { path: 'log', title: 'Log', loadChildren: () => import('./log/log.routes').then((m) => m.LOG_ROUTES) },
  { path: 'more', title: 'More', loadComponent: () => import('./shell/more.view').then((m) => m.MoreView) },
  { path: 'rules', title: 'Rules', loadComponent: () => import('./rules/rules.view').then((m) => m.RulesView) },
  { path: 'waters', title: 'Waters', loadComponent: () => import('./waters/waters.view').then((m) => m.WatersView) },
  { path: 'plans', title: 'Plans', loadComponent: () => import('./plans/plans.view').then((m) => m.PlansView) },
  {
    path: 'plans/compare/:left/:right',
    title: 'Two plans',
    loadComponent: () => import('./plans/compare.view').then((m) => m.CompareView),
  },
  {
    path: 'settings',
    title: 'Settings',
    loadComponent: () => import('./settings/settings.view').then((m) => m.SettingsView),
  },
  {
    path: 'bin',
    title: 'Removed and changed',
    loadComponent: () => import('./settings/bin.view').then((m) => m.BinView),
  },
  { path: '**', title: 'Not here', loadComponent: () => import('./shell/not-here.view').then((m) => m.NotHereView) },
];
