import { useChange, useSetup } from '@/setupView/setupContext';
import { selectReadings } from '@/store/selectors';
import { useAppSelector } from '@/store/store';

import { type MeteringMethod, type MeteringPoint, methodFor, USUAL_METHOD } from '@sphene/core/setup';

/** How a point is metered next, and the way to choose it: each point has its own. */
export function useMethod(pointId: string): { method: MeteringMethod; choose: (method: MeteringMethod) => void } {
  const { setup } = useSetup();
  const { changeOne } = useChange();
  const readings = useAppSelector((state) => selectReadings(state, setup.id));
  const point = setup.points.find(({ id }) => id === pointId);
  return {
    method: point === undefined ? USUAL_METHOD : methodFor(point, readings),
    choose: (method) =>
      changeOne(
        'points',
        setup.points.map((one): MeteringPoint => (one.id === pointId ? { ...one, method } : one)),
      ),
  };
}
