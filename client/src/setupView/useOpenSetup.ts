import { useDevices } from '@/setupView/useDevices';
import { useActions } from '@/store/application';
import { meteringMoved, noticed } from '@/store/deviceSlice';
import { selectSetup } from '@/store/selectors';
import { useAppDispatch, useAppSelector } from '@/store/store';
import { useEffect, useMemo, useRef } from 'react';

import type { Setting } from '@sphene/core/setup';
import { sayActionFault } from './actionFault';
import { restingAdvice, selectActivePointId, selectKit, selectNumbers } from './selectSolution';
import type { Hands, OpenSetup, SetupView } from './setupContext';

/**
 * The setup of a screen with its solution and what changes it; `view` is null while it is not there, `ready`
 * says whether it may still come.
 */
export function useOpenSetup(id: string): { view: SetupView | null; ready: boolean } {
  const actions = useActions();
  const dispatch = useAppDispatch();
  const ready = useAppSelector((state) => state.documents.ready && state.device.sync !== 'starting');
  // nothing is worked out from half of the readings
  const factsReady = useAppSelector((state) => state.documents.factsReady);
  const setup = useAppSelector((state) => (factsReady ? selectSetup(state, id) : undefined));
  const kit = useAppSelector((state) => selectKit(state, id));
  const numbers = useAppSelector((state) => (factsReady ? selectNumbers(state, id) : undefined));
  const selectRestingAdvice = useMemo(() => restingAdvice(id), [id]);
  const advice = useAppSelector((state) => (factsReady ? selectRestingAdvice(state) : undefined));
  const activePointId = useAppSelector((state) => selectActivePointId(state, id)) ?? '';
  const readingsPlace = useRef<HTMLElement | null>(null);
  // a meter that is connected is held where the next reading goes
  const devices = useDevices();
  useEffect(() => devices.holdAtActivePoint(), [devices, activePointId]);
  const hands = useMemo((): Hands => {
    const change = (...settings: Setting[]) => {
      const changed = actions.changeSettings(id, settings);
      if (!changed.ok) dispatch(noticed({ text: sayActionFault(changed.reason) }));
    };
    return {
      change,
      changeOne: (path, value) => change({ path, value }),
      activatePoint: (pointId) => void dispatch(meteringMoved({ setupId: id, pointId })),
      readingsPlace,
    };
  }, [id, actions, dispatch]);
  const open = useMemo(
    (): OpenSetup | null =>
      setup === undefined
        ? null
        : {
            setup,
            context: { setup, kit },
            cameraBody: kit.cameras.find((camera) => camera.id === setup.camera.cameraId),
            lens: kit.lenses.find((lens) => lens.id === setup.camera.lensId),
          },
    [setup, kit],
  );
  const view = useMemo(
    (): SetupView | null =>
      open === null || numbers === undefined || advice === undefined
        ? null
        : { open, kit, numbers, advice, hands, activePointId },
    [open, kit, numbers, advice, hands, activePointId],
  );
  return { view, ready };
}
