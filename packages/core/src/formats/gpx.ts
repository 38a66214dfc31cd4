import { xmlBuilder } from './features/xml.js';

/** A point of a route or a mark, in degrees. */
export interface Waypoint {
  readonly lonLat: readonly [longitude: number, latitude: number];
  readonly name: string;
  readonly note?: string | undefined;
}

const pointOf = ({ lonLat: [longitude, latitude], name, note }: Waypoint) => ({
  '@lat': latitude.toFixed(7),
  '@lon': longitude.toFixed(7),
  name,
  ...(note ? { desc: note } : {}),
});

/**
 * A route as GPX 1.1: its points in order, each with its name and note.
 * @example
 * routeToGpx('Morning', [{ name: 'Ramp', lonLat: [-88.4, 35.9] }]).includes('<rtept') // => true
 */
export function routeToGpx(name: string, points: readonly Waypoint[]): string {
  return xmlBuilder.build({
    '?xml': { '@version': '1.0', '@encoding': 'UTF-8' },
    gpx: {
      '@version': '1.1',
      '@creator': 'Inky Shoal',
      '@xmlns': 'http://www.topografix.com/GPX/1/1',
      rte: { name, rtept: points.map(pointOf) },
    },
  });
}
