/** One part of a tide: a cosine of a published speed. */
export interface TideConstituent {
  /** As the tables call it: M2, K1, MSF. */
  readonly name: string;
  readonly amplitudeM: number;
  /** Lag behind the equilibrium tide at Greenwich, degrees. */
  readonly phaseDeg: number;
}

/** What a subordinate station differs by from the one whose constituents it is reckoned with. */
export interface TideOffsets {
  /** Minutes by which its highs and lows come later. */
  readonly highMin: number;
  readonly lowMin: number;
  /** Factors on heights over the datum. */
  readonly highFactor: number;
  readonly lowFactor: number;
}

/** A place whose tide is known by its constituents. */
export interface TideStation {
  readonly name: string;
  readonly latitude: number;
  readonly longitude: number;
  readonly constituents: readonly TideConstituent[];
  /** How far the mean level lies over the datum that heights are told from, metres. */
  readonly meanLevelM: number;
  /** What heights are told from, in words: `mean lower low water`. */
  readonly datum: string;
  readonly offsets?: TideOffsets | undefined;
}
