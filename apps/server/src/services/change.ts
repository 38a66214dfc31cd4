/** Who changes something, and from which version. */
export interface Change {
  /** Name of the device, where it says so. */
  readonly device: string | null;
  /** The version that it was changed from; undefined where that is not said. */
  readonly from: number | undefined;
}

/** What was changed meanwhile: the change is kept as a second copy, and both stand. */
export class SecondCopy extends Error {
  constructor(
    readonly copy: { readonly id: string; readonly name: string },
    /** The version that stands. */
    readonly version: number,
  ) {
    super(`This was changed on another device meanwhile. Yours is kept beside it as "${copy.name}".`);
  }
}
