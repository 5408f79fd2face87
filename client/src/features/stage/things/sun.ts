import { words } from '@/language/words';

import { type Place, wrapDeg } from '@sphene/core/scene';
import type { Setting } from '@sphene/core/setup';
import { snapAngle } from '../stageView';
import { texts } from '../texts';
import { angleOf, clamp, RADIANS, type StageFacts, type Thing } from './thing';

/** Where the sun is drawn: on a ring round the subject. */
export const sunAt = ({
  numbers: {
    stage: { sun },
  },
  sunRingM,
}: Pick<StageFacts, 'numbers' | 'sunRingM'>): Place | null =>
  sun === null ? null : { x: sun.towards.x * sunRingM, y: sun.towards.y * sunRingM, z: sun.towards.z * sunRingM };

/** The sun, where it is set by hand; one that follows from place and time is drawn and not moved. */
export function sunThing(facts: StageFacts): Thing[] {
  const place = sunAt(facts);
  const { sun } = facts.setup.stage;
  const { sun: stands } = facts.numbers.stage;
  if (place === null || sun?.by !== 'hand') return [];
  const { sideDeg, altitudeDeg } = sun;
  const put = (side: number, altitude: number): Setting[] => [
    {
      path: 'stage.sun',
      value: { by: 'hand', sideDeg: Math.round(wrapDeg(side)), altitudeDeg: clamp(Math.round(altitude), -10, 90) },
    },
  ];
  return [
    {
      id: 'sun',
      name: texts.sun,
      at: place,
      deg: sideDeg,
      faces: ['plan', 'side'],
      said: stands === null ? '' : words.sun(stands),
      moveTo: (to, free) => {
        // from above the drag turns it, from the side it raises it
        const turned = Math.abs(to.y - place.y) < 1e-9;
        if (turned) return put(free ? angleOf(to) : snapAngle(angleOf(to), 0), altitudeDeg);
        return put(sideDeg, Math.atan2(to.y, Math.max(0.01, Math.hypot(to.x, to.z))) / RADIANS);
      },
      nudge: (key, fine) => {
        const d = fine ? 1 : 5;
        switch (key) {
          case 'ArrowLeft':
            return put(sideDeg - d, altitudeDeg);
          case 'ArrowRight':
            return put(sideDeg + d, altitudeDeg);
          case 'PageUp':
          case 'ArrowUp':
            return put(sideDeg, altitudeDeg + d);
          case 'PageDown':
          case 'ArrowDown':
            return put(sideDeg, altitudeDeg - d);
          default:
            return null;
        }
      },
    },
  ];
}
