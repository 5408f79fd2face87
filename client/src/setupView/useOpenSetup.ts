import { useDevices } from '@/setupView/useDevices';
import { useActions } from '@/store/application';
import { meteringMoved, noticed } from '@/store/deviceSlice';
import { selectSetup } from '@/store/selectors';
import { useAppDispatch, useAppSelector } from '@/store/store';
import { useEffect, useMemo, useRef } from 'react';

import type { Setting } from '@sphene/core/setup';
import { sayActionFault } from './actionFault';
import { restingAdvice, selectActivePointId, selectKit, selectNumbers } from './selectSolution';
import type { SetupView } from './setupContext';

/**
 * The setup of a screen with its solution and what changes it; `view` is null while it is not there, `ready`
 * says whether it may still come.
 */
export function useOpenSetup(id: string): { view: SetupView | null; ready: boolean } {
  const actions = useActions();
  const dispatch = useAppDispatch();
  const ready = useAppSelector((state) => state.documents.ready && state.device.sync !== 'starting');
  const setup = useAppSelector((state) => selectSetup(state, id));
  const kit = useAppSelector(selectKit);
  const solution = useAppSelector((state) => selectNumbers(state, id));
  const selectRestingAdvice = useMemo(() => restingAdvice(id), [id]);
  const advice = useAppSelector(selectRestingAdvice);
  const activePointId = useAppSelector((state) => selectActivePointId(state, id)) ?? '';
  const readingsPlace = useRef<HTMLElement | null>(null);
  // a meter that is connected is held where the next reading goes
  const devices = useDevices();
  useEffect(() => devices.holdAtActivePoint(), [devices, activePointId]);
  const view = useMemo((): SetupView | null => {
    if (setup === undefined || solution === undefined || advice === undefined) return null;
    const change = (...settings: Setting[]) => {
      const changed = actions.changeSettings(setup.id, settings);
      if (!changed.ok) dispatch(noticed({ text: sayActionFault(changed.reason) }));
    };
    const activatePoint = (pointId: string | null) => dispatch(meteringMoved({ setupId: setup.id, pointId }));
    return {
      setup,
      kit,
      solution,
      advice,
      context: { setup, kit },
      activePointId,
      activatePoint,
      readingsPlace,
      cameraBody: kit.cameras.find(({ id: cameraId }) => cameraId === setup.camera.cameraId),
      lens: kit.lenses.find(({ id: lensId }) => lensId === setup.camera.lensId),
      change,
      changeOne: (path, value) => change({ path, value }),
    };
  }, [setup, kit, solution, advice, activePointId, actions, dispatch]);
  return { view, ready };
}
