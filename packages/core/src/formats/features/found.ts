import { ChartFeature, MAX_FEATURES, type FeatureKind, type FeatureShape } from '../../contract/charts.js';
import { parse } from '../../contract/problems.js';
import { crossingIn } from '../../chart/crossing.js';
import { FeatureProblem } from './problem.js';

/** A position as a file has it: longitude and latitude in degrees, and perhaps more behind them. */
export type Position = readonly number[];

/** A feature as a file tells it, before it is checked. */
export interface RawFeature {
  /** Where in the file it stands, for the sentence that refuses it. */
  readonly where: string;
  readonly shape: { readonly type: FeatureShape['type']; readonly coordinates: unknown };
  /** What it says of itself, by the names that a chart's features have. */
  readonly own: Readonly<Record<string, unknown>>;
}

/** What a shape is where the file does not say. */
const KIND_OF: Readonly<Record<FeatureShape['type'], FeatureKind>> = {
  Point: 'mark',
  LineString: 'track',
  Polygon: 'cover',
};
const NAME_LENGTH = 80;
const NOTE_LENGTH = 2000;

const cut = (text: unknown, most: number): string | undefined =>
  typeof text === 'string' && text.trim() ? text.trim().slice(0, most) : undefined;

/** A figure in letters; not a number where there is none. */
export const figureOf = (text: unknown): number =>
  typeof text === 'string' && text.trim() ? Number(text) : Number.NaN;

/** A position with two figures in range, or a sentence that says what is wrong with it. */
export function placeOf(where: string, [longitude = Number.NaN, latitude = Number.NaN]: Position): [number, number] {
  if (!Number.isFinite(longitude) || !Number.isFinite(latitude)) {
    throw new FeatureProblem(`${where}: expected a longitude and a latitude in degrees.`);
  }
  if (Math.abs(latitude) > 90 && Math.abs(latitude) <= 180 && Math.abs(longitude) <= 90) {
    throw new FeatureProblem(
      `${where}: a latitude of ${latitude} cannot be. Latitude and longitude seem to be swapped in this file.`,
    );
  }
  if (Math.abs(latitude) > 90 || Math.abs(longitude) > 180) {
    throw new FeatureProblem(
      `${where}: expected degrees, a longitude to 180 and a latitude to 90, got ${longitude} and ${latitude}.`,
    );
  }
  return [longitude, latitude];
}

function checkRings(where: string, rings: readonly (readonly [number, number])[][]): void {
  for (const ring of rings) {
    const crossing = crossingIn(ring);
    if (!crossing) continue;
    const [longitude, latitude] = ring[crossing[0] - 1] as [number, number];
    throw new FeatureProblem(
      `${where}: this area crosses itself, after its points ${crossing[0]} and ${crossing[1]}, ` +
        `near ${latitude.toFixed(5)}, ${longitude.toFixed(5)}.`,
    );
  }
}

/** Checks what a file told, and makes features of it. @param newId an id for what brings none of its own */
export function featuresOf(told: readonly RawFeature[], newId: () => string): ChartFeature[] {
  if (!told.length) throw new FeatureProblem('There are no marks, tracks or areas in this file.');
  if (told.length > MAX_FEATURES) {
    throw new FeatureProblem(`Expected at most ${MAX_FEATURES} marks, tracks and areas, got ${told.length}.`);
  }
  return told.map(({ where, shape, own }) => {
    const known = ChartFeature.shape.id.safeParse(own['id']).success;
    const parsed = parse(ChartFeature, {
      ...own,
      id: known ? own['id'] : newId(),
      kind: own['kind'] ?? KIND_OF[shape.type],
      name: cut(own['name'], NAME_LENGTH),
      note: cut(own['note'], NOTE_LENGTH),
      shape,
    });
    if (!parsed.ok) throw new FeatureProblem(`${where}: ${parsed.problems[0]?.message ?? 'it cannot be read'}.`);
    const { value } = parsed;
    if (value.shape.type === 'Polygon') checkRings(where, value.shape.coordinates);
    return value;
  });
}

/** The fields that other programs do not know, as text by name: written so that a file made here loses nothing. */
export function ownFields({ id, kind, shape: _shape, name: _name, note: _note, lineUps, ...rest }: ChartFeature) {
  const fields = { id, kind, ...rest, ...(lineUps ? { lineUps: JSON.stringify(lineUps) } : {}) };
  return Object.entries(fields).filter((field): field is [string, string] => field[1] !== undefined);
}

const OWN = new Set(['id', 'kind', 'cover', 'structure', 'bottom', 'zoneId', 'lineUps']);

/** Own fields as they were written; what others wrote under other names is passed over. */
export function readOwnFields(where: string, fields: Readonly<Record<string, unknown>>): Record<string, unknown> {
  const own = Object.fromEntries(Object.entries(fields).filter(([name, value]) => OWN.has(name) && value !== ''));
  if (typeof own['lineUps'] !== 'string') return own;
  try {
    return { ...own, lineUps: JSON.parse(own['lineUps']) as unknown };
  } catch {
    throw new FeatureProblem(`${where}: its line-ups cannot be read.`);
  }
}

/** A figure as decimal digits that read back as the same number. */
export const digits = (figure: number): string => (/e/.test(String(figure)) ? figure.toFixed(12) : String(figure));
