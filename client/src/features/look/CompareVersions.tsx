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
import { type SolutionNumbers, solve } from '@sphene/core/solution';
import { useSetupView } from '../../setupView/setupContext';

const MOST_ASIDE = 2;
/** Two stand side by side on a phone. */
const COLUMN_PX = 175;

/** What a version comes to: settings, power, look and the ladder. */
function Column({
  name,
  setup,
  solution,
  children,
}: {
  name: string;
  setup: Setup;
  solution: SolutionNumbers;
  children?: React.ReactNode;
}) {
  const palette = usePalette();
  const { kit } = useSetupView();
  const { camera, lights, look, points } = solution;
  const holdBack = look.holdBackStops ?? setup.look.holdBackStops;
  const background = points.find(({ role }) => role === 'background')?.placedStops ?? null;
  const lines = [
    camera === null
      ? texts.noCameraSettingsYet
      : [camera.text.shutter, camera.text.aperture, camera.text.iso, camera.text.filters]
          .filter((part) => part !== null)
          .join(', '),
    holdBack > 0 ? words.look(holdBack, kit.preferences.lookWay) : texts.noFlashCanHelp,
    background === null ? null : texts.background(words.stopsBothWays(background)),
    camera !== null && !camera.met
      ? `${camera.missingStops.toFixed(1)} stops ${camera.missing === 'too-bright' ? texts.tooBright : texts.tooDark}`
      : null,
  ].filter((line) => line !== null);
  return (
    <View
      role="article"
      aria-label={texts.version(name)}
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
        clipsAboveStops={solution.latitude?.clipsAboveStops ?? null}
        noiseBelowStops={solution.latitude?.noiseBelowStops ?? null}
        compact
      />
      <View style={{ flexGrow: 1 }} />
      {children}
    </View>
  );
}

/** Two or three versions of look and camera side by side; one is kept. */
export function CompareVersions() {
  const { setup, kit, solution, change, changeOne } = useSetupView();
  const facts = useAppSelector((state) => selectFacts(state, setup.id));
  const clockMs = useAppSelector((state) => state.device.clockMs);
  const aside = useMemo(
    () =>
      setup.versions.map((version) => {
        const other = { ...setup, look: version.look, camera: version.camera };
        return { version, other, solution: solve(other, kit, facts, new Date(clockMs)) };
      }),
    [setup, kit, facts, clockMs],
  );
  const setAside = () =>
    changeOne('versions', [
      ...setup.versions,
      {
        id: newId(),
        name: `Version ${['A', 'B'].find((letter) => !setup.versions.some(({ name }) => name === texts.version2(letter))) ?? ''}`,
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
        <Column name="Now" setup={setup} solution={solution} />
        {aside.map(({ version, other, solution: its }) => (
          <Column key={version.id} name={version.name} setup={other} solution={its}>
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
              name={texts.drop2(version.name)}
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
