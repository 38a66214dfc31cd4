/** A reading as the data file writes it. */
export type WrittenReading = readonly [
  id: string,
  waterId: string,
  zoneId: string,
  at: string,
  surfaceTempC: number,
  visibilityM: number | null,
  /** Depths in metres with their temperatures. */
  profile?: readonly (readonly [depthM: number, tempC: number])[],
];
