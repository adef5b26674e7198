import type { CardPhoto, Exposure } from '../../../core/light/camera';

/** A picture is looked at no larger than this: the card fills its middle. */
const MOST_PIXELS = 480;

/** What a photograph's file says of its settings; null where it says nothing. */
async function exposureOf(file: File): Promise<Exposure | null> {
  const { default: exifr } = await import('exifr');
  const found = (await exifr
    .parse(file, ['ExposureTime', 'FNumber', 'ISO', 'WhiteBalance'])
    .catch(() => null)) as {
    ExposureTime?: number;
    FNumber?: number;
    ISO?: number;
    WhiteBalance?: string | number;
  } | null;
  if (!found?.ExposureTime || !found.FNumber || !found.ISO) return null;
  const { ExposureTime: seconds, FNumber: fNumber, ISO: iso, WhiteBalance: white } = found;
  return {
    seconds,
    fNumber,
    iso,
    fixedWhite:
      white === undefined ? null : white === 1 || (typeof white === 'string' && /manual/i.test(white)),
  };
}

/**
 * A photograph as its pixels and its settings; nothing of it is sent or kept.
 * @param otherwise settings for a file that has none
 * @throws Error when the file is no picture
 */
export async function readPhoto(file: File, otherwise: Exposure): Promise<CardPhoto> {
  const exposure = (await exposureOf(file)) ?? otherwise;
  let bitmap: ImageBitmap;
  try {
    bitmap = await createImageBitmap(file);
  } catch {
    throw new Error(`“${file.name}” is no picture this browser can read.`);
  }
  const scale = Math.min(1, MOST_PIXELS / Math.max(bitmap.width, bitmap.height));
  const [width, height] = [bitmap.width, bitmap.height].map((p) => Math.max(1, Math.round(p * scale)));
  const canvas = document.createElement('canvas');
  Object.assign(canvas, { width, height });
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (!context) throw new Error('This browser draws no pictures.');
  context.drawImage(bitmap, 0, 0, width, height);
  bitmap.close();
  return { width, height, data: context.getImageData(0, 0, width, height).data, exposure };
}
