import type { TideStage } from '../contract/ids.js';

/** A tide as it stands at one moment. */
export interface TideNow {
  readonly stage: TideStage;
  readonly hoursIntoStage?: number | undefined;
  /** Between low and high water, metres. */
  readonly rangeM?: number | undefined;
}

/** From one slack to the next: half the principal lunar tide's 12.42 hours. */
const HALF_TIDE_MIN = 372.6;

/**
 * How far the water stands over its middle level some minutes after a tide was told, metres: one cosine between the
 * slacks, which the rule of twelfths follows in steps.
 */
export function tideAboveM({ stage, hoursIntoStage = 0, rangeM = 0 }: TideNow, minutesLater: number): number {
  const into = ((hoursIntoStage * 60 + minutesLater) / HALF_TIDE_MIN) * Math.PI;
  const fallingFromHigh = (rangeM / 2) * Math.cos(into);
  return stage === 'falling' || stage === 'high-slack' ? fallingFromHigh : -fallingFromHigh;
}
