import {
  type CameraGear,
  type CameraNow,
  cameraNow,
  chooseCameraSettings,
  exposureIntent,
  type ExposureTarget,
  type Intent,
  type LitPoint,
} from '../exposure';
import { type MeteredScene, withAssumed } from '../metering';
import type { MeteringPoint, Setup } from '../setup';
import { askedLamps, isLitByLamp, restAt } from './askedLamps';

/** What the camera makes of the light that is there. */
export interface Exposed extends CameraNow {
  /** the scene that all figures are made from: what is assumed of the face stands in it */
  scene: MeteredScene;
  intent: Intent;
  target: ExposureTarget | null;
  facePlace: MeteringPoint | undefined;
  faceEv100: number | null;
  /** the ambient on the face without lamps that are lights, EV100 */
  restEv100: number | null;
}

/** The light that is there, alone: no flash, no lamp that is a light, no film. */
export const isAlone = (setup: Setup): boolean =>
  setup.lights.length === 0 && setup.camera.video === null && askedLamps(setup).length === 0;

/** How far what is assumed of an unmetered face may be off, stops: one standard deviation. */
const ASSUMED_SD_STOPS = 1;

/** Flash may fire here: there is a light, and it is no film. */
export const fires = ({ lights, camera }: Setup): boolean => lights.length > 0 && camera.video === null;

/** Whether something was set by eye: then work goes on without a reading of the face. */
const isByEye = ({ standing }: MeteredScene): boolean => standing.some(({ method }) => method.kind === 'eye');

/**
 * The level that is wished for, the settings that give it, and the camera as it stands beside them.
 * Where the settings were found by eye and the face was not metered, its ambient is assumed to lie as far under its final
 * place as the look holds it back.
 */
export function exposed(setup: Setup, gear: CameraGear | null, metered: MeteredScene): Exposed {
  const facePlace = setup.points.find((point) => point.role === 'face');
  const byLamp = isLitByLamp(setup);
  // light is added to what is there: the ambient is held back for it
  const added = fires(setup) || byLamp;
  const lamps = askedLamps(setup).length > 0;
  // lamps that are lights are balanced against the rest: what they add does not lead the camera
  const exposedAt = (point: MeteringPoint, scene: MeteredScene) =>
    lamps ? restAt(setup, scene, point) : scene.ambientAt(point).ambientEv100;
  const intentIn = (scene: MeteredScene): Intent => {
    const lit = setup.points.flatMap((point): LitPoint[] => {
      const ambientEv100 = exposedAt(point, scene);
      return ambientEv100 === null ? [] : [{ point, ambientEv100 }];
    });
    return exposureIntent(setup, gear?.body ?? null, lit, added);
  };
  const first = intentIn(metered);
  const scene = withFace(setup, metered, facePlace, first, added);
  const intent = scene === metered ? first : intentIn(scene);
  const faceEv100 = facePlace === undefined ? null : scene.ambientAt(facePlace).ambientEv100;
  const restEv100 = facePlace === undefined ? null : exposedAt(facePlace, scene);
  const target: ExposureTarget | null =
    faceEv100 === null || intent.targetEv100 === null
      ? null
      : {
          ev100: intent.targetEv100,
          faceEv100: added && intent.by === 'face' ? restEv100 : null,
          finalStops: intent.finalStops,
          fires: fires(setup),
        };
  const suggested = gear === null || target === null ? null : chooseCameraSettings(target, gear, setup.camera);
  const now =
    gear === null
      ? { camera: null, suggested: null, toSet: null }
      : cameraNow(suggested, gear, setup.camera, fires(setup));
  return { ...now, scene, intent, target, facePlace, faceEv100, restEv100 };
}

/** The scene with what is assumed of a face that nobody metered; the same where nothing is. */
function withFace(
  setup: Setup,
  scene: MeteredScene,
  face: MeteringPoint | undefined,
  { targetEv100, finalStops }: Intent,
  added: boolean,
): MeteredScene {
  if (face === undefined || targetEv100 === null || !isByEye(scene)) return scene;
  if (scene.ambientAt(face).ambientEv100 !== null) return scene;
  const ambientEv100 = targetEv100 + finalStops - (added ? setup.look.holdBackStops : 0);
  return withAssumed(scene, face.id, { ambientEv100, sdStops: ASSUMED_SD_STOPS });
}
