import { above, all, any, anyOf, below, is, not } from '../../rules/fuzzy.js';
import type { Occasions } from './occasion.js';
import * as day from './situations.js';

const { calm, chasing, clear, cloud, dirty, lowLight, shallow, stems, warm, windy, wood } = day;

const warmDim = all(above('surfaceTempC', 15, 18), any(lowLight, all(cloud, above('surfaceTempC', 16, 19))));
const tooBright = all(is('light:high'), not(any(chasing, cloud, day.dock)));

/** What keeps fish from coming up for any lure on the surface. */
const surface = (name: string) => [
  { id: `${name}-high-sun`, when: tooBright, effect: -2.2, text: 'High sun: they will not come up for it' },
  { id: `${name}-cold`, when: below('surfaceTempC', 14.5, 17), effect: -2.2, text: 'Too cold for the surface' },
  { id: `${name}-front`, when: day.postFront, effect: -2, text: 'The day after a front they do not look up' },
  { id: `${name}-beds`, when: all(is('phase:spawn'), not(lowLight)), effect: -0.9, text: 'On the beds they look down' },
];

/** Fish that lie on the bottom are not called up. */
const notForFlatfish = (name: string) => [
  { id: `${name}-flatfish`, when: is('species:flatfish'), effect: 1, text: 'Flatfish do not come up for it' },
];

