import { decidingCondition, othersWould, planDay, rulesToday, seasonYear, tippingPoints } from '@inky-shoal/core';
import { movingWater } from '@inky-shoal/core/plan/moving-water';

/** The planner, beside the page so that it never holds it up. */
export const plannerApi = {
  planDay,
  tippingPoints,
  decidingCondition,
  othersWould,
  rulesToday,
  seasonYear,
  movingWater,
};
export type PlannerApi = typeof plannerApi;
