/** How files of the kinds of image that are taken begin. */
const BEGINNINGS: readonly (readonly [mediaType: string, at: number, bytes: string])[] = [
  ['image/jpeg', 0, 'ffd8ff'],
  ['image/png', 0, '89504e470d0a1a0a'],
  ['image/webp', 8, '57454250'],
];

/** The kind of an image by its first bytes, whatever it is said to be; undefined where it is none that is taken. */
export const imageKind = (bytes: Buffer): string | undefined =>
  BEGINNINGS.find(([, at, hex]) => bytes.subarray(at, at + hex.length / 2).toString('hex') === hex)?.[0];
