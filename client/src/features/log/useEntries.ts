import { texts } from './texts';
import { words } from '@/language/words';
import { useKit, useSetup } from '@/setupView/setupContext';
import { sayConflict } from '@/setupView/lent';
import {
  selectConflictsOf,
  selectChangeGroups,
  selectChanges,
  selectFrames,
  selectReadings,
  selectSceneChanges,
} from '@/store/selectors';
import { type RootState, useAppSelector } from '@/store/store';
import { useStore } from 'react-redux';

import { sunStand } from '@sphene/core/gain';
import type { By } from '@sphene/core/documents';
import type { Kit } from '@sphene/core/gear';
import { meterIncrementOf } from '@sphene/core/metering';
import { formatAperture, formatIso, formatShutter } from '@sphene/core/notation';
import type { FiredLight, Reading, Setup } from '@sphene/core/setup';

/** One line of the log. */
export interface Entry {
  id: string;
  at: string;
  text: string;
  muted: boolean;
  /** a fact that can be struck out; null for a change of settings */
  fact: { type: 'reading' | 'sceneChange' | 'frame'; id: string } | null;
}

const sayFired = (fired: readonly FiredLight[], { lights }: Setup, kit: Kit): string =>
  fired
    .map(({ lightId, unitId, powerStops }) => {
      const light = lights.find(({ id }) => id === lightId);
      const name = lights.length > 1 && light !== undefined ? words.lightInText(light) : texts.flash;
      return texts.firedAt(name, words.power(kit, unitId, powerStops));
    })
    .join(', ');

const ORIGINS: Record<Reading['origin'], string> = {
  typed: '',
  frame: '',
  simulated: texts.simulatedMeter,
  device: texts.fromTheMeter,
};

/** A reading as it is told: what was read where and how, and by what light. */
function sayReading(reading: Reading, setup: Setup, kit: Kit): string {
  const { light, method, fired } = reading;
  const usual = light !== 'ambient' || (method.kind === 'incident' && method.aim === 'camera');
  const settings = texts.settings(
    formatAperture(reading.av, meterIncrementOf(reading.meterId, kit)),
    formatShutter(reading.tv, 'third'),
    formatIso(reading.sv),
  );
  const asTyped =
    `“${reading.text}”` +
    (usual ? '' : `, ${words.method(method)}`) +
    ORIGINS[reading.origin] +
    (reading.corrects === null ? '' : texts.putRight);
  const name = setup.points.find(({ id }) => id === reading.pointId)?.name ?? texts.point;
  const flash = fired.length === 0 ? '' : `, ${sayFired(fired, setup, kit)}`;
  return `${name}, ${texts.lights[light]}: ${settings}${flash} (${asTyped})`;
}

/** Every fact and every change of a setting with its time, the newest first. */
export function useEntries(): Entry[] {
  const { setup, context } = useSetup();
  const kit = useKit();
  const readings = useAppSelector((state) => selectReadings(state, setup.id));
  const sceneChanges = useAppSelector((state) => selectSceneChanges(state, setup.id));
  const frames = useAppSelector((state) => selectFrames(state, setup.id));
  const groups = useAppSelector((state) => selectChangeGroups(state, setup.id));
  const changes = useAppSelector((state) => selectChanges(state, setup.id));
  const conflicts = useAppSelector((state) => selectConflictsOf(state, setup.id));
  const here = useAppSelector((state) => state.device.device);
  const store = useStore<RootState>();
  const changedAt = new Set(changes.map(({ at }) => at));
  const fact = <F extends { id: string; at: string; struckAt: string | null } & NonNullable<Entry['fact']>>(
    its: F,
    text: string,
  ): Entry => ({ id: its.id, at: its.at, text, muted: its.struckAt !== null, fact: its });
  /** Said where it was another device. */
  const byWhom = (said: string, by: By | null) =>
    by === null || by.id === here?.id ? said : texts.onDevice(said, by.name);
  return [
    ...conflicts.map((conflict): Entry => {
      const { claims } = sayConflict(store.getState(), conflict);
      const { answer } = conflict;
      const said = conflict.claims.map(({ by }, index) => byWhom(claims[index]?.text ?? '', by));
      return {
        id: conflict.id,
        at: answer?.at ?? conflict.at,
        text: answer === null ? texts.asked(said[0] ?? '', said[1] ?? '') : texts.settled(said[answer.claim] ?? ''),
        muted: false,
        fact: null,
      };
    }),
    ...readings.map((reading) => fact(reading, sayReading(reading, setup, kit))),
    // what was done in the application stands there as the change that it was
    ...sceneChanges
      .filter(({ at }) => !changedAt.has(at))
      .map((change) => fact(change, texts.changedInTheScene(words.sceneChange(change.what).because))),
    ...frames.map((frame) => {
      const aperture = formatAperture(frame.av, 'third');
      const settings = texts.settings(aperture, formatShutter(frame.tv, 'third'), formatIso(frame.sv));
      return fact(frame, texts.testFrame(frame.name, settings));
    }),
    ...groups.map((group): Entry => {
      const said = byWhom(
        words.change(group, context, (sun) => sunStand({ sun })),
        group.by,
      );
      return {
        id: group.ids[0] ?? '',
        at: group.at,
        text: group.undoes.length > 0 ? texts.takenBack(said) : said,
        muted: group.undone,
        fact: null,
      };
    }),
  ].sort((a, b) => Date.parse(b.at) - Date.parse(a.at) || (a.id < b.id ? 1 : -1));
}
