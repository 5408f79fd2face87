import { texts } from './texts';
import { NotFoundScreen } from '@/shell/NotFoundScreen';
import { Screen } from '@/shell/Screen';
import { selectDocument } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { ChoiceList } from '@/ui/ChoiceList';
import { Disclosure } from '@/ui/Disclosure';
import { Txt } from '@/ui/Txt';
import { useLocalSearchParams } from 'expo-router';
import { useDeferredValue, useMemo, useState } from 'react';
import { FlatList, View } from 'react-native';
import { TextInput } from 'react-native-paper';

import { frameIn } from '@sphene/core/plan';
import { FrameAnswer } from '@/features/roll/FrameAnswer';
import { RollPart } from '@/features/roll/RollPart';
import type { Setup } from '@sphene/core/setup';
import { AddNote } from './AddNote';
import { type Entry, ENTRY_KINDS, type EntryKind } from './entries';
import { LogFiles } from './files/LogFiles';
import { LogChart } from './LogChart';
import { LogLine } from './LogLine';
import { momentOf } from './momentOf';
import { type LogOf, useShootLog } from './useEntries';

const MOST_PX = 760;
/** Rows that are drawn at first and at once, and screens of them that are kept beside the one in view. */
const ROWS_AT_FIRST = 24;
const ROWS_AT_ONCE = 8;
const SCREENS_KEPT = 5;

type Shown = 'all' | 'starred' | EntryKind;

/** Words of a search, each of which must stand somewhere. */
const wordsOf = (text: string): string[] =>
  text
    .toLowerCase()
    .split(/\s+/)
    .filter((word) => word !== '');

/** What fits the filter and the search. */
function fitting({ entries, notes }: LogOf, shown: Shown, setupId: string, searched: string): Entry[] {
  const looked = wordsOf(searched);
  return entries.filter((entry) => {
    if (setupId !== '' && entry.setupId !== setupId) return false;
    const note = entry.note ?? notes.get(entry.id);
    if (shown === 'starred' && note?.star !== true) return false;
    if (shown !== 'all' && shown !== 'starred' && entry.kind !== shown) return false;
    const text = `${entry.text} ${note?.text ?? ''}`.toLowerCase();
    return looked.every((word) => text.includes(word));
  });
}

interface Filter {
  shown: Shown;
  setupId: string;
  searched: string;
}

/** Search, kinds and setups; a frame's number says what it was made with. */
function Filters({
  shootId,
  setups,
  filter,
  onFilter,
}: {
  shootId: string;
  setups: readonly Setup[];
  filter: Filter;
  onFilter: (filter: Filter) => void;
}) {
  const { shown, setupId, searched } = filter;
  const ofFrame = setups.find((setup) => frameIn(setup, searched));
  return (
    <View style={{ gap: 12 }}>
      <TextInput
        label={texts.search}
        accessibilityLabel={texts.search}
        mode="outlined"
        dense
        value={searched}
        maxLength={80}
        onChangeText={(text) => onFilter({ ...filter, searched: text })}
      />
      <FrameAnswer shootId={shootId} asked={searched} />
      {ofFrame !== undefined && <Txt role="status">{texts.frameFound(searched.trim(), ofFrame.title)}</Txt>}
      <ChoiceList
        label={texts.kind}
        layout="scroll"
        value={shown}
        onChoose={(next) => onFilter({ ...filter, shown: next })}
        choices={[
          { value: 'all', label: texts.all },
          { value: 'starred', label: texts.starred },
          ...ENTRY_KINDS.map((kind) => ({ value: kind, label: texts.kinds[kind] })),
        ]}
      />
      {setups.length > 1 && (
        <ChoiceList
          label={texts.ofSetup}
          layout="scroll"
          value={setupId}
          onChoose={(next) => onFilter({ ...filter, setupId: next })}
          choices={[
            { value: '', label: texts.everySetup },
            ...setups.map(({ id, title }) => ({ value: id, label: title })),
          ]}
        />
      )}
    </View>
  );
}

/** The log of a shoot: everything that was read, set, moved, tried and noted, in time order, found by kind, setup and words. */
export function LogScreen() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const shoot = useAppSelector((state) => selectDocument(state, 'shoot', id));
  const log = useShootLog(id);
  const [filter, setFilter] = useState<Filter>({ shown: 'all', setupId: '', searched: '' });
  const { shown, setupId, searched } = useDeferredValue(filter);
  const entries = useMemo(() => fitting(log, shown, setupId, searched), [log, shown, setupId, searched]);
  const titles = useMemo(() => new Map(log.setups.map((setup) => [setup.id, setup.title])), [log.setups]);
  const charted = useMemo(
    () => log.setups.filter((setup) => setupId === '' || setup.id === setupId),
    [log.setups, setupId],
  );
  if (shoot === undefined) return <NotFoundScreen />;
  const when = momentOf(shoot.timeZone);
  return (
    <Screen title={texts.log} place={shoot.title} up={`/shoot/${shoot.id}`}>
      <FlatList
        data={entries}
        keyExtractor={(entry) => entry.id}
        initialNumToRender={ROWS_AT_FIRST}
        maxToRenderPerBatch={ROWS_AT_ONCE}
        windowSize={SCREENS_KEPT}
        keyboardShouldPersistTaps="handled"
        contentContainerStyle={{ padding: 16, maxWidth: MOST_PX, width: '100%', alignSelf: 'center' }}
        ListHeaderComponent={
          <View style={{ gap: 16, paddingBottom: 8 }}>
            <AddNote shootId={id} setupId={setupId === '' ? null : setupId} />
            <Filters shootId={id} setups={log.setups} filter={filter} onFilter={setFilter} />
            <Disclosure title={texts.chart} summary={texts.chartSummary}>
              <LogChart setups={charted} />
            </Disclosure>
            <RollPart shootId={id} />
            <LogFiles shoot={shoot} setups={charted} entries={entries} notes={log.notes} />
            <Txt size="label" tone="quiet" role="status">
              {texts.shown(entries.length)}
            </Txt>
          </View>
        }
        ListEmptyComponent={<Txt tone="quiet">{log.entries.length === 0 ? texts.nothingYet : texts.nothingFound}</Txt>}
        renderItem={({ item }) => (
          <LogLine
            entry={item}
            shootId={id}
            role="article"
            when={when(item.at)}
            note={log.notes.get(item.id)}
            of={item.setupId === null ? texts.theShoot : titles.get(item.setupId)}
          />
        )}
      />
    </Screen>
  );
}
