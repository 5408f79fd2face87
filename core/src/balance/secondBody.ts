import { type CameraGear, type CameraSolution, chooseCameraSettings, type ExposureTarget } from '../exposure';
import { powerStepStops } from '../flash';
import type { Kit } from '../gear';
import { roundToStep } from '../photometry';
import type { CameraWish, Setup } from '../setup';
import type { Balance } from './balance';

/** The same picture on a second body. */
export interface SecondBody {
  cameraName: string;
  camera: CameraSolution;
  /** ambient on the second body against the first, stops: what its limits and the steps of its dials leave */
  ambientDifferenceStops: number;
  /** flash on the second body against the first at the same power, stops */
  flashDifferenceStops: number;
  /** change of power that would give it the first body's flash; 0 when it is the same already */
  powerChangeStops: number;
}

/**
 * Settings for equal ambient on another body: of all that it can do the nearest in ambient, since a flash follows by power
 * and the ambient by nothing else; of those as near the one that leaves the flash as it is, which the first body's aperture
 * and ISO do.
 */
export function secondBody(setup: Setup, kit: Kit, { camera, gear, target, light }: Balance): SecondBody | null {
  const body = kit.cameras.find(({ id }) => id === setup.camera.secondCameraId);
  if (body === undefined || camera === null || gear === null || target === null || setup.camera.video !== null)
    return null;
  const flashOff = ({ av, ndStops, sv }: CameraSolution) =>
    camera.av + camera.ndStops - camera.sv - (av + ndStops - sv);
  const secondGear = { ...gear, body };
  const asFirst: ExposureTarget = { ...target, ev100: camera.ev100, faceEv100: null };
  const tried = wishesLike(camera, setup.camera, secondGear).map((wish) =>
    chooseCameraSettings(asFirst, secondGear, wish),
  );
  const offBy = (one: CameraSolution) => [Math.abs(one.ev100 - camera.ev100), Math.abs(flashOff(one))] as const;
  const settings = tried.reduce((best, one) => {
    const [[ambient, flash], [leastAmbient, leastFlash]] = [offBy(one), offBy(best)];
    if (Math.abs(ambient - leastAmbient) > 1e-6) return ambient < leastAmbient ? one : best;
    return flash < leastFlash - 1e-6 ? one : best;
  });
  const flashDifferenceStops = flashOff(settings);
  const step = light === null ? null : powerStepStops(light.unit.scale);
  const powerChangeStops = step === null ? -flashDifferenceStops : roundToStep(-flashDifferenceStops, step);
  return {
    cameraName: body.name,
    camera: settings,
    ambientDifferenceStops: camera.ev100 - settings.ev100,
    flashDifferenceStops,
    powerChangeStops: powerChangeStops + 0,
  };
}

/** Wishes that between them reach whatever the second body can do: each holds what the others let go. */
function wishesLike({ av, sv }: CameraSolution, wish: CameraWish, { body, lens }: CameraGear): CameraWish[] {
  const own: CameraWish = {
    ...wish,
    wantedAv: av,
    depth: null,
    pins: { av: null, tv: null, sv: null },
    wantedTv: null,
    keepOrder: ['aperture', 'iso', 'shutter'],
    limits: { syncTv: null, slowestTv: null, baseSv: null, highestSv: null },
  };
  const widest = lens?.widestAv ?? body.widestAv;
  const smallest = lens?.smallestAv ?? body.smallestAv;
  const pinned = (aperture: number, iso: number | null): CameraWish => ({
    ...own,
    pins: { av: aperture, tv: null, sv: iso },
  });
  return [
    pinned(av, sv),
    own,
    { ...own, keepOrder: ['iso', 'aperture', 'shutter'] },
    pinned(widest, null),
    pinned(smallest, null),
  ];
}
