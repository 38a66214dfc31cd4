import type {
  BladeShape,
  CategoryId,
  ColourFamily,
  Position,
  RetrieveStyle,
  Role,
  SchoolId,
  Sound,
} from '../contract/ids.js';
import type { SinkingForm } from '../mechanics/sinking.js';
import type { Condition } from '../rules/fuzzy.js';
import type { WayFished } from '../rules/vocabulary.js';

export type Trapezoid = readonly [number, number, number, number];

/** What a category is, 0 (not at all) to 1 (as much as any): the properties that rules speak of. */
export interface Traits {
  /** Water covered in an hour. */
  readonly coverage: number;
  /** How well it stays where the fish is: pauses, hangs, shakes in place. */
  readonly hang: number;
  /** Thump felt through the water. */
  readonly vibration: number;
  readonly flash: number;
  /** Rattle, pop and splash. */
  readonly noise: number;
  /** Size and bulk of the profile among its kind. */
  readonly bulk: number;
  /** Fished at a target one can see, in short casts. */
  readonly precise: number;
  /** Gains by hitting what it runs into. */
  readonly deflects: number;
  /** Fished straight under the boat. */
  readonly vertical: number;
  readonly likeBaitfish: number;
  readonly likeCrayfish: number;
  readonly likeSunfish: number;
  readonly likeShrimp: number;
  readonly likeCrab: number;
  /** Plain, quiet, eaten out of habit more than for what it looks like. */
  readonly plainMorsel: number;
}

/** How freely a category passes through each ground, 0 (hopeless) to 1 (free). */
export interface SnagResistance {
  readonly rock: number;
  readonly wood: number;
  readonly grass: number;
  /** Pads and mats that close the surface. */
  readonly mat: number;
  readonly shell: number;
}

/** A style of retrieve and when it is the one; the first whose condition holds best is taken. */
export interface StyleChoice {
  readonly style: RetrieveStyle;
  readonly when: Condition;
}

/** How a category comes to its depth: a lip drives it down, it sinks, it hangs under a cork, or it stays on top. */
export type WaterForm = 'diver' | 'surface' | 'hung' | SinkingForm;

/** One of the forms in which a category is made, by the depth that it is made for. */
export interface DepthClass {
  readonly id: string;
  /** In words, as one would ask for it: `that dives to {depth:2.1}`. */
  readonly text: string;
  /** Depths, metres, that it is made for on its own line. */
  readonly reachM: readonly [number, number];
  /** Held up by rod, thicker line or a faster start it runs as shallow as this, metres. */
  readonly heldUpM: number;
  readonly lengthMm?: readonly [number, number];
  readonly weightG?: readonly [number, number];
  readonly line?: LineNeed;
  /** Sizes of its trebles, front first. */
  readonly hooks?: readonly string[];
}

export interface RodNeed {
  readonly power: 'light' | 'medium-light' | 'medium' | 'medium-heavy' | 'heavy';
  readonly action: 'fast' | 'moderate-fast' | 'moderate' | 'moderate-slow';
  readonly lengthM: number;
}

export interface LineNeed {
  readonly material: 'nylon' | 'fluorocarbon' | 'braid';
  readonly testLb: number;
  readonly leaderLb?: number;
  /** The tests on which it is fished, lb: lighter breaks off, heavier spoils it. */
  readonly betweenLb?: readonly [number, number];
}

/** A lure or rig by its kind, never by a trade name. Everything the engine knows of it is here. */
export interface Category {
  readonly id: CategoryId;
  /** In words, as in a sentence: "suspending jerkbait". */
  readonly name: string;
  /** How the water sees it. */
  readonly form: WaterForm;
  readonly fished: WayFished;
  readonly roles: readonly [Role, ...Role[]];
  readonly disciplines: readonly ('bass' | 'inshore')[];
  readonly runDepthM: readonly [number, number];
  readonly paceMps: readonly [number, number];
  readonly positions: Readonly<Record<Position, number>>;
  readonly traits: Traits;
  readonly snag: SnagResistance;
  readonly hook: 'treble' | 'single';
  /** Water temperatures in degrees Celsius that suit it: none, full, full, none. */
  readonly tempC: Trapezoid;
  /** Effective visibility in metres that suits it: none, full, full, none. */
  readonly visibilityM: Trapezoid;
  /** Under a side of a school (`id:side`) another visibility suits it. */
  readonly visibilityBySchool?: { readonly school: string; readonly visibilityM: Trapezoid };
  readonly lengthMm: readonly [number, number];
  readonly weightG: readonly [number, number];
  readonly families: readonly ColourFamily[];
  readonly styles: readonly [StyleChoice, ...StyleChoice[]];
  /** Carries blades: their usual shapes, front first. */
  readonly blades?: readonly BladeShape[];
  /** Made to be fished over or through mats and pads. */
  readonly madeForMats?: true;
  /** Carries a trailer. */
  readonly trailer?: true;
  readonly rod: RodNeed;
  readonly reel: { readonly kind: 'casting' | 'spinning'; readonly ratio: number };
  readonly line: LineNeed;
  /** Schools that speak about this category. */
  readonly schools?: readonly SchoolId[];
  /** The kind of rule to check with the local authority before using it. */
  readonly legal?: string;
  /** The depth classes in which it is made; absent where there is one form for all depths. */
  readonly classes?: readonly [DepthClass, ...DepthClass[]];
  /** What its makers put into it, quietest first; absent where it has no sound of its own. */
  readonly sounds?: readonly Sound[];
  /** Sizes of its trebles, front first. */
  readonly hooks?: readonly string[];
  /** It hangs where it stops, so that the day decides how it should hang. */
  readonly hangs?: true;
  /** Weight of the head or sinker, g, chosen apart from the lure by depth and wind. */
  readonly headG?: readonly [number, number];
}
