import type {
  CategoryId,
  ForageKind,
  LineMaterial,
  Phase,
  Regime,
  RodPower,
  SchoolId,
  Structure,
  Tone,
} from '../contract/ids.js';
import type { Range } from '../contract/plan.js';

/** Rod and line, as they are chosen for a lure. */
export interface DrillRig {
  readonly power: RodPower;
  readonly material: LineMaterial;
  readonly testLb: number;
}

export type DrillAnswer =
  | { readonly step: 'phase'; readonly phase: Phase }
  | { readonly step: 'regime'; readonly regime: Regime }
  | { readonly step: 'food'; readonly kind: ForageKind }
  | { readonly step: 'where'; readonly structure: Structure }
  /** A band for each window of the day; null where none was drawn. */
  | { readonly step: 'depth'; readonly bandsM: readonly (Range | null)[] }
  | { readonly step: 'lure'; readonly category: CategoryId }
  /** Of the planner's lure, by the id of its depth class. */
  | { readonly step: 'class'; readonly classId: string }
  | { readonly step: 'trim'; readonly tone: Tone }
  | { readonly step: 'pause'; readonly seconds: number }
  | { readonly step: 'rig'; readonly rig: DrillRig };

/** An answer with what it is worth and why. */
export interface Graded {
  /** 0 to 1: full where the planner finds it nearly as good as its own. */
  readonly score: number;
  /** What the planner has, in words. */
  readonly best: string;
  readonly because: readonly string[];
  readonly against: readonly string[];
  /** The school by whose other side it is right; null where none is needed, or none makes it so. */
  readonly school: SchoolId | null;
  /** The planner itself is unsure of it: the answer is graded mildly. */
  readonly unsure: boolean;
}
