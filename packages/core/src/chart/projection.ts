import proj4 from 'proj4';

/** A point in degrees, longitude first, as open formats have it. */
export type LonLat = readonly [longitude: number, latitude: number];

/** The charts' projection: a zone of the Universal Transverse Mercator on WGS 84, by its EPSG number. */
export const isUtm = (epsg: number): boolean => (epsg >= 32601 && epsg <= 32660) || (epsg >= 32701 && epsg <= 32760);

/** The UTM zone in which a point lies, by its EPSG number. */
export function utmOf([longitude, latitude]: LonLat): number {
  const zone = Math.min(60, Math.max(1, Math.floor((longitude + 180) / 6) + 1));
  return (latitude < 0 ? 32700 : 32600) + zone;
}

/** What proj4 calls a zone. */
export function utmDefinition(epsg: number): string {
  if (!isUtm(epsg)) throw new RangeError(`expected a UTM zone on WGS 84 (EPSG 32601 to 32760), got EPSG ${epsg}`);
  return `+proj=utm +zone=${epsg % 100}${epsg >= 32700 ? ' +south' : ''} +datum=WGS84 +units=m +no_defs`;
}

/** Degrees to metres of a zone, and back (Snyder's series as proj4 has them; millimetres inside the zone). */
export function chartProjection(epsg: number): {
  readonly toChart: (point: LonLat) => [x: number, y: number];
  readonly toLonLat: (point: readonly [x: number, y: number]) => [longitude: number, latitude: number];
} {
  const between = proj4('+proj=longlat +datum=WGS84 +no_defs', utmDefinition(epsg));
  return {
    toChart: ([longitude, latitude]) => between.forward([longitude, latitude]) as [number, number],
    toLonLat: ([x, y]) => between.inverse([x, y]) as [number, number],
  };
}