/** Lures that stay on top. */
export const SURFACE_OCCASIONS = {
  'walking-topwater': {
    suits: [
      {
        id: 'walker-chasing',
        when: all(chasing, above('surfaceTempC', 13, 16)),
        effect: 2.6,
        text: 'They are chasing on top: walk it through them',
      },
      {
        id: 'walker-dim',
        when: all(warmDim, above('sightM', 0.5, 0.9)),
        effect: 1.7,
        text: 'Warm and dim: it calls them up',
      },
      {
        id: 'walker-clear-calls',
        when: all(warm, day.veryClear, any(lowLight, windy)),
        effect: 2.2,
        text: 'Very clear water: it calls them up from far',
      },
      {
        id: 'walker-clear-shad-spawn',
        when: all(day.shadSpawn, day.veryClear),
        effect: 3,
        text: 'In very clear water the shad spawn is a topwater bite',
      },
      {
        id: 'walker-herring',
        when: all(is('forage:herring'), warm),
        effect: 1.5,
        text: 'Herring eaters chase speed on top',
      },
    ],
    spoils: [
      ...surface('walker'),
      { id: 'walker-dirty', when: dirty, effect: -1, text: 'Found too late in dirty water' },
      { id: 'walker-thick', when: any(stems, day.mat), effect: -1, text: 'Stems foul its trebles' },
      { id: 'walker-leaves', when: day.leafy, effect: -1.6, text: 'Leaves foul its trebles' },
    ],
    excludes: notForFlatfish('walker'),
  },
  popper: {
    suits: [
      {
        id: 'popper-dim-cover',
        when: all(warmDim, any(wood, day.dock, stems, day.grass), below('windMps', 3, 6)),
        effect: 1.4,
        text: 'Quiet and dim beside cover: pop it and let it sit',
      },
      {
        id: 'popper-chasing',
        when: all(chasing, above('surfaceTempC', 15, 18)),
        effect: 1.9,
        text: 'Small bait is being chased on top',
      },
      {
        id: 'popper-sunfish',
        when: all(is('forage:sunfish'), shallow, any(lowLight, is('light:falling'), cloud)),
        effect: 1.3,
        text: 'Beside the sunfish beds',
      },
      {
        id: 'popper-shade',
        when: all(day.dock, warm, not(is('light:high'))),
        effect: 0.9,
        text: 'Along the shade of docks',
      },
    ],
    spoils: [
      ...surface('popper'),
      { id: 'popper-wind', when: windy, effect: -1, text: 'Lost in the chop' },
      { id: 'popper-dirty', when: below('sightM', 0.4, 0.7), effect: -0.8, text: 'Found too late in dirty water' },
      { id: 'popper-leaves', when: day.leafy, effect: -1.6, text: 'Leaves foul its trebles' },
      { id: 'popper-mat', when: day.mat, effect: -1, text: 'Pads foul its trebles' },
    ],
    excludes: notForFlatfish('popper'),
  },
  'tail-prop-topwater': {
    suits: [
      {
        id: 'tail-prop-stain',
        when: all(warmDim, below('sightM', 0.8, 1.3)),
        effect: 1.7,
        text: 'Stained and dim: a steady plop they can follow',
      },
      {
        id: 'tail-prop-post-spawn',
        when: all(is('phase:post-spawn'), any(lowLight, cloud, is('light:falling'))),
        effect: 1.6,
        text: 'After the spawn, along the banks they guard',
      },
      {
        id: 'tail-prop-fall',
        when: all(day.fallRun, day.shad, any(lowLight, cloud, windy)),
        effect: 1.5,
        text: 'Fall banks with shad: steady and far',
      },
      {
        id: 'tail-prop-chasing',
        when: all(chasing, windy, above('surfaceTempC', 15, 18)),
        effect: 1.7,
        text: 'Chasing in the chop: it is heard',
      },
    ],
    spoils: [
      ...surface('tail-prop'),
      { id: 'tail-prop-thick', when: any(stems, day.mat, day.grass), effect: -0.9, text: 'Grass fouls its blade' },
      { id: 'tail-prop-leaves', when: day.leafy, effect: -1.8, text: 'Leaves foul its hooks' },
    ],
  },
  buzzbait: {
    suits: [
      {
        id: 'buzzbait-shallow-dim',
        when: all(
          above('surfaceTempC', 15.5, 18),
          any(lowLight, cloud),
          shallow,
          any(wood, stems, day.grass, is('structure:riprap')),
        ),
        effect: 1.8,
        text: 'Dim, warm and shallow: over wood and grass',
      },
      {
        id: 'buzzbait-stain',
        when: all(warmDim, below('sightM', 0.7, 1.2), shallow),
        effect: 1.5,
        text: 'Stained and dim: loud and quick',
      },
      {
        id: 'buzzbait-early',
        when: all(above('surfaceTempC', 10.8, 12.3), lowLight, anyOf('phase:pre-spawn', 'phase:spawn'), shallow),
        effect: 3.4,
        text: 'The first hour of a spring morning, for one big one',
        school: ['topwater-floor', 'early-buzzbait'],
      },
    ],
    spoils: [
      ...surface('buzzbait').filter(({ id }) => id !== 'buzzbait-cold'),
      {
        id: 'buzzbait-cold',
        when: below('surfaceTempC', 14.5, 17),
        effect: -2.2,
        text: 'Too cold for the surface',
        school: ['topwater-floor', 'sixty'],
      },
      { id: 'buzzbait-clear-calm', when: all(clear, calm), effect: -1, text: 'Too loud for clear calm water' },
      {
        id: 'buzzbait-no-cover',
        when: not(any(wood, stems, day.grass, day.mat, is('structure:riprap'), day.dock)),
        effect: -0.8,
        text: 'It wants something to run over',
      },
    ],
  },
  'hollow-frog': {
    suits: [
      {
        id: 'frog-pads',
        when: all(above('surfaceTempC', 17, 20), any(day.mat, is('cover:emergent-grass'))),
        effect: 2.6,
        text: 'Pads and mats: over them and into the gaps',
      },
      {
        id: 'frog-grass-top',
        when: all(
          above('surfaceTempC', 17, 20),
          is('cover:submerged-grass'),
          below('waterOverCoverM', 0.25, 0.5),
          any(lowLight, cloud),
        ),
        effect: 1.8,
        text: 'Grass to the surface: over its top',
      },
      {
        id: 'frog-reeds',
        when: all(above('surfaceTempC', 17, 20), anyOf('cover:reeds', 'cover:flooded-bush')),
        effect: 1.3,
        text: 'Back in the stems, where nothing else goes',
      },
    ],
    spoils: [
      { id: 'frog-cold', when: below('surfaceTempC', 15.5, 18), effect: -2.5, text: 'Too cold for the surface' },
      { id: 'frog-front', when: day.postFront, effect: -1.3, text: 'The day after a front they do not look up' },
    ],
    excludes: [
      {
        id: 'frog-no-mat',
        when: all(
          not(any(day.mat, anyOf('cover:emergent-grass', 'cover:reeds', 'cover:flooded-bush'))),
          not(all(is('cover:submerged-grass'), below('waterOverCoverM', 0.3, 0.7))),
        ),
        effect: 1,
        text: 'Made for mats and stems, and there are none here',
      },
    ],
  },
} satisfies Occasions;
