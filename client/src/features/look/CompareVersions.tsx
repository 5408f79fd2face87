import { texts } from './texts';
import { words } from '@/language/words';
import { newId } from '@/store/ids';
import { selectFacts } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { ActionButton } from '@/ui/ActionButton';
import { Ladder } from '@/ui/Ladder';
import { Txt } from '@/ui/Txt';
import { usePalette } from '@/ui/theme';
import { useMemo } from 'react';
import { ScrollView, View } from 'react-native';

import type { Setup } from '@sphene/core/setup';
import { type SolutionNumbers, solveNumbers } from '@sphene/core/solution';
import { useChange, useKit, useNumbers, useSetup } from '../../setupView/setupContext';

const MOST_ASIDE = 2;
/** Two stand side by side on a phone. */
const COLUMN_PX = 175;

/** What a version comes to: settings, power, look and the ladder. */
function Column({
  name,
  setup,
  numbers,
  children,
}: {
  name: string;
  setup: Setup;
  numbers: SolutionNumbers;
  children?: React.ReactNode;
}) {
  const palette = usePalette();
  const kit = useKit();
  const { camera, lights, look, points } = numbers;
  const holdBack = look.holdBackStops ?? setup.look.holdBackStops;
  const background = points.find(({ role }) => role === 'background')?.placedStops ?? null;
  const lines = [
    camera === null
      ? texts.noCameraSettingsYet
      : [camera.text.shutter, camera.text.aperture, camera.text.iso, camera.text.filters]
          .filter((part) => part !== null)
          .join(', '),
    holdBack > 0 ? words.look(holdBack, kit.preferences.lookWay) : texts.noFlashCanHelp,
    background === null ? null : texts.backgroundAt(words.stopsBothWays(background)),
    camera !== null && !camera.met
      ? texts.stopsOff(
          camera.missingStops.toFixed(1),
          camera.missing === 'too-bright' ? texts.tooBright : texts.tooDark,
        )
      : null,
  ].filter((line) => line !== null);
  return (
    <View
      role="article"
      aria-label={texts.versionCalled(name)}
      style={{ width: COLUMN_PX, gap: 6, padding: 12, backgroundColor: palette.raised }}
    >
      <Txt bold>{name}</Txt>
      <Txt size="value" bold tone="flash">
        {lights[0]?.powerText ?? texts.noFlash}
      </Txt>
      {lines.map((line) => (
        <Txt key={line} size="label">
          {line}
        </Txt>
      ))}
      <Ladder
        points={points}
        said={points.map((point) => words.point(point, { setup, kit })).join(' ')}
        clipsAboveStops={numbers.latitude?.clipsAboveStops ?? null}
        noiseBelowStops={numbers.latitude?.noiseBelowStops ?? null}
        compact
      />
      <View style={{ flexGrow: 1 }} />
      {children}
    </View>
  );
}

/** Two or three versions of look and camera side by side; one is kept. */
export function CompareVersions() {
  const { setup } = useSetup();
  const kit = useKit();
  const numbers = useNumbers();
  const { change, changeOne } = useChange();
  const facts = useAppSelector((state) => selectFacts(state, setup.id));
  const clockMs = useAppSelector((state) => state.device.clockMs);
  const aside = useMemo(
    () =>
      setup.versions.map((version) => {
        const other = { ...setup, look: version.look, camera: version.camera };
        return { version, other, its: solveNumbers(other, kit, facts, new Date(clockMs)).numbers };
      }),
    [setup, kit, facts, clockMs],
  );
  const setAside = () =>
    changeOne('versions', [
      ...setup.versions,
      {
        id: newId(),
        name:
          ['A', 'B'].map(texts.versionCalled).find((name) => setup.versions.every((one) => one.name !== name)) ??
          texts.versionCalled(''),
        look: setup.look,
        camera: setup.camera,
      },
    ]);
  const drop = (id: string) =>
    changeOne(
      'versions',
      setup.versions.filter((version) => version.id !== id),
    );
  return (
    <View style={{ gap: 12 }}>
      <ScrollView
        horizontal
        role="region"
        aria-label={texts.versionsSideBySide}
        tabIndex={0}
        contentContainerStyle={{ gap: 8 }}
      >
        <Column name={texts.now} setup={setup} numbers={numbers} />
        {aside.map(({ version, other, its }) => (
          <Column key={version.id} name={version.name} setup={other} numbers={its}>
            <ActionButton
              label={texts.keepThisOne}
              name={texts.keep(version.name)}
              onPress={() =>
                change(
                  { path: 'look', value: version.look },
                  { path: 'camera', value: version.camera },
                  { path: 'versions', value: setup.versions.filter(({ id }) => id !== version.id) },
                )
              }
            />
            <ActionButton
              label={texts.drop}
              name={texts.dropIt(version.name)}
              kind="plain"
              onPress={() => drop(version.id)}
            />
          </Column>
        ))}
      </ScrollView>
      {setup.versions.length < MOST_ASIDE && <ActionButton label={texts.setThisOneAside} onPress={setAside} />}
      {setup.versions.length > 0 && (
        <Txt size="label" tone="quiet">
          {texts.changeTheLookOrThe}
        </Txt>
      )}
    </View>
  );
}
