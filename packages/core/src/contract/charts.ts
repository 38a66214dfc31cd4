import * as z from 'zod';
import { clientId, instant, maybe, oneOf, quantity, record, shortText } from './fields.js';
import { COVERS, STRUCTURES } from './ids.js';
import { MAX_CHART_CELLS } from './limits.js';

/** Where a chart lies and how its cells are laid out. Its bed goes apart, as whole centimetres. */
export const ChartFrame = record('a chart', {
  /** UTM zone on WGS 84, by its EPSG number. */
  epsg: z
    .int({ error: 'expected a UTM zone by its EPSG number' })
    .refine((epsg) => (epsg >= 32601 && epsg <= 32660) || (epsg >= 32701 && epsg <= 32760), {
      error: 'expected a UTM zone on WGS 84, EPSG 32601 to 32660 or 32701 to 32760',
    }),
  cols: z.int({ error: 'expected a whole number of columns' }).min(3).max(20_000),
  rows: z.int({ error: 'expected a whole number of rows' }).min(3).max(20_000),
  cellM: quantity('the side of a cell in metres', 0.1, 500),
  westM: z.number(),
  northM: z.number(),
  /** Where the soundings come from, in words. */
  source: shortText('a source', 200),
  /** The bed was laid through soundings: behind it comes, a byte a cell, how far off the nearest one is. */
  sounded: maybe(z.boolean({ error: 'expected true or false' })),
}).refine(({ cols, rows }) => cols * rows <= MAX_CHART_CELLS, {
  error: `expected at most ${MAX_CHART_CELLS / 1e6} million cells`,
  path: ['cols'],
});
export type ChartFrame = z.infer<typeof ChartFrame>;
/** A chart as kept. */
export const KeptChart = z.strictObject({ ...ChartFrame.shape, updatedAt: instant });
export type KeptChart = z.infer<typeof KeptChart>;

/** The largest bed taken, packed. */
export const MAX_BED_BYTES = 40_000_000;

/** Bytes of a chart's bed before it is packed. */
export const bedBytes = ({ cols, rows, sounded }: Pick<ChartFrame, 'cols' | 'rows' | 'sounded'>): number =>
  cols * rows * (sounded ? 3 : 2);

/** Bed that is not known, as its number of centimetres. */
export const UNKNOWN_CM = -32768;

const position = z.tuple([quantity('a longitude in degrees', -180, 180), quantity('a latitude in degrees', -90, 90)], {
  error: 'expected a longitude and a latitude',
});
const line = z.array(position).min(2, { error: 'expected at least two points' }).max(50_000);
const ring = z
  .array(position)
  .min(4, { error: 'expected a ring of at least four points' })
  .max(50_000)
  .refine((points) => `${points[0]}` === `${points.at(-1)}`, { error: 'expected a ring that closes' });

/** A shape in degrees, as GeoJSON has it (RFC 7946). */
export const FeatureShape = z.discriminatedUnion('type', [
  z.strictObject({ type: z.literal('Point'), coordinates: position }),
  z.strictObject({ type: z.literal('LineString'), coordinates: line }),
  z.strictObject({ type: z.literal('Polygon'), coordinates: z.array(ring).min(1).max(200) }),
]);
export type FeatureShape = z.infer<typeof FeatureShape>;

/** Features that are taken at once. */
export const MAX_FEATURES = 2000;

/** What can be drawn on a chart. */
export const FEATURE_KINDS = ['mark', 'track', 'cover', 'bottom', 'structure', 'zone', 'ramp'] as const;
export type FeatureKind = (typeof FEATURE_KINDS)[number];
/** What the bottom is made of. */
export const BOTTOMS = ['rock', 'gravel', 'sand', 'clay', 'mud', 'shell'] as const;

/** Two things on shore, or one and the mark, that stand in line: how a place is found again without instruments. */
export const LineUp = record('a line-up', {
  /** A point on the line, as the thing on shore that is looked at. */
  toward: position,
  text: shortText('what lines up', 120),
});
export type LineUp = z.infer<typeof LineUp>;
/** Line-ups that a mark may have. */
export const MAX_LINE_UPS = 4;

export const ChartFeature = record('a feature of a chart', {
  id: clientId,
  kind: oneOf('a kind of feature', FEATURE_KINDS),
  shape: FeatureShape,
  name: maybe(shortText('a name', 80)),
  note: maybe(z.string().max(2000, { error: 'expected at most 2000 letters' })),
  cover: maybe(oneOf('a cover', COVERS)),
  structure: maybe(oneOf('a structure', STRUCTURES)),
  bottom: maybe(oneOf('a bottom', BOTTOMS)),
  zoneId: maybe(clientId),
  lineUps: maybe(
    z
      .array(LineUp, { error: 'expected a list of line-ups' })
      .max(MAX_LINE_UPS, { error: `expected at most ${MAX_LINE_UPS} line-ups` }),
  ),
});
export type ChartFeature = z.infer<typeof ChartFeature>;
export const ChartFeatures = z
  .array(ChartFeature, { error: 'expected a list of features' })
  .min(1, { error: 'expected at least one feature' })
  .max(MAX_FEATURES, { error: `expected at most ${MAX_FEATURES} features at once` });
export const FeatureIds = z.array(clientId).min(1).max(MAX_FEATURES);

/** A water's chart, the bed apart, with what was drawn on it. */
export const WaterChart = z.strictObject({
  chart: KeptChart.nullable(),
  features: z.array(ChartFeature),
});
export type WaterChart = z.infer<typeof WaterChart>;
