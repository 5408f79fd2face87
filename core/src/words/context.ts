import type { Camera, Kit } from '../gear';
import type { DistanceUnit } from '../notation';
import type { Light, MeteringPoint, Setup } from '../setup';

/** What a sentence about a setup is made from besides the reason itself: names that were typed, and how this person counts. */
export interface WordsContext {
  setup: Setup;
  kit: Kit;
}

export const pointOf = ({ setup }: WordsContext, id: string | null): MeteringPoint | undefined =>
  setup.points.find((point) => point.id === id);

export const lightOf = ({ setup }: WordsContext, id: string | null): Light | undefined =>
  setup.lights.find((light) => light.id === id);

export const unitOf = ({ kit }: WordsContext): DistanceUnit => kit.preferences.distanceUnit;

/** How the camera's dials count. */
export const incrementOf = ({ setup, kit }: WordsContext): Camera['increment'] =>
  kit.cameras.find(({ id }) => id === setup.camera.cameraId)?.increment ?? 'third';
