import { View } from 'react-native';
import { powerTextOf, type Reading } from '@sphene/core/balance';
import { describeChange, isTimeZone } from '@sphene/core/documents';
import { writeSetupFile } from '@sphene/core/formats';
import { formatAperture, formatIso, formatShutter } from '@sphene/core/photometry';

import { useSetupView } from '@/features/balance/setupContext';
import { useActions } from '@/store/application';
import { selectChangeGroups, selectDocument, selectReadings } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { ActionButton, IconButton } from '@/ui/ActionButton';
import { Txt } from '@/ui/Txt';
import { usePalette } from '@/ui/theme';

/** Hands a file to the browser. */
function download(name: string, text: string): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(new Blob([text], { type: 'application/json' }));
  link.download = name;
  link.click();
  URL.revokeObjectURL(link.href);
}

const KINDS: Record<Reading['light'], string> = { ambient: 'ambient', total: 'total', flash: 'flash only' };

interface Entry {
  id: string;
  at: string;
  text: string;
  muted: boolean;
  reading: Reading | null;
}

/** Every reading and every change of a setting with its time, the newest first; readings can be struck out and restored. */
export function LogPart() {
  const { setup, kit } = useSetupView();
  const palette = usePalette();
  const actions = useActions();
  const readings = useAppSelector((state) => selectReadings(state, setup.id));
  const groups = useAppSelector((state) => selectChangeGroups(state, setup.id));
  const zone = useAppSelector((state) => selectDocument(state, 'shoot', setup.shootId)?.timeZone ?? 'UTC');
  const time = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit', second: '2-digit', timeZone: isTimeZone(zone) ? zone : 'UTC' });

  const sayReading = (reading: Reading): string => {
    const name = setup.points.find(({ id }) => id === reading.pointId)?.name ?? 'Point';
    const fired = reading.fired === null ? '' : `, flash at ${powerTextOf(kit, reading.fired.unitId, reading.fired.powerStops)}`;
    return `${name}, ${KINDS[reading.light]}: ${formatAperture(reading.av, kit.preferences.meterIncrement)} at ${formatShutter(reading.tv, 'third')}, ${formatIso(reading.sv)}${fired} (“${reading.text}”)`;
  };
  const entries: Entry[] = [
    ...readings.map((reading) => ({ id: reading.id, at: reading.at, text: sayReading(reading), muted: reading.struckAt !== null, reading })),
    ...groups.map((group) => ({ id: group.ids[0] ?? '', at: group.at, text: `${group.undoes.length > 0 ? 'Taken back. ' : ''}${describeChange(group, setup, kit)}`, muted: group.undone, reading: null })),
  ].sort((a, b) => Date.parse(b.at) - Date.parse(a.at) || (a.id < b.id ? 1 : -1));

  const exportFile = () => {
    const file = actions.exportSetup(setup.id);
    if (file !== undefined) download(`${setup.title.replace(/[^\p{L}\p{N}]+/gu, '-').toLowerCase()}.sphene.json`, writeSetupFile(file));
  };
  return (
    <View style={{ gap: 8 }}>
      <View style={{ flexDirection: 'row', gap: 8, flexWrap: 'wrap' }}>
        <ActionButton label="Export" icon="tray-arrow-up" name="Export this setup" onPress={exportFile} />
      </View>
      {entries.length === 0 && <Txt tone="quiet">Nothing yet. Readings and changes of settings come here with their time.</Txt>}
      <View role="list">
        {entries.map(({ id, at, text, muted, reading }) => (
          <View key={id} role="listitem" style={{ flexDirection: 'row', alignItems: 'center', gap: 8, borderTopWidth: 1, borderTopColor: palette.raised, minHeight: 48 }}>
            <View style={{ flex: 1, paddingVertical: 6 }}>
              <Txt size="label" tone="quiet">{time.format(new Date(at))}{muted ? (reading === null ? ' · taken back' : ' · struck out') : ''}</Txt>
              <Txt tone={muted ? 'quiet' : 'text'} style={muted ? { textDecorationLine: 'line-through' } : null}>{text}</Txt>
            </View>
            {reading !== null && (
              <IconButton icon={muted ? 'restore' : 'close'} name={`${muted ? 'Restore' : 'Strike out'} ${text}`} onPress={() => actions.strikeReading(reading.id, !muted)} />
            )}
          </View>
        ))}
      </View>
    </View>
  );
}
