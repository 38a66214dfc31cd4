/**
 * Groups of fish that hold at one time on one water: up on the edge or on what the sun has warmed, hanging in the water,
 * down on the break; and those that a regime makes: at the flooded bank, on the muddy flat, at the shad spawn, chasing.
 */
export const GROUP_IDS = ['edge', 'hanging', 'bottom', 'bank', 'mud-flat', 'shad-spawn', 'chasing'] as const;
export type GroupId = (typeof GROUP_IDS)[number];
