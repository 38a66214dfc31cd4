import { COVERS, nameOf, STRUCTURES, type Cover, type Structure } from '@inky-shoal/core';
import { BOTTOMS, type ChartFeature, type FeatureShape } from '@inky-shoal/core/chart';

import { capital } from '../../sheet/words';

/** What a feature is, apart from where it lies and how it is called. */
export type What = Pick<ChartFeature, 'kind' | 'cover' | 'bottom' | 'structure'>;

export interface DrawChoice {
  /** `cover:laydown`, or the kind alone. */
  readonly id: string;
  readonly name: string;
  readonly what: What;
  /** What it is drawn as. */
  readonly as: FeatureShape['type'];
}

export interface DrawGroup {
  readonly name: string;
  readonly choices: readonly DrawChoice[];
}

/** Covers and places that are one thing, drawn as a point; places that run along something, drawn as a line. */
const POINTS: ReadonlySet<string> = new Set<Cover | Structure>([
  'laydown',
  'stump',
  'brush-pile',
  'inflow',
  'hard-spot',
  'drain-mouth',
  'pothole',
]);
const LINES: ReadonlySet<string> = new Set<Cover | Structure>([
  'dock',
  'riprap',
  'bridge',
  'dam-face',
  'ditch',
  'ledge',
  'bluff',
  'channel-swing',
  'transition',
  'trough',
  'grass-edge',
]);

const shapeFor = (id: string): FeatureShape['type'] =>
  POINTS.has(id) ? 'Point' : LINES.has(id) ? 'LineString' : 'Polygon';

const group = (kind: 'cover' | 'bottom' | 'structure', name: string, ids: readonly string[]): DrawGroup => ({
  name,
  choices: ids.map((id) => ({
    id: `${kind}:${id}`,
    name: nameOf(id),
    what: { kind, [kind]: id },
    as: kind === 'bottom' ? 'Polygon' : shapeFor(id),
  })),
});

/** All that can be drawn. */
export const DRAW_GROUPS: readonly DrawGroup[] = [
  {
    name: 'Places to find again',
    choices: [
      { id: 'mark', name: 'mark', what: { kind: 'mark' }, as: 'Point' },
      { id: 'ramp', name: 'ramp', what: { kind: 'ramp' }, as: 'Point' },
      { id: 'track', name: 'track', what: { kind: 'track' }, as: 'LineString' },
      { id: 'zone', name: 'zone', what: { kind: 'zone' }, as: 'Polygon' },
    ],
  },
  group('cover', 'Cover', COVERS),
  group('bottom', 'Bottom', BOTTOMS),
  group('structure', 'Structure', STRUCTURES),
];

const ALL = DRAW_GROUPS.flatMap(({ choices }) => choices);

export const choiceOf = (id: string): DrawChoice | undefined => ALL.find((choice) => choice.id === id);

/** The choice by which a feature would have been drawn; the bare kind where it does not say more. */
export function idOf({ kind, cover, bottom, structure }: What): string {
  const more = { cover, bottom, structure }[kind as 'cover' | 'bottom' | 'structure'];
  return more ? `${kind}:${more}` : kind;
}

/** A feature in a few words: its name, else what it is. */
export function sayFeature(feature: What & Pick<ChartFeature, 'name'>): string {
  const what = choiceOf(idOf(feature))?.name ?? (feature.kind === 'cover' ? 'area' : feature.kind);
  return feature.name ? `${feature.name} (${what})` : capital(what);
}
