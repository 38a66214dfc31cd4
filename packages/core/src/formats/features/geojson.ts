import type { ChartFeature } from '../../contract/charts.js';
import { placeOf, readOwnFields, type Position, type RawFeature } from './found.js';
import { FeatureProblem, linesOf } from './problem.js';

/** Holds what only we write among a feature's properties. */
const OWN = 'inky-shoal';

type Json = Readonly<Record<string, unknown>>;

/** Marks, tracks and areas as GeoJSON (RFC 7946). */
export function featuresToGeoJson(features: readonly ChartFeature[]): string {
  return JSON.stringify(
    {
      type: 'FeatureCollection',
      features: features.map(({ id, shape, name, note, ...own }) => ({
        type: 'Feature',
        id,
        geometry: shape,
        properties: { ...(name ? { name } : {}), ...(note ? { note } : {}), [OWN]: own },
      })),
    },
    null,
    1,
  );
}

const isObject = (value: unknown): value is Json =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Reads JSON. @throws FeatureProblem with the line on which it breaks off */
export function readJson(text: string): Json {
  try {
    const value: unknown = JSON.parse(text);
    if (isObject(value)) return value;
  } catch (error) {
    const at = /position (\d+)/.exec((error as Error).message)?.[1];
    const line = linesOf(text)(at === undefined ? text.length : Number(at));
    throw new FeatureProblem(
      `line ${line}: this is no whole GeoJSON file, it breaks off or has a sign too many there.`,
    );
  }
  throw new FeatureProblem('This is no GeoJSON file: expected a collection of features.');
}

/** A shape of GeoJSON taken apart into points, lines and areas. Heights are left off. */
export function simpleShapes(where: string, geometry: unknown): RawFeature['shape'][] {
  if (!isObject(geometry)) return [];
  const { type, coordinates, geometries } = geometry;
  const list = (value: unknown): unknown[] => {
    if (!Array.isArray(value)) throw new FeatureProblem(`${where}: expected a list of coordinates.`);
    return value as unknown[];
  };
  const point = (value: unknown) => placeOf(where, list(value) as Position);
  const line = (value: unknown) => list(value).map(point);
  const area = (value: unknown) => list(value).map(line);
  switch (type) {
    case 'Point':
      return [{ type, coordinates: point(coordinates) }];
    case 'LineString':
      return [{ type, coordinates: line(coordinates) }];
    case 'Polygon':
      return [{ type, coordinates: area(coordinates) }];
    case 'MultiPoint':
      return list(coordinates).map((each) => ({ type: 'Point', coordinates: point(each) }));
    case 'MultiLineString':
      return list(coordinates).map((each) => ({ type: 'LineString', coordinates: line(each) }));
    case 'MultiPolygon':
      return list(coordinates).map((each) => ({ type: 'Polygon', coordinates: area(each) }));
    case 'GeometryCollection':
      return list(geometries).flatMap((each) => simpleShapes(where, each));
    default:
      throw new FeatureProblem(`${where}: expected a shape of GeoJSON, got ${JSON.stringify(type) ?? 'nothing'}.`);
  }
}

/** Every feature of a GeoJSON text with its shapes; a lone shape or feature counts as a collection of one. */
export function geoJsonFeatures(
  text: string,
): { where: string; properties: Json; id: unknown; shapes: RawFeature['shape'][] }[] {
  const whole = readJson(text);
  const crs = isObject(whole['crs']) ? JSON.stringify(whole['crs']) : '';
  if (crs && !/CRS84|EPSG:+4326/.test(crs)) {
    throw new FeatureProblem(
      `This GeoJSON is not in degrees (${crs.slice(0, 90)}): expected longitude and latitude on WGS 84.`,
    );
  }
  const features =
    whole['type'] === 'FeatureCollection' && Array.isArray(whole['features'])
      ? (whole['features'] as unknown[])
      : whole['type'] === 'Feature'
        ? [whole]
        : [{ type: 'Feature', geometry: whole, properties: {} }];
  return features.map((feature, index) => {
    const where = `feature ${index + 1}`;
    if (!isObject(feature)) throw new FeatureProblem(`${where}: expected a feature.`);
    const { properties, geometry, id } = feature;
    return { where, properties: isObject(properties) ? properties : {}, id, shapes: simpleShapes(where, geometry) };
  });
}

/** What a GeoJSON file tells; a feature with several shapes becomes as many. */
export function toldInGeoJson(text: string): RawFeature[] {
  return geoJsonFeatures(text).flatMap(({ where, properties, id, shapes }): RawFeature[] => {
    const written = properties[OWN];
    const own = isObject(written) ? { ...readOwnFields(where, written), id } : {};
    const name = properties['name'] ?? properties['title'];
    const note = properties['note'] ?? properties['description'] ?? properties['desc'];
    return shapes.map((shape) => ({ where, shape, own: { ...own, name, note } }));
  });
}
