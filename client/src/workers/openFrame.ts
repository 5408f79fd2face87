import type { Frame } from '@sphene/core/documents';
import { exposureFromExif, hasSettings } from '@sphene/core/frames';
import type { ExposureSettings } from '@sphene/core/photometry';
import type { FrameProgress, FrameResult } from './frame.worker';
import { readFrame } from './frameWorker';

/** What a frame document says beyond its place in the store, and its picture, which is kept apart. */
export type FrameFacts = Omit<Frame, 'type' | 'version' | 'id' | 'setupId' | 'at' | 'struckAt'> & { image: string };

/** A file as a frame; `told` is false when the picture does not tell its settings, which are then those given. */
export type OpenedFrame = { ok: true; facts: FrameFacts; told: boolean } | Extract<FrameResult, { ok: false }>;

/** Opens a picture in the worker and reads its exposure from its EXIF. */
export async function openFrame(
  file: Blob,
  name: string,
  otherwise: ExposureSettings,
  tell: (progress: FrameProgress) => void = () => undefined,
): Promise<OpenedFrame> {
  const result = await readFrame(file, tell).catch((): FrameResult => ({ ok: false, reason: 'no picture' }));
  if (!result.ok) return result;
  const exif = exposureFromExif(result.exif);
  const { widthPx, heightPx, image, tones } = result;
  const told = hasSettings(exif);
  return {
    ok: true,
    told,
    facts: {
      name: name.trim().slice(0, 200) || 'Frame',
      takenAt: exif.takenAt,
      widthPx,
      heightPx,
      image,
      ...tones,
      byItself: exif.byItself,
      av: exif.av ?? otherwise.av,
      tv: exif.tv ?? otherwise.tv,
      sv: exif.sv ?? otherwise.sv,
      settingsFrom: told ? 'exif' : 'typed',
    },
  };
}
