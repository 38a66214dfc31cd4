import type { ChartFeature, FeatureShape } from '../../contract/charts.js';
import { digits, figureOf, ownFields, placeOf, readOwnFields, type Position, type RawFeature } from './found.js';
import { FeatureProblem } from './problem.js';
import { listOf, readXml, textIn, xmlBuilder, type Element } from './xml.js';

/** Name of our own element among a GPX file's extensions. */
const OWN_NAMESPACE = 'urn:inky-shoal:feature:1';
const LISTS = ['wpt', 'rte', 'rtept', 'trk', 'trkseg', 'trkpt', 'extensions', 'feature'];

const pointOf = ([longitude = 0, latitude = 0]: Position) => ({ '@lat': digits(latitude), '@lon': digits(longitude) });

function extensionOf(feature: ChartFeature): Element {
  const fields = ownFields(feature).map(([name, value]) => [`@${name}`, value]);
  const shape = feature.shape.type === 'Polygon' ? { '@shape': 'Polygon' } : {};
  return { 'ink:feature': { ...Object.fromEntries(fields), ...shape } };
}

const said = ({ name, note }: ChartFeature) => ({ ...(name ? { name } : {}), ...(note ? { desc: note } : {}) });

const linesOf = (shape: FeatureShape): readonly (readonly Position[])[] =>
  shape.type === 'Polygon' ? shape.coordinates : shape.type === 'LineString' ? [shape.coordinates] : [];

/**
 * Marks, tracks and areas as GPX 1.1. GPX knows no areas: one goes as a track that closes, a ring a segment, and says
 * among its extensions that it is an area.
 */
export function featuresToGpx(features: readonly ChartFeature[]): string {
  const of = (type: FeatureShape['type']) => features.filter(({ shape }) => shape.type === type);
  return xmlBuilder.build({
    '?xml': { '@version': '1.0', '@encoding': 'UTF-8' },
    gpx: {
      '@version': '1.1',
      '@creator': 'Inky Shoal',
      '@xmlns': 'http://www.topografix.com/GPX/1/1',
      '@xmlns:ink': OWN_NAMESPACE,
      wpt: of('Point').map((feature) => ({
        ...pointOf(feature.shape.coordinates as Position),
        ...said(feature),
        extensions: extensionOf(feature),
      })),
      trk: [...of('LineString'), ...of('Polygon')].map((feature) => ({
        ...said(feature),
        extensions: extensionOf(feature),
        trkseg: linesOf(feature.shape).map((line) => ({ trkpt: line.map(pointOf) })),
      })),
    },
  });
}

/** What a GPX file tells: points as marks, routes and tracks, each piece of a track its own. */
export function toldInGpx(text: string): RawFeature[] {
  const { root, lineOf } = readXml(text, LISTS);
  const [gpx] = listOf(root, 'gpx');
  if (!gpx) throw new FeatureProblem('This is no GPX file: expected gpx around the whole.');
  const place = (point: Element) => placeOf(lineOf(point), [figureOf(point['@lon']), figureOf(point['@lat'])]);
  const ownOf = (element: Element): Record<string, unknown> => {
    const [extension] = listOf(element, 'extensions').flatMap((each) => listOf(each, 'feature'));
    const fields = Object.entries(extension ?? {}).map(([name, value]) => [name.replace(/^@/, ''), value]);
    const own = Object.fromEntries(fields) as Record<string, unknown>;
    const name = textIn(element, 'name');
    const note = textIn(element, 'desc') ?? textIn(element, 'cmt');
    return { ...readOwnFields(lineOf(element), own), name, note, shape: own['shape'] };
  };
  const marks = listOf(gpx, 'wpt').map((point): RawFeature => {
    const { shape: _, ...own } = ownOf(point);
    return { where: lineOf(point), shape: { type: 'Point', coordinates: place(point) }, own };
  });
  const tracks = [
    ...listOf(gpx, 'rte').map((route) => ({ line: route, pieces: [listOf(route, 'rtept')] })),
    ...listOf(gpx, 'trk').map((track) => ({
      line: track,
      pieces: listOf(track, 'trkseg').map((piece) => listOf(piece, 'trkpt')),
    })),
  ].flatMap(({ line, pieces }): RawFeature[] => {
    const { shape, ...own } = ownOf(line);
    const where = lineOf(line);
    const lines = pieces.filter((points) => points.length > 1).map((points) => points.map(place));
    if (shape === 'Polygon') return [{ where, shape: { type: 'Polygon', coordinates: lines }, own }];
    return lines.map((coordinates) => ({ where, shape: { type: 'LineString', coordinates }, own }));
  });
  return [...marks, ...tracks];
}
