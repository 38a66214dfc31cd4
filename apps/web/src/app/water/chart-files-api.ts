import { bedToBytes, type ChartFeature, type ChartFrame } from '@inky-shoal/core/chart';
import {
  FileProblem,
  guessChoices,
  layBed,
  readBathymetry,
  type BedChoices,
  type BedFile,
  type WaterAt,
} from '@inky-shoal/core/formats/bathymetry';
import { checkFeaturesNear, readFeatures } from '@inky-shoal/core/formats/features';
import { transfer } from 'comlink';
import { v7 as uuid } from 'uuid';

/** What a file of depths holds, before it is laid on the chart. */
export interface BedRead extends Pick<BedFile, 'from' | 'count' | 'least' | 'most' | 'left'> {
  /** How its places are given; null where the file does not say. */
  readonly crs: string | null;
  /** The file says itself in which unit, and which way, its figures count. */
  readonly unitTold: boolean;
  readonly senseTold: boolean;
  readonly guess: BedChoices;
}

/** A chart made of a file, ready to be kept. */
export interface LaidChart {
  readonly frame: ChartFrame;
  readonly bed: Uint8Array;
  readonly deepestM: number;
  readonly waterM2: number;
}

type Step = (share: number) => void;

/** Anything but a problem of the file is a fault of ours and goes on. */
function sentenceOf(error: unknown): string {
  if (error instanceof FileProblem) return error.message;
  throw error;
}

/** Packs with gzip, as beds are kept. */
async function gzip(bytes: Uint8Array): Promise<Uint8Array> {
  const packed = new Blob([bytes as Uint8Array<ArrayBuffer>]).stream().pipeThrough(new CompressionStream('gzip'));
  return new Uint8Array(await new Response(packed).arrayBuffer());
}

/**
 * Files of charts beside the page, read one after another: they are large, and one may think better of it. What is wrong
 * with one comes back as a sentence. Beds come out packed.
 */
export class ChartFilesApi {
  private found: BedFile | undefined;

  constructor(private readonly packed = gzip) {}

  async readBed(file: Blob, water: WaterAt, step?: Step): Promise<BedRead | string> {
    this.found = undefined;
    try {
      const bytes = await file.arrayBuffer();
      const found = await readBathymetry(bytes, (each) => new TextDecoder().decode(each), water.lonLat, step);
      this.found = found;
      const { from, count, least, most, left, crs, unit, sense } = found;
      const guess = guessChoices(found);
      return { from, count, least, most, left, crs: crs?.name ?? null, unitTold: !!unit, senseTold: !!sense, guess };
    } catch (error) {
      return sentenceOf(error);
    }
  }

  async layBed(choices: BedChoices, water: WaterAt, source: string, step?: Step): Promise<LaidChart | string> {
    if (!this.found) throw new Error('No file of depths has been read');
    try {
      const { epsg, grid, awayM } = layBed(this.found, choices, water, step);
      const { cols, rows, cellM, westM, northM, values } = grid;
      const frame = { epsg, cols, rows, cellM, westM, northM, source, ...(awayM ? { sounded: true } : {}) };
      let [deepestM, wet] = [0, 0];
      for (const bed of values) {
        if (bed < 0) wet++;
        if (-bed > deepestM) deepestM = -bed;
      }
      const bed = await this.packed(bedToBytes(grid, awayM));
      return transfer({ frame, bed, deepestM, waterM2: wet * cellM * cellM }, [bed.buffer as ArrayBuffer]);
    } catch (error) {
      return sentenceOf(error);
    }
  }

  async readFeatures(file: Blob, water: WaterAt): Promise<ChartFeature[] | string> {
    const text = await file.text();
    try {
      const features = readFeatures(text, uuid);
      checkFeaturesNear(features, water.lonLat, water.name);
      return features;
    } catch (error) {
      return sentenceOf(error);
    }
  }

  /** Packs a bed as it came from the server, so that it can be put back. */
  async pack(bytes: Uint8Array): Promise<Uint8Array> {
    const packed = await this.packed(bytes);
    return transfer(packed, [packed.buffer as ArrayBuffer]);
  }
}
