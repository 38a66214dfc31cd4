import type { Heard } from '../../contract/instruments.js';
import type { Sentence } from './sentence.js';

const KNOT_MPS = 1852 / 3600;
const KMH_MPS = 1 / 3.6;
/** What lies beyond these is a fault of the instrument, not of the lake: metres, degrees C, metres a second. */
const MAX_DEPTH_M = 1000;
const TEMP_C = [-3, 45] as const;
const MAX_SPEED_MPS = 60;

const figure = (field: string | undefined): number =>
  field !== undefined && /^-?\d+(\.\d*)?$/.test(field) ? Number(field) : Number.NaN;

/** Degrees from the standard's degrees and minutes in one figure, as 3554.1234,N. */
function degrees(field: string | undefined, side: string | undefined, most: number): number {
  const both = figure(field);
  const whole = Math.floor(both / 100);
  const value = whole + (both - whole * 100) / 60;
  const sign = side === 'S' || side === 'W' ? -1 : side === 'N' || side === 'E' ? 1 : Number.NaN;
  return both >= 0 && value <= most ? sign * value : Number.NaN;
}

function position([lat, northSouth, lon, eastWest]: readonly (string | undefined)[]): Heard[] {
  const [latitude, longitude] = [degrees(lat, northSouth, 90), degrees(lon, eastWest, 180)];
  return Number.isNaN(latitude + longitude) ? [] : [{ kind: 'position', lonLat: [longitude, latitude] }];
}

function motion(speedMps: number, course: string | undefined): Heard[] {
  if (!(speedMps >= 0 && speedMps <= MAX_SPEED_MPS)) return [];
  const courseDeg = figure(course);
  return [{ kind: 'motion', speedMps, courseDeg: courseDeg >= 0 && courseDeg <= 360 ? courseDeg % 360 : null }];
}

const depth = (depthM: number): Heard[] => (depthM > 0 && depthM <= MAX_DEPTH_M ? [{ kind: 'depth', depthM }] : []);

/** What each kind of sentence says. Fields that are empty, or say that they are not valid, say nothing. */
const KINDS: Readonly<Record<string, (fields: readonly string[]) => Heard[]>> = {
  RMC: (fields) =>
    fields[1] === 'A' ? [...position(fields.slice(2, 6)), ...motion(figure(fields[6]) * KNOT_MPS, fields[7])] : [],
  GGA: (fields) => (figure(fields[5]) > 0 ? position(fields.slice(1, 5)) : []),
  GLL: (fields) => (fields[5] === 'A' ? position(fields.slice(0, 4)) : []),
  VTG: (fields) => motion(figure(fields[6]) * KMH_MPS, fields[0]),
  // The depth under the transducer, and how deep under the surface that hangs; under 0 it is the keel's business.
  DPT: (fields) => depth(figure(fields[0]) + Math.max(0, figure(fields[1]) || 0)),
  DBT: (fields) => depth(figure(fields[2])),
  MTW: (fields) => {
    const tempC = figure(fields[0]);
    return fields[1] === 'C' && tempC >= TEMP_C[0] && tempC <= TEMP_C[1] ? [{ kind: 'water-temp', tempC }] : [];
  },
};

/** What a sentence says; nothing where it is of a kind that is not listened for. */
export const heardIn = ({ kind, fields }: Sentence): Heard[] => KINDS[kind]?.(fields) ?? [];
