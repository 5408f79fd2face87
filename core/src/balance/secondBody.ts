import { type CameraSolution, chooseCameraSettings } from '../exposure';
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
 * Settings for equal ambient on another body. It keeps the first body's aperture, ISO and filter when its shutter allows
 * it, because flash follows `Av − Sv + ND` alone: then the flash is equal too. Otherwise its own limits decide, and the
 * change of power that would keep the flash is said.
 */
export function secondBody(setup: Setup, kit: Kit, { camera, gear, target, light }: Balance): SecondBody | null {
  const body = kit.cameras.find(({ id }) => id === setup.camera.secondCameraId);
  if (body === undefined || camera === null || gear === null || target === null || setup.camera.video !== null)
    return null;
  const asFirst = { ...target, ev100: camera.ev100 };
  const own: CameraWish = {
    ...setup.camera,
    wantedAv: camera.av,
    depth: null,
    pins: { av: null, tv: null, sv: null },
    wantedTv: null,
    keepOrder: ['aperture', 'iso', 'shutter'],
    limits: { syncTv: null, slowestTv: null, baseSv: null, highestSv: null },
  };
  const secondGear = { ...gear, body };
  const equal = chooseCameraSettings(asFirst, secondGear, { ...own, pins: { av: camera.av, tv: null, sv: camera.sv } });
  const settings = equal.met ? equal : chooseCameraSettings(asFirst, secondGear, own);
  const ambientDifferenceStops = camera.ev100 - settings.ev100;
  const flashDifferenceStops = camera.av + camera.ndStops - camera.sv - (settings.av + settings.ndStops - settings.sv);
  const step = light === null ? null : powerStepStops(light.unit.scale);
  const powerChangeStops = step === null ? -flashDifferenceStops : roundToStep(-flashDifferenceStops, step);
  return {
    cameraName: body.name,
    camera: settings,
    ambientDifferenceStops,
    flashDifferenceStops,
    powerChangeStops: powerChangeStops + 0,
  };
}
