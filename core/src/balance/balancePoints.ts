import { type CameraSolution, clipsAboveAt } from '../exposure';
import type { Camera } from '../gear';
import { type LightAtPoint, type LightSolution, missStops, type PointTarget } from '../lights';
import { type PointAmbient, readingNoiseStops } from '../metering';
import { formatAperture, formatShutter, formatStops } from '../notation';
import { addLight, type Increment } from '../photometry';
import type { MeteringPoint } from '../setup';
import { lightName } from '../words';
import type { PointSolution } from './point';

interface PointContext {
  clock: Date;
  camera: { settings: CameraSolution; body: Camera } | null;
  /** what each light does here at its power */
  flash: readonly LightAtPoint[];
  lights: readonly LightSolution[];
  target: PointTarget | null;
  meterIncrement: Increment;
}

const MINUTE_MS = 60_000;
/** What carrying a reading over adds to its doubt, stops. */
const CARRIED_DOUBT_STOPS = 0.1;

const say = (
  point: MeteringPoint,
  {
    placedStops,
    placedAmbientStops,
    flashStops,
    zone,
    stale,
    basis,
  }: Pick<PointSolution, 'placedStops' | 'placedAmbientStops' | 'flashStops' | 'zone' | 'stale' | 'basis'>,
): string => {
  if (placedStops === null || placedAmbientStops === null) return `${point.name}: not metered yet.`;
  const parts = [
    `ambient ${formatStops(placedAmbientStops)}`,
    flashStops === null ? 'no flash known' : `flash ${formatStops(flashStops + point.toneStops)}`,
  ];
  const place = zone === 'clipped' ? ', clipped' : zone === 'lost' ? ', lost in noise' : '';
  const doubt = basis === 'carried' ? ', carried over' : stale === null ? '' : ', old reading';
  const side = Math.abs(placedStops) < 0.05 ? '' : placedStops > 0 ? ', brighter' : ', darker';
  return `${point.name}: ${formatStops(placedStops)} stops from mid grey${side}${place}${doubt} (${parts.join(', ')}).`;
};

/** Where each metered point lands. */
export function solvePoint(
  point: MeteringPoint,
  { reading, ambientEv100, basis, stale }: PointAmbient,
  faceEv100: number | null,
  context: PointContext,
): PointSolution {
  const { clock, camera, flash, lights, target, meterIncrement } = context;
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
          : 'in range';
  return {
    pointId: point.id,
    role: point.role,
    name: point.name,
    ambientEv100,
    ambientStops,
    flashStops,
    totalStops,
    placedStops,
    sources: flash.map(({ lightId, stops, basis: from }) => {
      const its = lights.find((one) => one.lightId === lightId);
      return { lightId, name: its === undefined ? '' : lightName(its), stops, share: share(stops), basis: from };
    }),
    targetStops: target === null ? null : target.stops + point.toneStops,
    targetKind: target?.kind ?? null,
    missStops: target === null || totalStops === null ? null : missStops(2 ** totalStops, target),
    totalEv100: totalStops === null || settings === null ? ambientEv100 : totalStops + settings.ev100,
    placedAmbientStops,
    basis,
    stale,
    zone,
    overFaceStops: ambientEv100 === null || faceEv100 === null ? null : ambientEv100 - faceEv100,
    uncertaintyStops:
      reading === undefined ? null : readingNoiseStops(reading) + (basis === 'carried' ? CARRIED_DOUBT_STOPS : 0),
    readingId: reading?.id ?? null,
    ambientAgeMinutes:
      reading === undefined ? null : Math.max(0, Math.floor((clock.getTime() - Date.parse(reading.at)) / MINUTE_MS)),
    meterText:
      totalStops === null || settings === null
        ? null
        : formatAperture(settings.av + settings.ndStops + totalStops, meterIncrement),
    atCameraText:
      ambientEv100 === null || settings === null
        ? null
        : `${formatAperture(ambientEv100 - settings.tv + settings.sv, meterIncrement)} at ${settings.text.shutter}, ${settings.text.iso}`,
    ifRightText:
      ambientEv100 === null || camera === null || settings === null
        ? null
        : `${formatShutter(ambientEv100 - settings.ndStops - settings.av + settings.sv, camera.body.increment)}, ${settings.text.aperture}, ${settings.text.iso}`,
    text: say(point, { placedStops, placedAmbientStops, flashStops, zone, stale, basis }),
  };
}
