import { MAX_PHOTO_BYTES } from '@inky-shoal/core/tackle';

/** Larger files are not opened at all. */
const MAX_FILE_BYTES = 25_000_000;
/** Longer side of a kept photo, in pixels: tried in turn until it is small enough. */
const SIDES_PX = [1280, 1024, 800, 640];
const QUALITIES = [0.85, 0.7, 0.55];

/** Why a photo is not taken, in a sentence. */
export class PhotoProblem extends Error {}

const megabytes = (bytes: number): string => `${Math.round(bytes / 1e6)} MB`;

function drawn(image: ImageBitmap, longest: number): HTMLCanvasElement {
  const scale = Math.min(1, longest / Math.max(image.width, image.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(image.width * scale));
  canvas.height = Math.max(1, Math.round(image.height * scale));
  canvas.getContext('2d')?.drawImage(image, 0, 0, canvas.width, canvas.height);
  return canvas;
}

const jpegOf = (canvas: HTMLCanvasElement, quality: number): Promise<Blob | null> =>
  new Promise((resolve) => canvas.toBlob(resolve, 'image/jpeg', quality));

/**
 * A photo made small, as JPEG: what a camera writes into its files, as the place where it was taken, does not come along.
 * @throws PhotoProblem where the file is too large or no photo
 */
export async function smallPhoto(file: File): Promise<Blob> {
  if (file.size > MAX_FILE_BYTES) {
    throw new PhotoProblem(
      `${file.name} has ${megabytes(file.size)}: expected a photo of at most ${megabytes(MAX_FILE_BYTES)}.`,
    );
  }
  const image = await createImageBitmap(file).catch(() => {
    throw new PhotoProblem(`${file.name} is no photo that can be opened here: expected JPEG, PNG or WebP.`);
  });
  try {
    for (const side of SIDES_PX) {
      for (const quality of QUALITIES) {
        const photo = await jpegOf(drawn(image, side), quality);
        if (photo && photo.size <= MAX_PHOTO_BYTES) return photo;
      }
    }
  } finally {
    image.close();
  }
  throw new PhotoProblem(`${file.name} could not be made small enough to keep.`);
}
