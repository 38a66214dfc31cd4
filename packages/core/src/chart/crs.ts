import { isUtm, utmDefinition } from './projection.js';

/** A way of giving places on the earth that is known here. */
export interface Crs {
  readonly epsg: number;
  /** What people call it. */
  readonly name: string;
  /** How it is defined for proj4. */
  readonly definition: string;
  /** Its figures are degrees, longitude first; otherwise metres. */
  readonly degrees: boolean;
}

const DEGREES: Readonly<Record<number, string>> = { 4326: 'WGS 84', 4269: 'NAD83', 4258: 'ETRS89', 4979: 'WGS 84' };

const utm = (epsg: number, zone: number, datum: string): Crs => ({
  epsg,
  name: `UTM zone ${zone} north on ${datum}`,
  definition: `+proj=utm +zone=${zone} +ellps=GRS80 +towgs84=0,0,0 +units=m +no_defs`,
  degrees: false,
});

/**
 * Degrees, Web Mercator, and UTM on WGS 84, NAD83 and ETRS89, by EPSG number. The three datums lie within two metres of
 * one another and are taken as one.
 */
export function knownCrs(epsg: number): Crs | undefined {
  const datum = DEGREES[epsg];
  if (datum)
    return { epsg, name: `degrees on ${datum}`, definition: '+proj=longlat +datum=WGS84 +no_defs', degrees: true };
  if (epsg === 3857) {
    const definition =
      '+proj=merc +a=6378137 +b=6378137 +lat_ts=0 +lon_0=0 +x_0=0 +y_0=0 +k=1 +units=m +nadgrids=@null +no_defs';
    return { epsg, name: 'Web Mercator', definition, degrees: false };
  }
  if (isUtm(epsg)) {
    const name = `UTM zone ${epsg % 100} ${epsg >= 32700 ? 'south' : 'north'}`;
    return { epsg, name, definition: utmDefinition(epsg), degrees: false };
  }
  if (epsg >= 26901 && epsg <= 26923) return utm(epsg, epsg - 26900, 'NAD83');
  if (epsg >= 25828 && epsg <= 25838) return utm(epsg, epsg - 25800, 'ETRS89');
  return undefined;
}
