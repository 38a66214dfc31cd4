import { above, all, any, anyOf, below, between, is, not } from '../../rules/fuzzy.js';

/** Situations that several lures' occasions share, each said once. Temperatures in degrees Celsius, depths in metres. */

export const veryCold = below('surfaceTempC', 6.5, 9);
export const cold = below('surfaceTempC', 10, 13.5);
export const cool = between('surfaceTempC', 6.5, 8, 14.5, 17);
export const mild = between('surfaceTempC', 12, 14, 22, 25);
export const warm = above('surfaceTempC', 15, 19);
export const hot = above('surfaceTempC', 23, 26);

export const clear = above('sightM', 0.85, 1.3);
export const veryClear = above('sightM', 1.9, 2.8);
export const stained = between('sightM', 0.35, 0.5, 1.1, 1.6);
export const dirty = below('sightM', 0.45, 0.75);
export const mud = below('sightM', 0.22, 0.4);

export const windy = above('windMps', 3, 6);
export const calm = below('windMps', 1.8, 3.5);
export const cloud = anyOf('sky:overcast', 'sky:rain', 'sky:fog');
export const lowLight = is('light:low');
export const brightCalm = is('bright-and-calm');

export const grass = is('ground:grass');
export const stems = anyOf('cover:emergent-grass', 'cover:reeds', 'cover:pads', 'cover:flooded-bush');
export const mat = anyOf('cover:pads', 'ground:mat');
export const wood = is('ground:wood');
export const branches = anyOf('cover:laydown', 'cover:brush-pile', 'cover:flooded-bush', 'cover:trees');
export const rock = is('ground:rock');
export const dock = anyOf('cover:dock', 'structure:dock', 'structure:marina');
export const offshore = anyOf(
  'structure:ledge',
  'structure:hump',
  'structure:main-lake-point',
  'structure:saddle',
  'structure:channel-swing',
  'structure:hard-spot',
);

export const shallow = below('holdingDepthM', 1.6, 2.3);
export const middling = between('holdingDepthM', 1.7, 2.2, 3.7, 4.4);
export const deep = above('holdingDepthM', 3, 4);
export const veryDeep = above('holdingDepthM', 5, 6.2);

export const hanging = is('position:suspended');
export const onBottom = is('position:bottom');
export const lookingUp = is('position:surface');

export const postFront = is('front:post-frontal');
export const feedingUp = anyOf('front:approaching', 'front:passing');
export const pressured = is('pressure:high');
export const chasing = anyOf('sign:surface-chasing', 'seen:chased', 'sign:birds-diving');
/** The hours of the shad spawn, until an hour or two after sunrise. */
export const shadSpawn = all(is('overlay:shad-spawn'), above('shadSpawnHoursLeft', -0.6, 0.2));
export const shad = anyOf('forage:shad', 'forage:herring');
export const coldSeason = anyOf('phase:winter', 'phase:staging', 'phase:late-fall');
export const springFeed = anyOf('phase:pre-spawn', 'phase:staging');
export const fallRun = anyOf('phase:fall', 'phase:early-fall');
export const aroundSpawn = anyOf('phase:spawn', 'phase:post-spawn');
/** Wind blows leaves into the backs in fall, even where nobody says so. */
export const leavesLikely = all(
  is('phase:fall'),
  anyOf('structure:pocket', 'structure:creek-back'),
  above('windMps', 4, 8),
);
export const leafy = is('leaves');
export const noMat = not(any(mat, anyOf('cover:emergent-grass', 'cover:submerged-grass')));
