import { decidingCondition, othersWould, planDay, rulesToday, seasonYear, tippingPoints } from '@inky-shoal/core';

/** The planner, beside the page so that it never holds it up. */
export const plannerApi = {
  planDay,
  tippingPoints,
  decidingCondition,
  othersWould,
  rulesToday,
  seasonYear,
};
export type PlannerApi = typeof plannerApi;
