import { texts } from './texts';
import { words } from '@/language/words';
import { useChange, useKit, useSetup } from '@/setupView/setupContext';
import { selectChanges, selectFacts } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { ActionButton, IconButton } from '@/ui/ActionButton';
import { Heading, Txt } from '@/ui/Txt';
import { usePalette } from '@/ui/theme';
import { useMemo } from 'react';
import { View } from 'react-native';

import { settingChanges } from '@sphene/core/documents';
import { returnPoint } from '@sphene/core/explain';
import { sunStand } from '@sphene/core/gain';

/** The way back to how the setup was at a moment: what was changed since, what the light did, and what to dial now. */
export function ReturnPanel({ atMs, when, onClose }: { atMs: number; when: string; onClose: () => void }) {
  const { setup, context } = useSetup();
  const kit = useKit();
  const { change } = useChange();
  const palette = usePalette();
  const facts = useAppSelector((state) => selectFacts(state, setup.id));
  const changes = useAppSelector((state) => selectChanges(state, setup.id));
  const clockMs = useAppSelector((state) => state.device.clockMs);
  const back = useMemo(
    () => returnPoint(setup, kit, facts, changes, atMs, new Date(clockMs)),
    [setup, kit, facts, changes, atMs, clockMs],
  );
  const settings = settingChanges(setup, back.settings);
  const lightNamed = (lightId: string) => {
    const light = back.then.lights.find(({ id }) => id === lightId);
    return light === undefined ? texts.flash : words.light(light);
  };
  return (
    <View
      role="group"
      aria-label={texts.backAt(when)}
      style={{ gap: 8, padding: 12, borderWidth: 2, borderColor: palette.accent }}
    >
      <View style={{ flexDirection: 'row', alignItems: 'center' }}>
        <View style={{ flex: 1 }}>
          <Heading level={3}>{texts.backAt(when)}</Heading>
        </View>
        <IconButton icon="close" name={texts.closeBack} onPress={onClose} />
      </View>
      {settings.length === 0 ? (
        <Txt>{texts.nothingSince}</Txt>
      ) : (
        <>
          <Txt bold>{texts.wasChanged}</Txt>
          {settings.map((one) => (
            <Txt key={one.path}>{words.change({ settings: [one] }, context, (sun) => sunStand({ sun }))}</Txt>
          ))}
        </>
      )}
      {back.light.length > 0 && <Txt bold>{texts.lightOfNow}</Txt>}
      {back.light.map(({ pointId, changeStops, sdStops }) => (
        <Txt key={pointId}>
          {texts.lightSince(
            back.then.points.find(({ id }) => id === pointId)?.name ?? texts.point,
            words.stops(changeStops),
            sdStops.toFixed(1),
          )}
        </Txt>
      ))}
      {back.camera !== null && (
        <>
          <Txt bold>{texts.dialNow}</Txt>
          <Txt bold>{[back.camera.shutter, back.camera.aperture, back.camera.iso].join('  ')}</Txt>
          {back.lights.map(({ lightId, powerText, thenText }) => (
            <Txt key={lightId} tone="flash" bold>
              {texts.power(lightNamed(lightId), powerText ?? texts.noPower, thenText ?? texts.noPower)}
            </Txt>
          ))}
        </>
      )}
      {settings.length > 0 && (
        <View style={{ alignItems: 'flex-start' }}>
          <ActionButton
            icon="restore"
            label={texts.beThere}
            onPress={() => {
              change(...back.settings);
              onClose();
            }}
          />
        </View>
      )}
    </View>
  );
}
