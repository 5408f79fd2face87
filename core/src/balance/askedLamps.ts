import type { MeteredScene } from '../metering';
import type { MeteringPoint, PlacedLamp, Setup } from '../setup';

/** Lamps that are lights: something is asked of them. */
export const askedLamps = ({ lamps }: Pick<Setup, 'lamps'>): PlacedLamp[] => lamps.filter(({ role }) => role !== null);

/** The face is lit by a lamp: what it adds is no part of what is held back. */
export const isLitByLamp = (setup: Setup): boolean => {
  const face = setup.points.find(({ role }) => role === 'face');
  return askedLamps(setup).some(({ role, pointId }) => role === 'key' && pointId === face?.id);
};

/** The ambient at a point without the lamps that are lights, EV100; null where it was not metered or is theirs alone. */
export const restAt = (setup: Setup, scene: MeteredScene, point: MeteringPoint): number | null =>
  scene.restWithout(point, new Set(askedLamps(setup).map(({ id }) => id)));
