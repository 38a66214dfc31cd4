import { nameOf, type SavedPlanSummary } from '@inky-shoal/core';
import { capital } from '../sheet/words';
import { sayDate } from '../ui/dates';

/** Orders of the list of plans. */
export const ORDERS = {
  made: {
    name: 'Last made first',
    by: (a: SavedPlanSummary, b: SavedPlanSummary) => b.createdAt.localeCompare(a.createdAt),
  },
  latest: { name: 'Latest day first', by: (a: SavedPlanSummary, b: SavedPlanSummary) => b.date.localeCompare(a.date) },
  name: { name: 'By name', by: (a: SavedPlanSummary, b: SavedPlanSummary) => a.name.localeCompare(b.name) },
} as const;
export type PlanOrder = keyof typeof ORDERS;

/** Day, water, phase, first lure and the record it was made with, in a line. */
export function planWords({ date, phase, first, record }: SavedPlanSummary, waterName: string): string {
  const lure = first ? `, ${nameOf(first)} first` : '';
  const by = record ? ` By your record of ${record.trips} ${record.trips === 1 ? 'trip' : 'trips'}.` : '';
  return `${sayDate(date)}${waterName ? `, ${waterName}` : ''}. ${capital(nameOf(phase))}${lure}.${by}`;
}

/** The list as rows of a table. */
export const planRows = (
  plans: readonly SavedPlanSummary[],
  waterName: (plan: SavedPlanSummary) => string,
): string[][] => [
  ['name', 'date', 'water', 'phase', 'first lure', 'made'],
  ...plans.map((plan) => [
    plan.name,
    plan.date,
    waterName(plan),
    nameOf(plan.phase),
    plan.first ? nameOf(plan.first) : '',
    plan.createdAt,
  ]),
];
