import { bearingDeg, type LonLat } from '@inky-shoal/core/chart';
import { globeM } from '@inky-shoal/core/formats/features';
import { sentenceOf } from '@inky-shoal/core/formats/nmea';

/** A stretch of a boat's day: where it goes, and how long it stays there. */
export interface Leg {
  readonly to: LonLat;
  readonly staySeconds: number;
}

/** What lies under the boat. */
export interface Water {
  readonly depthM: (at: LonLat) => number;
  readonly tempC: (at: LonLat) => number;
}

/** How often the line fails: shares of sentences, and a silence of so many seconds in every so many. */
export interface Faults {
  readonly badChecksum: number;
  readonly garbled: number;
  readonly silentEvery: number;
  readonly silentFor: number;
}
export const NO_FAULTS: Faults = { badChecksum: 0, garbled: 0, silentEvery: Infinity, silentFor: 0 };

const KNOT_MPS = 1852 / 3600;
/** Depth of the transducer under the surface, metres. */
const TRANSDUCER_M = 0.3;

/** Degrees as the standard writes them: degrees and minutes in one figure, and a side. */
function minutesOf(degrees: number, width: number, sides: readonly [string, string]): string {
  const whole = Math.floor(Math.abs(degrees));
  const minutes = (Math.abs(degrees) - whole) * 60;
  return `${String(whole).padStart(width, '0')}${minutes.toFixed(4).padStart(7, '0')},${degrees < 0 ? sides[1] : sides[0]}`;
}

/** A boat that follows a run and tells what its instruments see: the same second, the same sentences. */
export class Boat {
  constructor(
    private readonly start: LonLat,
    private readonly legs: readonly Leg[],
    private readonly speedMps: number,
    private readonly water: Water,
  ) {}

  /** Where it is so many seconds after it set out, and how it moves; at the end it lies where it came to. */
  at(seconds: number): { readonly lonLat: LonLat; readonly speedMps: number; readonly courseDeg: number } {
    let from = this.start;
    let left = seconds;
    let courseDeg = 0;
    for (const { to, staySeconds } of this.legs) {
      const wayS = globeM(from, to) / this.speedMps;
      if (wayS > 0) courseDeg = bearingDeg(from, to);
      if (left < wayS) {
        const share = left / wayS;
        const lonLat = [from[0] + (to[0] - from[0]) * share, from[1] + (to[1] - from[1]) * share] as const;
        return { lonLat, speedMps: this.speedMps, courseDeg };
      }
      if (left < wayS + staySeconds) return { lonLat: to, speedMps: 0, courseDeg };
      left -= wayS + staySeconds;
      from = to;
    }
    return { lonLat: from, speedMps: 0, courseDeg };
  }

  /** What its instruments say in a second of its day. */
  sentences(seconds: number): string[] {
    const { lonLat, speedMps, courseDeg } = this.at(seconds);
    const clock = new Date(seconds * 1000).toISOString().slice(11, 19).replaceAll(':', '');
    const place = `${minutesOf(lonLat[1], 2, ['N', 'S'])},${minutesOf(lonLat[0], 3, ['E', 'W'])}`;
    const depthM = this.water.depthM(lonLat) - TRANSDUCER_M;
    return [
      `GPRMC,${clock}.00,A,${place},${(speedMps / KNOT_MPS).toFixed(2)},${courseDeg.toFixed(1)},010327,,,A`,
      `SDDPT,${Math.max(0, depthM).toFixed(1)},${TRANSDUCER_M}`,
      `YXMTW,${this.water.tempC(lonLat).toFixed(1)},C`,
    ].map(sentenceOf);
  }
}

/** What arrives of sentences on a line with faults. @param random from 0 to 1 */
export function overTheLine(
  sentences: readonly string[],
  seconds: number,
  { badChecksum, garbled, silentEvery, silentFor }: Faults,
  random: () => number,
): string {
  if (seconds % silentEvery >= silentEvery - silentFor) return '';
  return sentences
    .map((sentence) => {
      const luck = random();
      if (luck < badChecksum) return sentence.replace(/\*../, '*00');
      return luck < badChecksum + garbled ? sentence.slice(Math.floor(sentence.length / 2)) : sentence;
    })
    .join('');
}
