import type { Phase } from '../contract/ids.js';
import { likeliest, type PhaseCourse, phasesOn } from './phase-filter.js';

/** When the next phase is expected, as calendar day numbers; null where that lies beyond what is looked ahead. */
export interface Coming {
  readonly phase: Phase;
  readonly earliest: number | null;
  readonly likely: number | null;
  readonly latest: number | null;
}

/** How many standard deviations the warm and the cool course stand off: 80 % of what may be lies between them. */
export const EDGE_SD = 1.2816;

/** First day from `today` on by which the phase after `present`, or one of the three after that, is likelier than not. */
function reached(course: PhaseCourse, present: number, today: number): number | null {
  const count = course.phases.length;
  const last = course.firstDay + course.probabilities.length / count - 1;
  for (let day = today + 1; day <= last; day++) {
    const now = phasesOn(course, day);
    let past = 0;
    for (let ahead = 1; ahead <= Math.min(4, count - 2); ahead++) past += now[(present + ahead) % count] as number;
    if (past >= 0.5) return day;
  }
  return null;
}

/**
 * When a zone is expected to reach the next phase: on its likely course, and on the courses along the warm and the cool
 * edge of what may be.
 * @param edges phases followed along both edges from today on
 */
export function comingPhase(likely: PhaseCourse, edges: readonly [PhaseCourse, PhaseCourse], today: number): Coming {
  const present = likeliest(phasesOn(likely, today));
  const phase = likely.phases[(present + 1) % likely.phases.length] as Phase;
  const middle = reached(likely, present, today);
  const [a, b] = [reached(edges[0], present, today), reached(edges[1], present, today)];
  const days = [a, b, middle].filter((day) => day !== null);
  const open = a === null || b === null;
  return {
    phase,
    earliest: days.length ? Math.min(...days) : null,
    likely: middle,
    latest: open || !days.length ? null : Math.max(...days),
  };
}
