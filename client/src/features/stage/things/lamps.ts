import { aimPlace } from '@sphene/core/gain';
import { formatDistance } from '@sphene/core/notation';
import { lightPlace } from '@sphene/core/scene';
import type { Setting } from '@sphene/core/setup';
import { texts } from '../texts';
import { MOST_LIGHT_M, nudged, saySide, snappedStand, type StageFacts, type Stand, type Thing } from './thing';

/** Every lamp. */
export function lampThings(facts: StageFacts): Thing[] {
  const { setup, kit } = facts;
  const unit = kit.preferences.distanceUnit;
  return setup.lamps.map((lamp): Thing => {
    const aim = aimPlace(setup, lamp.pointId);
    const settings = (change: Stand): Setting[] => [
      { path: 'lamps', value: setup.lamps.map((one) => (one.id === lamp.id ? { ...one, ...change } : one)) },
    ];
    return {
      id: `lamp:${lamp.id}`,
      name: kit.lamps.find(({ id }) => id === lamp.lampId)?.name ?? texts.lamp,
      at: lightPlace(aim, lamp),
      deg: lamp.sideDeg,
      faces: ['plan', 'side'],
      said: `${formatDistance(lamp.distanceM, unit)}, ${saySide(lamp.sideDeg)}`,
      moveTo: (place, free) => settings(snappedStand(place, aim, facts, free, MOST_LIGHT_M, 0.2)),
      nudge: (key, fine) => {
        const next = nudged(lamp, key, fine, unit, MOST_LIGHT_M, 0.2);
        return next === null ? null : settings(next);
      },
    };
  });
}
