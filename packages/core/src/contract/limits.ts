/** What each measured field may be, in its own unit. */
export const LIMITS = {
  surfaceTempC: [-2, 40],
  tempTrendCPerDay: [-5, 5],
  yearLowC: [-2, 35],
  visibilityM: [0.01, 30],
  normalVisibilityM: [0.01, 30],
  windMps: [0, 60],
  maxDepthM: [0.3, 300],
  mixedDepthM: [0.2, 60],
} as const;
export type Limited = keyof typeof LIMITS;

/** Cells of the largest chart: it is held in memory several times over. */
export const MAX_CHART_CELLS = 16_000_000;
