import { useAdvice, useChange, useKit, useNumbers, useSetup } from '@/setupView/setupContext';
import { useDevices } from '@/setupView/useDevices';
import { useMethod } from '@/setupView/useMethod';
import { useActions } from '@/store/application';
import { useAppSelector } from '@/store/store';
import type { TypedReading } from '@/ui/ReadingEntry';
import { useState } from 'react';

import type { CameraSolution } from '@sphene/core/exposure';
import type { FlashUnit } from '@sphene/core/flash';
import { firedAs } from '@sphene/core/gain';
import type { Kit } from '@sphene/core/gear';
import type { LightSolution } from '@sphene/core/lights';
import type { ExposureSettings } from '@sphene/core/photometry';
import { type FiredLight, type Light, lightPath, type Setup, USUAL_METHOD } from '@sphene/core/setup';

/** What fires: one light by its id, or all together. */
export const ALL = 'all';

/** One light as it is fired alone. */
export interface FiredAlone {
  solved: LightSolution;
  light: Light;
  unit: FlashUnit;
  /** what it is fired at, stops below full */
  powerStops: number;
}

/** The light that is fired next: the one that the next action names, else the first that was not metered alone. */
function nextToFire(lights: readonly LightSolution[], order: readonly string[], allNext: boolean): string {
  if (allNext) return ALL;
  const inOrder = order.flatMap((id) => lights.find(({ lightId }) => lightId === id) ?? []);
  const untested = inOrder.find(({ basis, powerStops }) => basis !== 'reading' && powerStops !== null);
  return (untested ?? inOrder.at(-1))?.lightId ?? ALL;
}

/** What a light is fired at: what is dialled, else what is suggested. */
const powerOf = ({ lights }: Setup, its: LightSolution): number =>
  lights[its.index]?.dialledStops ?? its.powerStops ?? 0;

/** Which light is fired: chosen by hand while it is there, else the one that comes next. */
function useChosen() {
  const { lights, meteringOrder } = useNumbers();
  const { nextAction } = useAdvice();
  const [ownId, choose] = useState<string | null>(null);
  const several = lights.length > 1;
  const { setup } = useSetup();
  const allNext = setup.tests === 'together' || nextAction.kind === 'fire-all' || nextAction.kind === 'shoot';
  const next = several ? nextToFire(lights, meteringOrder, allNext) : (lights[0]?.lightId ?? ALL);
  const own = ownId === ALL || lights.some(({ lightId }) => lightId === ownId) ? ownId : null;
  return { chosenId: own ?? next, choose, several };
}

/** A test of the lights: what fires where, what should be read, and what is kept of it; null before there is anything to fire. */
export function useTest() {
  const { setup } = useSetup();
  const kit = useKit();
  const numbers = useNumbers();
  const { changeOne } = useChange();
  const actions = useActions();
  const devices = useDevices();
  const { chosenId, choose, several } = useChosen();
  const radio = useAppSelector((state) => state.devices.list.find(({ kind, mine }) => kind === 'radio' && mine));
  const [reads, setReads] = useState<'total' | 'flash'>('total');
  const [ownPointId, setPointId] = useState<string | null>(null);
  const [ownHeld, setHeld] = useState<Pick<ExposureSettings, 'tv' | 'sv'> | null>(null);
  const { camera, lights } = numbers;
  const alone = aloneOf(chosenId, setup, lights, kit.flashUnits);
  const face = setup.points.find(({ role }) => role === 'face');
  const least = setup.tests === 'together' ? numbers.leastKnown?.pointId : undefined;
  const pointId = ownPointId ?? alone?.light.aimPointId ?? least ?? face?.id ?? '';
  const { method: asMetered } = useMethod(pointId);
  const tested = setup.points.find(({ id }) => id === pointId);
  // what a test should read is foretold for the dome to the camera: hair light is metered to the light without flash only
  const method = tested?.role === 'highlight' && tested.method === null ? USUAL_METHOD : asMetered;
  if (camera === null || lights.length === 0 || (chosenId !== ALL && alone === null)) return null;

  const fired = lights
    .filter(({ lightId, powerStops }) => (chosenId === ALL ? powerStops !== null : lightId === chosenId))
    .flatMap((its): FiredLight[] => {
      const stands = setup.lights[its.index];
      const power = powerOf(setup, its);
      return stands === undefined ? [] : [firedAs(setup, stands, power, pointId, its.syncLossStops, method)];
    });
  const dial = (light: FiredAlone, stops: number) => changeOne(lightPath(light.solved.index, 'dialledStops'), stops);
  /** what was fired stands on the flash from then on, and the next light's turn comes */
  const firedNow = () => {
    if (alone?.light.dialledStops === null) dial(alone, alone.powerStops);
    choose(null);
  };
  return {
    alone,
    chosenId,
    several,
    reads,
    setReads,
    pointId,
    setPointId,
    radio,
    point: setup.points.find(({ id }) => id === pointId),
    held: { av: camera.av, ...(ownHeld ?? { tv: camera.tv, sv: camera.sv }) },
    setHeld,
    expectedEv100:
      expectedAlone(alone, pointId, camera) ??
      numbers.points.find((one) => one.pointId === pointId)?.totalEv100 ??
      null,
    dial,
    choose: (id: string) => {
      choose(id);
      setPointId(null);
    },
    fire: () => {
      if (radio === undefined) return;
      firedNow();
      void devices.fire(radio.id, setup.id, pointId, fired);
    },
    keep: ({ av, tv, sv, text, read, guessed }: TypedReading) => {
      actions.addReading(setup.id, {
        av,
        tv,
        sv,
        text,
        read,
        pointId,
        light: chosenId === ALL ? 'total' : reads,
        method,
        assumed: guessed ? ['figure'] : [],
        fired,
      });
      firedNow();
    },
  };
}
export type LightTest = NonNullable<ReturnType<typeof useTest>>;

function aloneOf(
  chosenId: string,
  setup: Setup,
  lights: readonly LightSolution[],
  units: Kit['flashUnits'],
): FiredAlone | null {
  const solved = lights.find(({ lightId }) => lightId === chosenId);
  const light = solved === undefined ? undefined : setup.lights[solved.index];
  const unit = units.find(({ id }) => id === light?.unitId);
  return solved === undefined || light === undefined || unit === undefined
    ? null
    : { solved, light, unit, powerStops: powerOf(setup, solved) };
}

/** Alone, a light gives its own total where it aims, EV at ISO 100; null elsewhere: there the point's total is read. */
const expectedAlone = (alone: FiredAlone | null, pointId: string, camera: CameraSolution): number | null =>
  alone === null || alone.solved.meter === null || pointId !== alone.solved.aimPointId
    ? null
    : alone.solved.meter.totalAv + camera.tv - camera.sv;
