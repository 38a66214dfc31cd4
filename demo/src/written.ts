import type { Reading } from '@inky-shoal/core';
import { RECORD } from './data/record.js';
import type { WrittenReading } from './written-reading.js';

/** A reading as a row of the data file. */
export const toWritten = ({ id, waterId, zoneId, at, surfaceTempC, visibilityM, profile }: Reading): WrittenReading => {
  const row = [id, waterId, zoneId ?? '', at, surfaceTempC, visibilityM ?? null] as const;
  return profile ? [...row, profile.map(({ depthM, tempC }) => [depthM, tempC] as const)] : row;
};

/** The demo's record, as it was made from the simulation and written down: what ships is data. */
export const writtenReadings = (): readonly Reading[] =>
  RECORD.map(([id, waterId, zoneId, at, surfaceTempC, visibilityM, profile]) => ({
    id,
    waterId,
    zoneId,
    at,
    surfaceTempC,
    ...(visibilityM === null ? {} : { visibilityM }),
    ...(profile ? { profile: profile.map(([depthM, tempC]) => ({ depthM, tempC })) } : {}),
  }));
