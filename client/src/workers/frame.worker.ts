import { expose } from 'comlink';
import exifr from 'exifr';
import jsQR from 'jsqr';
import { z } from 'zod';

import {
  MAX_FRAME_IMAGE_LETTERS,
  type PictureTones,
  pictureTones,
  type Pixels,
  type Place,
  placeInPicture,
} from '@sphene/core/frames';

/** Longest side of the copy that is kept, px; and of the one that the histogram is counted on. */
const COPY_PX = 960;
const COUNT_PX = 1600;
const MAX_BYTES = 120_000_000;

/** What became of a file: a frame, or why it is none. */
export type FrameResult =
  | { ok: true; exif: unknown; widthPx: number; heightPx: number; image: string; tones: PictureTones }
  | { ok: false; reason: 'too large' | 'no picture' };

export type FrameProgress = 'settings' | 'picture' | 'tones' | 'copy';

const fit = (width: number, height: number, most: number) => {
  const scale = Math.min(1, most / Math.max(width, height));
  return { width: Math.max(1, Math.round(width * scale)), height: Math.max(1, Math.round(height * scale)) };
};

/** Draws a picture at a size. Nearest pixels keep clipped ones clipped; smooth ones look better. */
function draw(picture: ImageBitmap, most: number, smooth: boolean) {
  const { width, height } = fit(picture.width, picture.height, most);
  const canvas = new OffscreenCanvas(width, height);
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (context === null) throw new Error('no canvas');
  context.imageSmoothingEnabled = smooth;
  context.imageSmoothingQuality = 'high';
  context.drawImage(picture, 0, 0, width, height);
  return { canvas, pixels: (): Pixels => ({ data: context.getImageData(0, 0, width, height).data, width, height }) };
}

async function dataUrl(blob: Blob): Promise<string> {
  const bytes = new Uint8Array(await blob.arrayBuffer());
  let text = '';
  for (let at = 0; at < bytes.length; at += 32_768) text += String.fromCharCode(...bytes.subarray(at, at + 32_768));
  return `data:image/jpeg;base64,${btoa(text)}`;
}

/** The small copy as JPEG, in a quality that fits the bound. */
async function smallCopy(picture: ImageBitmap): Promise<string> {
  for (const [most, quality] of [
    [COPY_PX, 0.85],
    [COPY_PX, 0.6],
    [COPY_PX / 2, 0.6],
  ] as const) {
    const image = await dataUrl(await draw(picture, most, true).canvas.convertToBlob({ type: 'image/jpeg', quality }));
    if (image.length <= MAX_FRAME_IMAGE_LETTERS) return image;
  }
  return dataUrl(await draw(picture, COPY_PX / 4, true).canvas.convertToBlob({ type: 'image/jpeg', quality: 0.5 }));
}

async function exifOf(file: Blob): Promise<unknown> {
  try {
    return (await exifr.parse(await file.slice(0, 1_000_000).arrayBuffer(), {
      pick: [
        'ExposureTime',
        'FNumber',
        'ISO',
        'DateTimeOriginal',
        'ExposureProgram',
        'ExposureMode',
        'ExposureCompensation',
        'WhiteBalance',
        'Flash',
      ],
      translateValues: false,
      reviveValues: false,
    })) as unknown;
  } catch {
    return null; // damaged or missing: the settings are asked for
  }
}

/** When and by which camera a file was made, as it says itself. */
export interface Taken {
  /** by the camera's own clock, which knows no zone: `2026-02-27T14:32:05.12`; null: it does not say */
  at: string | null;
  camera: string;
}

/** Where cameras write it. */
const HEADER_BYTES = 256 * 1024;
/** Codes are found on a picture of so many pixels. */
const CODE_PX = 1400;
const takenSchema = z.object({
  DateTimeOriginal: z.string().regex(/^\d{4}:\d\d:\d\d \d\d:\d\d:\d\d/),
  SubSecTimeOriginal: z.coerce
    .string()
    .regex(/^\d{1,6}$/)
    .optional()
    .catch(undefined),
  Model: z.string().optional().catch(undefined),
});

/** A file's own time; null where it has none. */
async function takenOf(file: Blob): Promise<Taken> {
  const nothing: Taken = { at: null, camera: '' };
  try {
    const exif: unknown = await exifr.parse(await file.slice(0, HEADER_BYTES).arrayBuffer(), {
      pick: ['DateTimeOriginal', 'SubSecTimeOriginal', 'Model'],
      translateValues: false,
      reviveValues: false,
    });
    const read = takenSchema.safeParse(exif);
    if (!read.success) return nothing;
    const { DateTimeOriginal, SubSecTimeOriginal, Model = '' } = read.data;
    const [day = '', time = ''] = DateTimeOriginal.slice(0, 19).split(' ');
    const part = SubSecTimeOriginal === undefined ? '' : `.${SubSecTimeOriginal}`;
    return {
      at: `${day.replaceAll(':', '-')}T${time}${part}`,
      camera: Model.split('\u0000').join('').trim().slice(0, 80),
    };
  } catch {
    return nothing;
  }
}

let placed: { image: string; pixels: Pixels } | null = null;

const api = {
  /** Opens a picture file: its EXIF, its tones and a small copy. Damaged input gives a reason, never an exception. */
  async read(file: Blob, tell: (progress: FrameProgress) => void): Promise<FrameResult> {
    if (file.size > MAX_BYTES) return { ok: false, reason: 'too large' };
    tell('settings');
    const exif = await exifOf(file);
    try {
      tell('picture');
      const picture = await createImageBitmap(file);
      tell('tones');
      const tones = pictureTones(draw(picture, COUNT_PX, false).pixels());
      tell('copy');
      const image = await smallCopy(picture);
      const { width: widthPx, height: heightPx } = picture;
      picture.close();
      return { ok: true, exif, widthPx, heightPx, image, tones };
    } catch {
      return { ok: false, reason: 'no picture' };
    }
  },

  taken: (file: Blob): Promise<Taken> => takenOf(file),

  /** What a code in a picture says; null where none is found. */
  async code(file: Blob): Promise<string | null> {
    try {
      const picture = await createImageBitmap(file);
      const { data, width, height } = draw(picture, CODE_PX, true).pixels();
      picture.close();
      return jsQR(new Uint8ClampedArray(data), width, height)?.data ?? null;
    } catch {
      return null;
    }
  },

  /** Where a place of a kept copy lies against mid grey; null when the copy cannot be opened. */
  async place(image: string, x: number, y: number): Promise<Place | null> {
    try {
      if (placed?.image !== image) {
        const bytes = Uint8Array.from(atob(image.slice(image.indexOf(',') + 1)), (letter) => letter.charCodeAt(0));
        const picture = await createImageBitmap(new Blob([bytes], { type: 'image/jpeg' }));
        placed = { image, pixels: draw(picture, COPY_PX, true).pixels() };
        picture.close();
      }
      return placeInPicture(placed.pixels, x, y);
    } catch {
      return null;
    }
  },
};
export type FrameApi = typeof api;
expose(api);
