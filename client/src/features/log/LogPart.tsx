import { texts } from './texts';
import { words } from '@/language/words';
import { exportSetup } from '@/setupView/exportSetup';
import { useKit, useSetup } from '@/setupView/setupContext';
import { useActions } from '@/store/application';
import {
  selectChangeGroups,
  selectDocument,
  selectFrames,
  selectReadings,
  selectSceneChanges,
} from '@/store/selectors';
import { type Store, useAppSelector } from '@/store/store';
import { ActionButton, IconButton } from '@/ui/ActionButton';
import { Txt } from '@/ui/Txt';
import { usePalette } from '@/ui/theme';
import { View } from 'react-native';
import { useStore } from 'react-redux';

import { sunStand } from '@sphene/core/ambient';
import { isTimeZone } from '@sphene/core/documents';
import { writeSetupFile } from '@sphene/core/formats';
import { formatAperture, formatIso, formatShutter } from '@sphene/core/notation';
import type { Reading } from '@sphene/core/setup';

/** Hands a file to the browser. */
function download(name: string, text: string): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(new Blob([text], { type: 'application/json' }));
  link.download = name;
  link.click();
  URL.revokeObjectURL(link.href);
}

const KINDS: Record<Reading['light'], string> = { ambient: 'ambient', total: 'total', flash: texts.flashOnly };

interface Entry {
  id: string;
  at: string;
  text: string;
  muted: boolean;
  /** a fact that can be struck out; null for a change of settings */
  fact: { type: 'reading' | 'sceneChange' | 'frame'; id: string } | null;
}

/** Every fact and every change of a setting with its time, the newest first; facts can be struck out and restored. */
// eslint-disable-next-line max-lines-per-function -- one part of the screen, read from top to bottom as it stands there
export function LogPart() {
  const { setup } = useSetup();
  const kit = useKit();
  const palette = usePalette();
  const actions = useActions();
  const store = useStore() as Store;
  const readings = useAppSelector((state) => selectReadings(state, setup.id));
  const sceneChanges = useAppSelector((state) => selectSceneChanges(state, setup.id));
  const frames = useAppSelector((state) => selectFrames(state, setup.id));
  const groups = useAppSelector((state) => selectChangeGroups(state, setup.id));
  const zone = useAppSelector((state) => selectDocument(state, 'shoot', setup.shootId)?.timeZone ?? 'UTC');
  const time = new Intl.DateTimeFormat('en-GB', {
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
    second: '2-digit',
    timeZone: isTimeZone(zone) ? zone : 'UTC',
  });

  const sayReading = (reading: Reading): string => {
    const name = setup.points.find(({ id }) => id === reading.pointId)?.name ?? 'Point';
    const fired =
      reading.fired.length === 0
        ? ''
        : `, ${reading.fired
            .map(({ lightId, unitId, powerStops }) => {
              const light = setup.lights.find(({ id }) => id === lightId);
              return (
                `${setup.lights.length > 1 && light !== undefined ? words.lightInText(light) : 'flash'} at ` +
                `${words.power(kit, unitId, powerStops)}`
              );
            })
            .join(', ')}`;
    const how =
      reading.light === 'ambient' && (reading.method.kind !== 'incident' || reading.method.aim !== 'camera')
        ? `, ${words.method(reading.method)}`
        : '';
    const from =
      reading.origin === 'simulated' ? texts.simulatedMeter : reading.origin === 'device' ? texts.fromTheMeter : '';
    return (
      `${name}, ${KINDS[reading.light]}: ${formatAperture(reading.av, kit.preferences.meterIncrement)} at ` +
      `${formatShutter(reading.tv, 'third')}, ${formatIso(reading.sv)}${fired} ` +
      `(“${reading.text}”${how}${from}${reading.corrects === null ? '' : texts.putRight})`
    );
  };
  const entries: Entry[] = [
    ...readings.map((reading) => ({
      id: reading.id,
      at: reading.at,
      text: sayReading(reading),
      muted: reading.struckAt !== null,
      fact: reading,
    })),
    ...sceneChanges.map((change) => ({
      id: change.id,
      at: change.at,
      text: texts.changedInTheScene(words.sceneChange(change.what).because),
      muted: change.struckAt !== null,
      fact: change,
    })),
    ...frames.map((frame) => ({
      id: frame.id,
      at: frame.at,
      text: `Test frame ${frame.name}: ${formatAperture(frame.av, 'third')} at ${formatShutter(frame.tv, 'third')}, ${formatIso(frame.sv)}`,
      muted: frame.struckAt !== null,
      fact: frame,
    })),
    ...groups.map((group) => ({
      id: group.ids[0] ?? '',
      at: group.at,
      text: `${group.undoes.length > 0 ? texts.takenBack : ''}${words.change(group, { setup, kit }, (sun) => sunStand({ sun }))}`,
      muted: group.undone,
      fact: null,
    })),
  ].sort((a, b) => Date.parse(b.at) - Date.parse(a.at) || (a.id < b.id ? 1 : -1));

  const exportFile = () => {
    const file = exportSetup(store.getState(), setup.id);
    if (file !== null)
      download(`${setup.title.replace(/[^\p{L}\p{N}]+/gu, '-').toLowerCase()}.sphene.json`, writeSetupFile(file));
  };
  return (
    <View style={{ gap: 8 }}>
      <View style={{ flexDirection: 'row', gap: 8, flexWrap: 'wrap' }}>
        <ActionButton label={texts.exportIt} icon="tray-arrow-up" name={texts.exportThisSetup} onPress={exportFile} />
      </View>
      {entries.length === 0 && <Txt tone="quiet">{texts.nothingYetReadingsAndChanges}</Txt>}
      <View role="list">
        {entries.map(({ id, at, text, muted, fact }) => (
          <View
            key={id}
            role="listitem"
            style={{
              flexDirection: 'row',
              alignItems: 'center',
              gap: 8,
              borderTopWidth: 1,
              borderTopColor: palette.raised,
              minHeight: 48,
            }}
          >
            <View style={{ flex: 1, paddingVertical: 6 }}>
              <Txt size="label" tone="quiet">
                {time.format(new Date(at))}
                {muted ? (fact === null ? texts.takenBack2 : texts.struckOut) : ''}
              </Txt>
              <Txt tone={muted ? 'quiet' : 'text'} style={muted ? { textDecorationLine: 'line-through' } : null}>
                {text}
              </Txt>
            </View>
            {fact !== null && (
              <IconButton
                icon={muted ? 'restore' : 'close'}
                name={`${muted ? texts.restore : texts.strikeOut} ${text}`}
                onPress={() => actions.strike(fact.type, fact.id, !muted)}
              />
            )}
          </View>
        ))}
      </View>
    </View>
  );
}
