import type { Picture as Developed } from '@sphene/core/renderer';

const QUALITY = 0.85;

/** A picture as a small JPEG, as a data address; null where the page cannot draw. */
export function jpegOf({ rgba, width, height }: Developed): string | null {
  const canvas = document.createElement('canvas');
  canvas.width = width;
  canvas.height = height;
  const context = canvas.getContext('2d');
  if (context === null) return null;
  context.putImageData(new ImageData(rgba, width, height), 0, 0);
  return canvas.toDataURL('image/jpeg', QUALITY);
}
