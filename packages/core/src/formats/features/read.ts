import type { ChartFeature } from '../../contract/charts.js';
import { globeM } from '../../chart/globe.js';
import type { LonLat } from '../../chart/projection.js';
import { featuresOf } from './found.js';
import { toldInGeoJson } from './geojson.js';
import { toldInGpx } from './gpx.js';
import { toldInKml } from './kml.js';
import { FeatureProblem } from './problem.js';

/** Files of marks, tracks and areas that are read and written. */
export const FEATURE_FORMATS = ['gpx', 'kml', 'geojson'] as const;
export type FeatureFormat = (typeof FEATURE_FORMATS)[number];

/** Which of them a text is; null where it is none. */
export function featureFormatOf(text: string): FeatureFormat | null {
  const head = text.slice(0, 4000);
  if (/<(\w+:)?gpx[\s>]/.test(head)) return 'gpx';
  if (/<(\w+:)?kml[\s>]/.test(head)) return 'kml';
  return /^\uFEFF?\s*\{/.test(head) ? 'geojson' : null;
}

const READERS = { gpx: toldInGpx, kml: toldInKml, geojson: toldInGeoJson };

/**
 * Reads marks, tracks and areas. @param newId an id for each that brings none of its own
 * @throws FeatureProblem in a sentence with its line, or the number of the feature in GeoJSON
 * @example
 * const gpx = '<gpx><wpt lat="35.9" lon="-88.4"><name>Stump</name></wpt></gpx>';
 * const [mark] = readFeatures(gpx, () => '01950000-0000-7000-8000-000000000001');
 * mark.name // => 'Stump'
 * mark.shape.coordinates // => [-88.4, 35.9]
 */
export function readFeatures(text: string, newId: () => string): ChartFeature[] {
  const format = featureFormatOf(text);
  if (format) return featuresOf(READERS[format](text.replace(/^\uFEFF/, '')), newId);
  if (text.startsWith('PK')) throw new FeatureProblem('This file is packed: unpack it first, the KML lies inside.');
  throw new FeatureProblem('This is none of the files that can be read here: expected GPX, KML or GeoJSON.');
}

/** Farther than this from its water nothing belongs on its chart. */
const FARTHEST_M = 150_000;

const aPlaceOf = ({ shape }: ChartFeature): LonLat => {
  const at: unknown = shape.coordinates.flat(2);
  const [longitude, latitude] = at as [number, number];
  return [longitude, latitude];
};

/** @throws FeatureProblem where most of what was read lies far from the water, and whether swapping would mend it */
export function checkNear(places: readonly LonLat[], water: LonLat, name: string): void {
  const far = places.filter((place) => globeM(place, water) > FARTHEST_M);
  const [first] = far;
  if (!first || far.length <= places.length / 2) return;
  const [longitude, latitude] = first;
  if (Math.abs(longitude) <= 90 && globeM([latitude, longitude], water) <= FARTHEST_M) {
    throw new FeatureProblem(
      'Latitude and longitude are swapped in this file: the other way round it lies on this water.',
    );
  }
  const km = Math.round(globeM(first, water) / 1000);
  throw new FeatureProblem(
    `This file lies ${km} km from ${name}, at ${latitude.toFixed(3)}, ${longitude.toFixed(3)}: open the water that it belongs to.`,
  );
}

/** Checks that features lie on or about a water. */
export const checkFeaturesNear = (features: readonly ChartFeature[], water: LonLat, name: string): void =>
  checkNear(features.map(aPlaceOf), water, name);
