import {
  type SetupView,
  SetupProvider,
  useActivePoint,
  useAdvice,
  useChange,
  useKit,
  useNumbers,
  useSetup,
} from '@/setupView/setupContext';
import { restingAdvice, selectNumbers } from '@/setupView/selectSolution';
import { Actions } from '@/store/actions';
import { clockTicked } from '@/store/deviceSlice';
import { documentsChanged, drafted } from '@/store/documentsSlice';
import { makeStore } from '@/store/store';
import { Keeper } from '@/store/sync/keeper';
import { act, render } from '@testing-library/react';
import { memo } from 'react';

import { SAMPLE_BEGUN, SAMPLE_HALL, SAMPLE_KIT } from '@sphene/core/sample';
import { withSettings } from '@sphene/core/setup';
import { solveNumbers } from '@sphene/core/solution';

const { setup, readings } = SAMPLE_HALL;
const CLOCK = new Date('2026-02-27T15:40:00Z');

describe('while a light is under the thumb', () => {
  const sample = () => {
    const store = makeStore();
    store.dispatch(clockTicked(CLOCK.getTime()));
    store.dispatch(documentsChanged(SAMPLE_BEGUN.map((document) => ({ id: document.id, document }))));
    return store;
  };

  it('the numbers follow at once; the advice stays the same object until it rests, and is new then', () => {
    const store = sample();
    const advice = restingAdvice(setup.id);
    const [atRest, power] = [advice(store.getState()), selectNumbers(store.getState(), setup.id)?.lights[0]];
    const farther = [{ path: 'lights.0.distanceM' as const, value: 3 }];
    store.dispatch(drafted({ setupId: setup.id, settings: farther }));
    const dragged = selectNumbers(store.getState(), setup.id)?.lights[0];
    expect((dragged?.exactPowerStops ?? 0) - (power?.exactPowerStops ?? 0)).toBeGreaterThan(0.3);
    expect(advice(store.getState())).toBe(atRest);
    const actions = new Actions(store, new Keeper(store));
    actions.changeSettings(setup.id, farther);
    expect(advice(store.getState())).not.toBe(atRest);
    expect(selectNumbers(store.getState(), setup.id)?.lights[0]?.exactPowerStops).toBe(dragged?.exactPowerStops);
  });

  it('a drag that is called off brings the numbers back', () => {
    const store = sample();
    const before = selectNumbers(store.getState(), setup.id)?.lights[0]?.exactPowerStops;
    store.dispatch(drafted({ setupId: setup.id, settings: [{ path: 'lights.0.distanceM', value: 3 }] }));
    expect(selectNumbers(store.getState(), setup.id)?.lights[0]?.exactPowerStops).not.toBe(before);
    store.dispatch(drafted(null));
    expect(selectNumbers(store.getState(), setup.id)?.lights[0]?.exactPowerStops).toBe(before);
  });
});

describe('the narrow hooks of an open setup', () => {
  const hands: SetupView['hands'] = {
    change: () => undefined,
    changeOne: () => undefined,
    draft: () => undefined,
    activatePoint: () => undefined,
    readingsPlace: { current: null },
  };
  const { numbers, advise } = solveNumbers(setup, SAMPLE_KIT, readings, CLOCK);
  const view: SetupView = {
    open: { setup, context: { setup, kit: SAMPLE_KIT }, cameraBody: undefined, lens: undefined },
    kit: SAMPLE_KIT,
    numbers,
    advice: advise(),
    hands,
    activePointId: 'face',
    dragged: false,
  };

  it('draw anew only what reads what changed', () => {
    const drawn: Record<string, number> = {};
    const counted = (name: string, use: () => unknown) =>
      memo(function Counted() {
        use();
        drawn[name] = (drawn[name] ?? 0) + 1;
        return null;
      });
    const parts = Object.entries({ useSetup, useKit, useNumbers, useAdvice, useChange, useActivePoint }).map(
      ([name, use]) => ({ name, Part: counted(name, use) }),
    );
    const page = (shown: SetupView) => (
      <SetupProvider view={shown}>
        {parts.map(({ name, Part }) => (
          <Part key={name} />
        ))}
      </SetupProvider>
    );
    const { rerender } = render(page(view));
    // a frame of a drag: another setup with its numbers
    const moved = withSettings(setup, [{ path: 'lights.0.distanceM', value: 3 }]);
    if (!moved.ok) throw new Error(moved.reason.kind);
    const next = solveNumbers(moved.value, SAMPLE_KIT, readings, CLOCK).numbers;
    act(() => rerender(page({ ...view, open: { ...view.open, setup: moved.value }, numbers: next })));
    expect(drawn).toEqual({ useSetup: 2, useNumbers: 2, useKit: 1, useAdvice: 1, useChange: 1, useActivePoint: 1 });
    act(() =>
      rerender(page({ ...view, open: { ...view.open, setup: moved.value }, numbers: next, activePointId: 'x' })),
    );
    expect(drawn).toEqual({ useSetup: 3, useNumbers: 2, useKit: 1, useAdvice: 1, useChange: 1, useActivePoint: 2 });
  });

  it('say so where no setup is open', () => {
    const quiet = jest.spyOn(console, 'error').mockImplementation(() => undefined);
    const Lost = () => {
      useNumbers();
      return null;
    };
    expect(() => render(<Lost />)).toThrow('this part wants a setup on screen');
    quiet.mockRestore();
  });
});
