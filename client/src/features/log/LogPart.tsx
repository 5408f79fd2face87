import { texts } from './texts';
import { VariantTree } from '@/features/variants/VariantTree';
import { exportSetup } from '@/setupView/exportSetup';
import { useSetup } from '@/setupView/setupContext';
import { downloadText, fileNameOf } from '@/shell/download';
import { useActions, useKeeper } from '@/store/application';
import { selectDocument } from '@/store/selectors';
import { type Store, useAppSelector } from '@/store/store';
import { ActionButton, IconButton } from '@/ui/ActionButton';
import { Txt } from '@/ui/Txt';
import { usePalette } from '@/ui/theme';
import { View } from 'react-native';
import { useStore } from 'react-redux';

import { isTimeZone } from '@sphene/core/documents';
import { writeSetupFile } from '@sphene/core/formats';
import { ThisSetup } from './ThisSetup';
import { type Entry, useEntries } from './useEntries';

/** One line: when, what, and for a fact the way to strike it out. */
function Line({ entry: { id, text, muted, fact }, when }: { entry: Entry; when: string }) {
  const notKept = useAppSelector((state) => state.device.unkept.ids.includes(id));
  const palette = usePalette();
  const actions = useActions();
  const mark = fact === null ? texts.afterTakenBack : texts.afterStruckOut;
  return (
    <View
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
          {when}
          {muted ? mark : ''}
          {notKept ? texts.afterNotKept : ''}
        </Txt>
        <Txt tone={muted ? 'quiet' : 'text'} style={muted ? { textDecorationLine: 'line-through' } : null}>
          {text}
        </Txt>
      </View>
      {fact !== null && (
        <IconButton
          icon={muted ? 'restore' : 'close'}
          name={muted ? texts.restore(text) : texts.strikeOut(text)}
          onPress={() => actions.strike(fact.type, fact.id, !muted)}
        />
      )}
    </View>
  );
}

/** Every fact and every change of a setting with its time, the newest first; facts can be struck out and restored. */
export function LogPart() {
  const { setup } = useSetup();
  const store = useStore() as Store;
  const zone = useAppSelector((state) => selectDocument(state, 'shoot', setup.shootId)?.timeZone ?? 'UTC');
  const entries = useEntries();
  const time = new Intl.DateTimeFormat('en-GB', {
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
    second: '2-digit',
    timeZone: isTimeZone(zone) ? zone : 'UTC',
  });
  const keeper = useKeeper();
  const exportFile = async () => {
    const file = await exportSetup(store.getState(), setup.id, (id) => keeper.image(id));
    if (file !== null) downloadText(fileNameOf(setup.title, 'sphene.json'), writeSetupFile(file));
  };
  return (
    <View style={{ gap: 8 }}>
      <ThisSetup />
      <VariantTree />
      <View style={{ flexDirection: 'row', gap: 8, flexWrap: 'wrap', paddingTop: 12 }}>
        <ActionButton
          label={texts.exportIt}
          icon="tray-arrow-up"
          name={texts.exportThisSetup}
          onPress={() => void exportFile()}
        />
      </View>
      {entries.length === 0 && <Txt tone="quiet">{texts.nothingYetReadingsAndChanges}</Txt>}
      <View role="list">
        {entries.map((entry) => (
          <Line key={entry.id} entry={entry} when={time.format(new Date(entry.at))} />
        ))}
      </View>
    </View>
  );
}
