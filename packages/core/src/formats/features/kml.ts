import type { ChartFeature, FeatureShape } from '../../contract/charts.js';
import { digits, figureOf, ownFields, placeOf, readOwnFields, type Position, type RawFeature } from './found.js';
import { FeatureProblem } from './problem.js';
import { listOf, readXml, textIn, xmlBuilder, type Element } from './xml.js';

/** Begins the names of what only we write among a placemark's data. */
const OWN = 'inky-shoal:';
const LISTS = ['Document', 'Folder', 'Placemark', 'Data', 'innerBoundaryIs', 'Point', 'LineString', 'Polygon'];
const GEOMETRIES = ['Point', 'LineString', 'Polygon'] as const;

const pointText = ([longitude = 0, latitude = 0]: Position) => `${digits(longitude)},${digits(latitude)}`;
const lineText = (line: readonly Position[]) => line.map(pointText).join(' ');
const ringOf = (ring: readonly Position[]) => ({ LinearRing: { coordinates: lineText(ring) } });

function geometryOf(shape: FeatureShape): Element {
  if (shape.type === 'Point') return { Point: { coordinates: pointText(shape.coordinates) } };
  if (shape.type === 'LineString') return { LineString: { tessellate: 1, coordinates: lineText(shape.coordinates) } };
  const [outer = [], ...holes] = shape.coordinates;
  return { Polygon: { outerBoundaryIs: ringOf(outer), innerBoundaryIs: holes.map(ringOf) } };
}

/** Marks, tracks and areas as KML 2.2. */
export function featuresToKml(features: readonly ChartFeature[]): string {
  return xmlBuilder.build({
    '?xml': { '@version': '1.0', '@encoding': 'UTF-8' },
    kml: {
      '@xmlns': 'http://www.opengis.net/kml/2.2',
      Document: {
        name: 'Inky Shoal',
        Placemark: features.map((feature) => ({
          ...(feature.name ? { name: feature.name } : {}),
          ...(feature.note ? { description: feature.note } : {}),
          ExtendedData: { Data: ownFields(feature).map(([name, value]) => ({ '@name': `${OWN}${name}`, value })) },
          ...geometryOf(feature.shape),
        })),
      },
    },
  });
}

/** All placemarks, however deep the folders that hold them. */
const placemarksIn = (element: Element): Element[] => [
  ...listOf(element, 'Placemark'),
  ...['Document', 'Folder'].flatMap((name) => listOf(element, name).flatMap(placemarksIn)),
];

function ownOf(where: string, placemark: Element): Record<string, unknown> {
  const data = listOf(placemark, 'ExtendedData').flatMap((each) => listOf(each, 'Data'));
  const fields = data.map((each) => [String(each['@name'] ?? ''), textIn(each, 'value')] as const);
  const own = fields.filter(([name]) => name.startsWith(OWN)).map(([name, value]) => [name.slice(OWN.length), value]);
  const name = textIn(placemark, 'name');
  const note = textIn(placemark, 'description');
  return { ...readOwnFields(where, Object.fromEntries(own) as Record<string, unknown>), name, note };
}

/** What a KML file tells: placemarks of every folder; one with several shapes becomes as many features. */
export function toldInKml(text: string): RawFeature[] {
  const { root, lineOf } = readXml(text, LISTS);
  const [kml] = listOf(root, 'kml');
  if (!kml) throw new FeatureProblem('This is no KML file: expected kml around the whole.');
  const points = (where: string, element: Element | undefined) =>
    (textIn(element ?? {}, 'coordinates') ?? '')
      .trim()
      .split(/\s+/)
      .filter(Boolean)
      .map((point) => placeOf(where, point.split(',').map(figureOf)));
  const shapeOf = (where: string, type: FeatureShape['type'], element: Element): RawFeature['shape'] => {
    if (type === 'Point') return { type, coordinates: points(where, element)[0] };
    if (type === 'LineString') return { type, coordinates: points(where, element) };
    const rings = ['outerBoundaryIs', 'innerBoundaryIs'].flatMap((name) => listOf(element, name));
    return { type, coordinates: rings.map((ring) => points(where, listOf(ring, 'LinearRing')[0])) };
  };
  const shapesIn = (where: string, element: Element): RawFeature['shape'][] => [
    ...GEOMETRIES.flatMap((type) => listOf(element, type).map((each) => shapeOf(where, type, each))),
    ...listOf(element, 'MultiGeometry').flatMap((each) => shapesIn(where, each)),
  ];
  return placemarksIn(kml).flatMap((placemark): RawFeature[] => {
    const where = lineOf(placemark);
    const own = ownOf(where, placemark);
    return shapesIn(where, placemark).map((shape) => ({ where, shape, own }));
  });
}
