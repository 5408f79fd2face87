import { type CameraSolution, clipsAboveAt } from '../exposure';
import type { Camera } from '../gear';
import { type LightAtPoint, missStops, type PointTarget } from '../lights';
import { ASKED_SD_STOPS, type Known, MARKED_SD_STOPS, type PointAmbient, type Staleness } from '../metering';
import { formatAperture, formatShutter } from '../notation';
import { addLight, type Increment, remainingLight } from '../photometry';
import type { MeteringPoint } from '../setup';
import type { PointSolution } from './point';

interface PointContext {
  clock: Date;
  camera: { settings: CameraSolution; body: Camera } | null;
  /** what each light does here at its power */
  flash: readonly LightAtPoint[];
  target: PointTarget | null;
  meterIncrement: Increment;
  /** all flash at the face, stops against mid grey, and the distance from the key at which it is so many stops more */
  onFace: { flashStops: number; keyAt: (moreStops: number) => number | null } | null;
}

const MINUTE_MS = 60_000;

/**
 * Age alone matters by what rests on a level: where flash is most of the light, an ambient that is known less well moves
 * the whole by that share only.
 */
function whatRestsOnIt(stale: Staleness, ambientShare: number): Staleness | null {
  if (stale.kind === 'scene') return stale;
  const moves = stale.sdStops * ambientShare;
  return moves <= MARKED_SD_STOPS ? null : { ...stale, asked: stale.asked && moves > ASKED_SD_STOPS };
}

/** A light with less of a point does not say how well that is known. */
const MATTERS_SHARE = 0.15;

/** The least well known of what makes up most of a point. */
function knownOf(
  ambient: Pick<PointAmbient, 'basis' | 'stale'>,
  flash: readonly { known: Known; share: number }[],
): Known {
  const mattering = flash.filter(({ share }) => share > MATTERS_SHARE).map(({ known }) => known);
  if (mattering.includes('assumed')) return 'assumed';
  return ambient.basis === 'carried' || ambient.stale !== null || mattering.includes('foretold') ? 'foretold' : 'read';
}

/** What may be nearer to the flash than the face, and must not burn. */
const MAY_BE_NEARER: readonly MeteringPoint['role'][] = ['white', 'highlight'];

/** How much more flash than the face gets a point holds. @param ambientStops there, against mid grey */
function riseOf(point: MeteringPoint, ambientStops: number, { camera, onFace }: PointContext): PointSolution['rise'] {
  if (camera === null || onFace === null || !MAY_BE_NEARER.includes(point.role)) return null;
  const clips = clipsAboveAt(camera.body, camera.settings.sv) - point.toneStops;
  const holds = remainingLight(clips, ambientStops);
  if (holds === undefined) return null;
  const stops = holds - onFace.flashStops;
  return stops < 0 ? null : { stops, keyM: onFace.keyAt(stops) };
}

/** Where each metered point lands. */
// eslint-disable-next-line complexity -- one point, term by term: each may be unknown
export function solvePoint(
  point: MeteringPoint,
  { reading, ambientEv100, sdStops, basis, stale }: PointAmbient,
  faceEv100: number | null,
  context: PointContext,
): PointSolution {
  const { clock, camera, flash, target, meterIncrement } = context;
  const settings = camera?.settings ?? null;
  const ambientStops = ambientEv100 === null || settings === null ? null : ambientEv100 - settings.ev100;
  const flashStops = flash.length === 0 ? null : addLight(...flash.map(({ stops }) => stops));
  const totalStops =
    ambientStops === null ? null : flashStops === null ? ambientStops : addLight(ambientStops, flashStops);
  const share = (stops: number) => (totalStops === null ? 0 : 2 ** (stops - totalStops));
  const placedStops = totalStops === null ? null : totalStops + point.toneStops;
  const placedAmbientStops = ambientStops === null ? null : ambientStops + point.toneStops;
  const zone =
    placedStops === null || camera === null
      ? null
      : placedStops > clipsAboveAt(camera.body, camera.settings.sv)
        ? 'clipped'
        : placedStops < camera.body.noiseBelowStops
          ? 'lost'
          : 'in-range';
  return {
    pointId: point.id,
    role: point.role,
    name: point.name,
    leftOut: point.leftOut,
    ambientEv100,
    ambientStops,
    flashStops,
    totalStops,
    placedStops,
    sources: flash.map(({ lightId, stops, basis: from }) => ({ lightId, stops, share: share(stops), basis: from })),
    targetStops: target === null ? null : target.stops + point.toneStops,
    targetKind: target?.kind ?? null,
    missStops: target === null || totalStops === null ? null : missStops(2 ** totalStops, target),
    totalEv100: totalStops === null || settings === null ? ambientEv100 : totalStops + settings.ev100,
    placedAmbientStops,
    basis,
    known:
      ambientEv100 === null
        ? null
        : knownOf(
            { basis, stale },
            flash.map(({ known, stops }) => ({ known, share: share(stops) })),
          ),
    stale: stale === null || ambientStops === null ? stale : whatRestsOnIt(stale, share(ambientStops)),
    zone,
    rise: ambientStops === null ? null : riseOf(point, ambientStops, context),
    overFaceStops: ambientEv100 === null || faceEv100 === null ? null : ambientEv100 - faceEv100,
    uncertaintyStops: sdStops,
    readingId: reading?.id ?? null,
    ambientAgeMinutes:
      reading === undefined ? null : Math.max(0, Math.floor((clock.getTime() - Date.parse(reading.at)) / MINUTE_MS)),
    meterText:
      totalStops === null || settings === null
        ? null
        : formatAperture(settings.av + settings.ndStops + totalStops, meterIncrement),
    atCamera:
      ambientEv100 === null || settings === null
        ? null
        : {
            apertureText: formatAperture(ambientEv100 - settings.tv + settings.sv, meterIncrement),
            shutterText: settings.text.shutter,
            isoText: settings.text.iso,
          },
    ifRightText:
      ambientEv100 === null || camera === null || settings === null
        ? null
        : `${formatShutter(ambientEv100 - settings.ndStops - settings.av + settings.sv, camera.body.increment)}, ` +
          `${settings.text.aperture}, ${settings.text.iso}`,
  };
}
