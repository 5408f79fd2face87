import { useChange, useKit, useSetup } from '@/setupView/setupContext';
import { useActions } from '@/store/application';
import { selectReadings } from '@/store/selectors';
import { useAppSelector } from '@/store/store';

import { type DecimalMeans, USUAL_METER } from '@sphene/core/gear';
import { type MeteringMethod, type MeteringPoint, methodFor, USUAL_METHOD } from '@sphene/core/setup';

/** What a decimal such as 4.5 means on the meter in use, and the way to say it: asked once a meter. */
export function useDecimals(): { decimalMeans: DecimalMeans | null; onDecimalMeans: (means: DecimalMeans) => void } {
  const { setup } = useSetup();
  const { decimalMeans } = useKit().preferences;
  const actions = useActions();
  const meter = setup.meter.meterId ?? USUAL_METER;
  return {
    decimalMeans: decimalMeans[meter] ?? null,
    onDecimalMeans: (means) => actions.setPreferences({ decimalMeans: { ...decimalMeans, [meter]: means } }),
  };
}

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
