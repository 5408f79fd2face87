import { formatDistance } from '@sphene/core/notation';
import type { Setting } from '@sphene/core/setup';
import { snapTo } from '../stageView';
import { texts } from '../texts';
import { clamp, type StageFacts, stepM, type Thing } from './thing';

/** Drawn where no distance of the background is said. */
export const UNSAID_BACKGROUND_M = 3;

/** The camera: it looks at the subject, so it moves along the line between them, and up and down. */
export function cameraThing({ setup: { stage }, kit }: StageFacts): Thing {
  const { cameraM, cameraUpM } = stage;
  const { distanceUnit: unit } = kit.preferences;
  const by = stepM(unit);
  const put = (distance: number, up: number): Setting[] => [
    { path: 'stage.cameraM', value: clamp(Number(distance.toFixed(3)), 0.5, 60) },
    { path: 'stage.cameraUpM', value: clamp(Number(up.toFixed(3)), -2, 4) },
  ];
  const [away, up] = [formatDistance(cameraM, unit), formatDistance(Math.abs(cameraUpM), unit)];
  return {
    id: 'camera',
    name: texts.camera,
    at: { x: 0, y: cameraUpM, z: cameraM },
    deg: 0,
    faces: ['plan', 'side'],
    said: cameraUpM < 0 ? texts.cameraUnderTheEyes(away, up) : texts.cameraOverTheEyes(away, up),
    moveTo: ({ y, z }, free) => put(free ? z : snapTo(z, by), free ? y : snapTo(y, by / 2)),
    nudge: (key, fine) => {
      const d = fine ? 0.02 : by;
      switch (key) {
        case 'ArrowUp':
          return put(cameraM - d, cameraUpM);
        case 'ArrowDown':
          return put(cameraM + d, cameraUpM);
        case 'PageUp':
          return put(cameraM, cameraUpM + d);
        case 'PageDown':
          return put(cameraM, cameraUpM - d);
        default:
          return null;
      }
    },
  };
}

/** The background, straight behind the subject. */
export function backgroundThing({ setup, kit }: StageFacts): Thing {
  const { distanceUnit: unit } = kit.preferences;
  const by = 5 * stepM(unit);
  const backgroundM = setup.backgroundM ?? UNSAID_BACKGROUND_M;
  const put = (distance: number): Setting[] => [
    { path: 'backgroundM', value: clamp(Number(distance.toFixed(2)), 0.3, 100) },
  ];
  return {
    id: 'background',
    name: texts.background,
    at: { x: 0, y: 0, z: -backgroundM },
    deg: 0,
    faces: ['plan', 'side'],
    said:
      setup.backgroundM === null ? texts.distanceNotSaid : texts.behindTheSubject(formatDistance(backgroundM, unit)),
    moveTo: ({ z }, free) => put(free ? -z : snapTo(-z, by)),
    nudge: (key, fine) => {
      const d = fine ? 0.1 : by;
      if (key === 'ArrowUp') return put(backgroundM + d);
      return key === 'ArrowDown' ? put(backgroundM - d) : null;
    },
  };
}
