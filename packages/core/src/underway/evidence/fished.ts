import type { CategoryId, Cover, Light, Role, Structure, TideStage } from '../../contract/ids.js';

/** What is fished at once: where, how deep, by what, with what, how fast, in which light and tide. */
export interface Fished {
  /** A place with an id of its own; null where it has none. */
  readonly spot: string | null;
  readonly structure: Structure | null;
  readonly cover: Cover | null;
  /** Depth at which the lure runs, metres. */
  readonly depthM: number;
  readonly category: CategoryId;
  readonly role: Role;
  /** Colour and trim in a word; null where it was not said. */
  readonly trim: string | null;
  /** How fast the lure moves, pauses included, metres a second. */
  readonly paceMps: number;
  readonly light: Light;
  /** Null where there is no tide, or where it is not known. */
  readonly tide: TideStage | null;
}

/** A stretch of fishing and what it brought. Effort counts, not fish alone: no bite in an hour is news. */
export interface Block extends Fished {
  /** Middle of the stretch, minutes past midnight. */
  readonly atMin: number;
  readonly hours: number;
  readonly bites: number;
  /** Follows, and strikes that fell short: fish that came and did not take. */
  readonly nearMisses?: number;
}

/** Something that could be fished next, with what the plan thinks of it. */
export interface Candidate extends Fished {
  readonly id: string;
  /** The planner's expectation, over 0; only how candidates stand to one another counts. */
  readonly prior: number;
}

/** What a day's results are asked of: one of these at a time. */
export const EVIDENCE_ATTRIBUTES = [
  'spot',
  'structure',
  'cover',
  'depth',
  'category',
  'trim',
  'pace',
  'light',
  'tide',
] as const;
export type EvidenceAttribute = (typeof EVIDENCE_ATTRIBUTES)[number];
