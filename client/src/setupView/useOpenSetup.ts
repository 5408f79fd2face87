import { useDevices } from '@/setupView/useDevices';
import { useActions } from '@/store/application';
import { meteringMoved, noticed } from '@/store/deviceSlice';
import { selectSetup } from '@/store/selectors';
import { useAppDispatch, useAppSelector } from '@/store/store';
import { useDeferredValue, useEffect, useMemo, useRef } from 'react';

import type { Setting } from '@sphene/core/setup';
import { sayActionFault } from './actionFault';
import { PacedDraft } from './pacedDraft';
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
  const dragged = useAppSelector((state) => state.documents.draft !== null);
  const readingsPlace = useRef<HTMLElement | null>(null);
  // a meter that is connected is held where the next reading goes
  const devices = useDevices();
  useEffect(() => devices.holdAtActivePoint(), [devices, activePointId]);
  const draft = useMemo(() => new PacedDraft((settings) => actions.draft(id, settings)), [id, actions]);
  const hands = useMemo((): Hands => {
    const change = (...settings: Setting[]) => {
      draft.end();
      const changed = actions.changeSettings(id, settings);
      if (!changed.ok) dispatch(noticed({ text: sayActionFault(changed.reason) }));
    };
    return {
      change,
      changeOne: (path, value) => change({ path, value }),
      draft: (settings) => {
        if (settings !== null) return draft.want(settings);
        draft.end();
        actions.draft(id, null);
      },
      activatePoint: (pointId) => void dispatch(meteringMoved({ setupId: id, pointId })),
      readingsPlace,
    };
  }, [id, actions, dispatch, draft]);
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
        : { open, kit, numbers, advice, hands, activePointId, dragged },
    [open, kit, numbers, advice, hands, activePointId, dragged],
  );
  return { view: useUnderTheThumb(view, draft), ready };
}

/**
 * A view as it is drawn: while something is under the thumb, and when it is let go, in slices, between which the page hears
 * the thumb, and one step after the other. What rests is drawn at once, so that no button acts on what has passed.
 */
function useUnderTheThumb(view: SetupView | null, draft: PacedDraft): SetupView | null {
  const later = useDeferredValue(view);
  const isMoving = view?.dragged === true || later?.dragged === true;
  const shown = isMoving ? later : view;
  // a step that changes nothing stands as well
  const step = useAppSelector((state) => state.documents.draft);
  useEffect(() => {
    if (shown === view) draft.stands();
  }, [shown, view, step, draft]);
  return shown;
}
