import { words } from '@/language/words';

import { aimPlace } from '@sphene/core/gain';
import { formatDistance } from '@sphene/core/notation';
import { minus, unitOf, wrapDeg } from '@sphene/core/scene';
import { lightPath, type Setting } from '@sphene/core/setup';
import { snapTo } from '../stageView';
import { texts } from '../texts';
import {
  angleOf,
  clamp,
  MOST_LIGHT_M,
  nudged,
  saySide,
  snappedStand,
  type StageFacts,
  type Stand,
  type Thing,
  TURN_M,
  turnedBy,
} from './thing';

/** Every light with the handle that feathers it. */
export function lightThings(facts: StageFacts): Thing[] {
  const { setup, kit, numbers } = facts;
  const unit = kit.preferences.distanceUnit;
  return numbers.stage.lights.flatMap(({ index, role, group, at, axis }): Thing[] => {
    const name = words.light({ role, group });
    const light = setup.lights[index];
    if (light === undefined) return [];
    const aim = aimPlace(setup, light.aimPointId);
    const settings = ({ distanceM, sideDeg, heightM }: Stand): Setting[] => [
      { path: lightPath(index, 'distanceM'), value: distanceM },
      { path: lightPath(index, 'sideDeg'), value: sideDeg },
      { path: lightPath(index, 'heightM'), value: heightM },
    ];
    const feather = (deg: number): Setting[] => [
      { path: lightPath(index, 'featherDeg'), value: clamp(Math.round(deg), -80, 80) },
    ];
    const forward = unitOf(axis);
    return [
      {
        id: `light:${light.id}`,
        name,
        at,
        deg: light.sideDeg,
        faces: ['plan', 'side'],
        said: texts.overTheAim(
          formatDistance(light.distanceM, unit),
          saySide(light.sideDeg),
          formatDistance(light.heightM, unit),
        ),
        moveTo: (place, free) => settings(snappedStand(place, aim, facts, free, MOST_LIGHT_M)),
        nudge: (key, fine) => {
          const next = nudged(light, key, fine, unit, MOST_LIGHT_M, 0.3);
          return next === null ? null : settings(next);
        },
      },
      {
        id: `turn:light:${light.id}`,
        name: texts.axisOf(name),
        deg: light.featherDeg,
        faces: ['plan'],
        said: light.featherDeg === 0 ? texts.pointsAtItsAim : texts.pastItsAim(Math.abs(light.featherDeg)),
        at: { x: at.x - forward.x * TURN_M, y: at.y - forward.y * TURN_M, z: at.z - forward.z * TURN_M },
        moveTo: (place, free) => {
          const deg = wrapDeg(angleOf(minus(at, place)) - angleOf(minus(aim, at)));
          return feather(free ? deg : snapTo(deg, 5));
        },
        nudge: (key, fine) => turnedBy(key, fine, light.featherDeg, feather),
      },
    ];
  });
}
