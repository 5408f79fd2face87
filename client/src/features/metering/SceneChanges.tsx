import { texts } from './texts';
import { words } from '@/language/words';
import { useChange, useNumbers, useSetup } from '@/setupView/setupContext';
import { useActions } from '@/store/application';
import { selectReadings, selectSceneChanges } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { ActionButton } from '@/ui/ActionButton';
import { Txt } from '@/ui/Txt';
import { usePalette } from '@/ui/theme';
import type { ReactNode } from 'react';
import { View } from 'react-native';

import { REPORTED_CHANGES, type SceneChange, type SceneChangeKind } from '@sphene/core/setup';

/** What a person may contradict: everything else stands where it was put. */
const MAY_HAVE_STOOD_SO: readonly SceneChangeKind[] = [
  'head-turned',
  'background-moved',
  'lamp',
  'reflector',
  'opening-moved',
];

/** What the application took for a change since the newest reading, and whether a person may contradict it. */
function useHappened(): SceneChange[] {
  const { setup } = useSetup();
  const readings = useAppSelector((state) => selectReadings(state, setup.id));
  const changes = useAppSelector((state) => selectSceneChanges(state, setup.id));
  const newest = readings.reduce(
    (latest, { at, struckAt }) => (struckAt === null ? Math.max(latest, Date.parse(at)) : latest),
    -Infinity,
  );
  return changes.filter(
    ({ what, thingId, struckAt, at }) =>
      struckAt === null &&
      Date.parse(at) > newest &&
      MAY_HAVE_STOOD_SO.includes(what) &&
      (thingId !== null || what === 'head-turned' || what === 'background-moved'),
  );
}

/** A sentence with its one answer. */
function Line({ text, children }: { text: string; children: ReactNode }) {
  const palette = usePalette();
  return (
    <View
      style={{
        flexDirection: 'row',
        alignItems: 'center',
        gap: 8,
        borderLeftWidth: 3,
        borderLeftColor: palette.ambient,
        paddingLeft: 12,
      }}
    >
      <Txt style={{ flex: 1 }}>{text}</Txt>
      {children}
    </View>
  );
}

/** What changed in the scene, in one tap each; what the application knows of itself; the fewest readings that settle it. */
export function SceneChanges() {
  const { setup, context } = useSetup();
  const numbers = useNumbers();
  const { activatePoint } = useChange();
  const actions = useActions();
  const happened = useHappened();
  return (
    <View role="group" aria-label={texts.changedInTheScene} style={{ gap: 8, paddingTop: 8 }}>
      <Txt size="label" tone="quiet">
        {texts.changedInTheScene}
      </Txt>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        {REPORTED_CHANGES.map((what) => (
          <ActionButton
            key={what}
            label={words.sceneChange(what).label}
            onPress={() => actions.addSceneChange(setup.id, what)}
          />
        ))}
      </View>
      {happened.map(({ id, what }) => (
        <Line key={id} text={texts.sinceTheLastReading(words.sceneChange(what).because)}>
          <ActionButton
            kind="plain"
            label={texts.itStoodSoAlready}
            name={`${texts.itStoodSoAlready}: ${words.sceneChange(what).because}`}
            onPress={() => actions.stoodSo(id)}
          />
        </Line>
      ))}
      {numbers.meterAgain.map((again) => (
        <Line key={again.pointId} text={words.meterAgain(again, context)}>
          <ActionButton
            label={texts.meter}
            name={texts.meterAgain(
              setup.points.find(({ id }) => id === again.pointId)?.name.toLowerCase() ?? texts.thePoint,
            )}
            onPress={() => activatePoint(again.pointId)}
          />
        </Line>
      ))}
    </View>
  );
}
