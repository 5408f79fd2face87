import { texts } from './texts';
import { NotFoundScreen } from '@/shell/NotFoundScreen';
import { Screen } from '@/shell/Screen';
import { selectDocument } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { ChoiceList } from '@/ui/ChoiceList';
import { Disclosure } from '@/ui/Disclosure';
import { LongList } from '@/ui/LongList';
import { Txt } from '@/ui/Txt';
import { useLocalSearchParams } from 'expo-router';
import { useDeferredValue, useMemo, useState } from 'react';
import { View } from 'react-native';
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
import { type LogOf, useShootLog, useUnkept } from './useEntries';

const MOST_PX = 760;
/** An entry of two lines. */
const USUAL_ROW_PX = 84;
const idOf = ({ id }: Entry): string => id;

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
  const unkept = useUnkept();
  const when = useMemo(() => momentOf(shoot?.timeZone ?? 'UTC'), [shoot?.timeZone]);
  if (shoot === undefined) return <NotFoundScreen />;
  const head = (
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
      {entries.length === 0 && (
        <Txt tone="quiet">{log.entries.length === 0 ? texts.nothingYet : texts.nothingFound}</Txt>
      )}
    </View>
  );
  return (
    <Screen title={texts.log} place={shoot.title} up={`/shoot/${shoot.id}`}>
      <LongList
        head={head}
        items={entries}
        keyOf={idOf}
        usualPx={USUAL_ROW_PX}
        mostPx={MOST_PX}
        render={(entry, isWhole) => (
          <LogLine
            entry={entry}
            shootId={id}
            role="article"
            when={when(entry.at)}
            note={log.notes.get(entry.id)}
            isUnkept={unkept.has(entry.id)}
            isPassing={!isWhole}
            of={entry.setupId === null ? texts.theShoot : titles.get(entry.setupId)}
          />
        )}
      />
    </Screen>
  );
}
