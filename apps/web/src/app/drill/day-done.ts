import type { DrillStep } from '@inky-shoal/core/drill';
import type { GradedAnswer } from './drill-api';
import type { SaidAnswer } from './step.component';

/** A step of a day that was answered. */
export interface Answered extends SaidAnswer {
  readonly step: DrillStep;
  readonly graded: GradedAnswer;
  /** Of the event that keeps it. */
  readonly id: string;
}

/** What a day came to. */
export interface DayDone {
  readonly marks: number;
  readonly answers: number;
}

export const dayDone = (answered: readonly Answered[]): DayDone => ({
  marks: answered.reduce((sum, { graded }) => sum + graded.score, 0),
  answers: answered.length,
});
