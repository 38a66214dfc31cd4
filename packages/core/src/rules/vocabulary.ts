/** What the lure must come through; `mat` is what closes the surface. */
export const GROUNDS = ['rock', 'wood', 'grass', 'mat', 'open', 'shell'] as const;
export type Ground = (typeof GROUNDS)[number];

/**
 * How a lure is fished, which is what makes two of them alike: along the top, swum high, cranked along the bottom,
 * dropped on a target, dragged over the bottom, or straight under the boat.
 */
export const WAYS_FISHED = ['top', 'swum', 'cranked', 'dropped', 'dragged', 'vertical'] as const;
export type WayFished = (typeof WAYS_FISHED)[number];

/**
 * Groups of fish that hold at one time on one water: up on the edge or on what the sun has warmed, hanging in the water,
 * down on the break; and those that a regime makes: at the flooded bank, on the muddy flat, at the shad spawn, chasing.
 */
export const GROUP_IDS = ['edge', 'hanging', 'bottom', 'bank', 'mud-flat', 'shad-spawn', 'chasing'] as const;
export type GroupId = (typeof GROUP_IDS)[number];
