import type { stations } from '@neaps/tide-database';
import { constituentName, type CurrentStation, type NearStation, type TideStation } from '@inky-shoal/core/tide';

type KnownStation = (typeof stations)[number];

/** Names of datums that publishers write as letters. */
const DATUM_NAMES: Readonly<Record<string, string>> = {
  MLLW: 'mean lower low water',
  MLW: 'mean low water',
  LAT: 'lowest astronomical tide',
  CD: 'chart datum',
  MLWS: 'mean low water springs',
  MSL: 'mean sea level',
  NLLW: 'nearly lowest low water',
  LLWLT: 'lower low water, large tide',
  TLT: 'theoretical lowest tide',
  STND: "the station's own zero",
};
/** Constituents smaller than this move the water by less than its waves do. */
const LEAST_AMPLITUDE_M = 0.0005;
const MAX_NAME = 120;

/** Some eight thousand stations of the world, in a package of some 30 MB: read when one is first asked for, in a thread (`workers/tide-stations.ts`). */
const database = () => import('@neaps/tide-database');

/** Metres, finer than a tide is known; figures come out of the file in single precision. */
const rounded = (value: number, places: number): number => Number(value.toFixed(places));

const nameOf = ({ name, region, country }: KnownStation): string =>
  [name, region, country].filter(Boolean).join(', ').slice(0, MAX_NAME);

const licenceOf = ({ license }: KnownStation): string =>
  `${license.type}${license.commercial_use ? '' : ', not for commercial use'}`;

/** Who measured it, under which licence, with the notice that its publishers ask for. */
function originOf({
  source,
  attribution,
  epoch,
  licence,
}: Pick<KnownStation, 'source' | 'attribution' | 'epoch'> & { licence: string }): TideStation['origin'] {
  return {
    source: source.name.slice(0, 200),
    licence: licence.slice(0, 80),
    notice: attribution,
    epoch: epoch ? `${epoch.start.slice(0, 4)} to ${epoch.end.slice(0, 4)}` : undefined,
  };
}

function offsetsOf({ offsets }: KnownStation): TideStation['offsets'] {
  if (!offsets) return undefined;
  const { time, height } = offsets;
  const fixed = height.type === 'fixed';
  return {
    highMin: time.high,
    lowMin: time.low,
    highFactor: fixed ? 1 : rounded(height.high, 4),
    lowFactor: fixed ? 1 : rounded(height.low, 4),
    ...(fixed ? { highAddedM: rounded(height.high, 4), lowAddedM: rounded(height.low, 4) } : {}),
  };
}

/** A station as a water keeps it: its constituents, its datum, and the notice that its publishers ask for. */
function asStation(station: KnownStation): TideStation {
  const { latitude, longitude, harmonic_constituents, datums, chart_datum, source, attribution, epoch } = station;
  const zero = chart_datum === undefined ? undefined : datums?.[chart_datum];
  const mean = datums?.['MSL'] ?? datums?.['MTL'];
  const isKnown = zero !== undefined && mean !== undefined;
  return {
    name: nameOf(station),
    latitude: rounded(latitude, 5),
    longitude: rounded(longitude, 5),
    constituents: harmonic_constituents
      .filter(({ name, amplitude }) => amplitude >= LEAST_AMPLITUDE_M && constituentName(name) !== undefined)
      .map(({ name, amplitude, phase }) => ({
        name,
        amplitudeM: rounded(amplitude, 4),
        phaseDeg: rounded(phase, 2),
      })),
    meanLevelM: isKnown ? rounded(mean - zero, 4) : 0,
    datum: isKnown ? (DATUM_NAMES[chart_datum as string] ?? (chart_datum as string)) : 'mean sea level',
    offsets: offsetsOf(station),
    origin: originOf({ source, attribution, epoch, licence: licenceOf(station) }),
  };
}

/** A knot in metres a second: the unit of the database's currents. */
const KNOT_MPS = 1852 / 3600;

/** A station of currents with constituents of its own, in metres a second. */
function asCurrent(station: KnownStation): CurrentStation {
  const { current, harmonic_constituents, source, attribution, epoch } = station;
  return {
    name: nameOf(station),
    constituents: harmonic_constituents
      .filter(({ name, amplitude }) => amplitude > 0 && constituentName(name) !== undefined)
      .map(({ name, amplitude, phase }) => ({
        name,
        amplitudeMps: rounded(amplitude * KNOT_MPS, 4),
        phaseDeg: rounded(phase, 2),
      })),
    meanMps: rounded((current?.mean_flow ?? 0) * KNOT_MPS, 4),
    floodDeg: current?.flood_direction,
    ebbDeg: current?.ebb_direction,
    origin: originOf({ source, attribution, epoch, licence: licenceOf(station) }),
  };
}

/** Degrees, north and east above 0. */
export interface Place {
  readonly latitude: number;
  readonly longitude: number;
}

/** What is asked for: stations of tides, or of currents that can be reckoned. */
export type StationKind = 'tide' | 'current';

const isOf =
  (wanted: StationKind) =>
  ({ kind, harmonic_constituents }: KnownStation): boolean =>
    kind === wanted && (wanted === 'tide' || harmonic_constituents.some(({ amplitude }) => amplitude > 0));

/** The stations of tides or of currents nearest to a place, the nearest first. */
export async function stationsNear(
  { latitude, longitude }: Place,
  most: number,
  kind: StationKind = 'tide',
): Promise<NearStation[]> {
  const { near } = await database();
  return near({ latitude, longitude, maxResults: most, filter: isOf(kind) }).map(([station, distanceKm]) => ({
    id: station.id,
    name: nameOf(station),
    latitude: rounded(station.latitude, 5),
    longitude: rounded(station.longitude, 5),
    distanceKm: rounded(distanceKm, 1),
    source: station.source.name,
    licence: licenceOf(station),
  }));
}

/** A station of tides by its id; undefined where there is none, or nothing to reckon with. */
export async function stationOf(id: string): Promise<TideStation | undefined> {
  const { stationsById } = await database();
  const known = stationsById.get(id);
  if (!known || known.kind !== 'tide') return undefined;
  const station = asStation(known);
  return station.constituents.length ? station : undefined;
}

/** A station of currents by its id; undefined where there is none, or nothing to reckon with. */
export async function currentOf(id: string): Promise<CurrentStation | undefined> {
  const { stationsById } = await database();
  const known = stationsById.get(id);
  if (!known || !isOf('current')(known)) return undefined;
  const station = asCurrent(known);
  return station.constituents.length ? station : undefined;
}
