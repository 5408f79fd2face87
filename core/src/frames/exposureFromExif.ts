import { AV_RANGE, parseAperture, parseIso, parseShutter, SV_RANGE, TV_RANGE } from '../notation';
import { avFromN, type ExposureSettings, svFromIso, tvFromSeconds } from '../photometry';

/** The fields that tell an exposure. Checked by hand and not by a schema, so that the worker carries no schema library. */
interface ExposureFields {
  FNumber: number | undefined;
  ExposureTime: number | undefined;
  ISO: number | undefined;
}

const positive = (value: unknown): number | undefined =>
  typeof value === 'number' && Number.isFinite(value) && value > 0 ? value : undefined;

/** What the camera did by itself; null where the picture does not tell. */
export interface ByItself {
  exposure: 'manual' | 'automatic' | null;
  compensationStops: number | null;
  whiteBalance: 'manual' | 'automatic' | null;
  flashFired: boolean | null;
}

/** What a picture tells of its exposure; null where it does not. */
export interface FrameExif {
  av: number | null;
  tv: number | null;
  sv: number | null;
  /** as the camera's clock showed it: it has no zone */
  takenAt: string | null;
  byItself: ByItself;
}

const within = (value: number, range: { least: number; most: number }): number | null =>
  value >= range.least && value <= range.most ? value : null;

/** A printed figure means its exact stop, as on the camera's dial. */
function exactSettings({ FNumber, ExposureTime, ISO }: ExposureFields): Pick<FrameExif, 'av' | 'tv' | 'sv'> {
  const aperture = FNumber === undefined ? null : parseAperture(String(Number(FNumber.toFixed(1))));
  const denominator = ExposureTime === undefined ? null : 1 / ExposureTime;
  const shutter =
    ExposureTime === undefined
      ? null
      : parseShutter(
          ExposureTime <= 0.35
            ? `1/${String(Math.round(denominator ?? 0))}`
            : `${String(Number(ExposureTime.toFixed(1)))}s`,
        );
  const iso = ISO === undefined ? null : parseIso(String(Math.round(ISO)));
  return {
    av: FNumber === undefined ? null : aperture?.ok ? aperture.value : within(avFromN(FNumber), AV_RANGE),
    tv: ExposureTime === undefined ? null : shutter?.ok ? shutter.value : within(tvFromSeconds(ExposureTime), TV_RANGE),
    sv: ISO === undefined ? null : iso?.ok ? iso.value : within(svFromIso(ISO), SV_RANGE),
  };
}

const NOTHING_TOLD: ByItself = { exposure: null, compensationStops: null, whiteBalance: null, flashFired: null };
const MOST_COMPENSATION_STOPS = 10;

/**
 * By the EXIF standard: exposure programme 1 is manual, else the mode 1 is; white balance 1 is manual; flash's lowest bit says
 * that it fired.
 */
function byItselfOf(field: (name: string) => unknown): ByItself {
  const number = (name: string): number | null => {
    const value = field(name);
    return typeof value === 'number' && Number.isFinite(value) ? value : null;
  };
  const byBit = (value: number | null): 'manual' | 'automatic' | null =>
    value === null ? null : value === 1 ? 'manual' : 'automatic';
  const programme = number('ExposureProgram');
  const compensation = number('ExposureCompensation');
  const flash = number('Flash');
  return {
    exposure: byBit(programme === null || programme === 0 ? number('ExposureMode') : programme),
    compensationStops: compensation === null || Math.abs(compensation) > MOST_COMPENSATION_STOPS ? null : compensation,
    whiteBalance: byBit(number('WhiteBalance')),
    flashFired: flash === null ? null : (Math.trunc(flash) & 1) === 1,
  };
}

/** Reads whatever an EXIF reader found; never throws, and never gives a number that is not a possible setting. */
export function exposureFromExif(found: unknown): FrameExif {
  if (typeof found !== 'object' || found === null)
    return { av: null, tv: null, sv: null, takenAt: null, byItself: NOTHING_TOLD };
  const field = (name: string): unknown => (found as Record<string, unknown>)[name];
  const when = field('DateTimeOriginal');
  const written = /^(\d{4})[:-](\d\d)[:-](\d\d)[ T](\d\d:\d\d:\d\d)/.exec(typeof when === 'string' ? when : '');
  return {
    ...exactSettings({
      FNumber: positive(field('FNumber')),
      ExposureTime: positive(field('ExposureTime')),
      ISO: positive(field('ISO')),
    }),
    takenAt:
      written === null ? null : `${written[1] ?? ''}-${written[2] ?? ''}-${written[3] ?? ''}T${written[4] ?? ''}`,
    byItself: byItselfOf(field),
  };
}

/** True when the picture tells all three settings. */
export const hasSettings = (exif: FrameExif): exif is FrameExif & ExposureSettings =>
  exif.av !== null && exif.tv !== null && exif.sv !== null;
