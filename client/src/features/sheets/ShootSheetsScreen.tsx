import { texts } from './texts';
import { words } from '@/language/words';
import { NotFoundScreen } from '@/shell/NotFoundScreen';
import { PrintPart } from '@/shell/paper/PrintPart';
import { Screen } from '@/shell/Screen';
import { byId, selectDocument, selectSetups } from '@/store/selectors';
import { type Store, useAppSelector } from '@/store/store';
import { ChoiceList } from '@/ui/ChoiceList';
import { SheetView } from '@/ui/SheetView';
import { Txt } from '@/ui/Txt';
import { useLocalSearchParams } from 'expo-router';
import { useMemo, useState } from 'react';
import { ScrollView } from 'react-native';
import { useStore } from 'react-redux';

import { clientSheet, editorSheet } from '@sphene/core/sheets';
import { sheetFactsOf } from './sheetFacts';

const MOST_PX = 760;
const WHOM = ['editor', 'client'] as const;

/** What of a whole shoot is handed to somebody: to who develops it, and to who is photographed. */
export function ShootSheetsScreen() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const store = useStore() as Store;
  const shoot = useAppSelector((state) => selectDocument(state, 'shoot', id));
  const setups = useAppSelector(selectSetups);
  const documents = useAppSelector(byId);
  const isReady = useAppSelector((state) => state.documents.factsReady);
  const [whom, setWhom] = useState<(typeof WHOM)[number]>('editor');
  const sheet = useMemo(() => {
    if (!isReady || documents[id] === undefined) return null;
    const state = store.getState();
    const all = setups.filter(({ shootId }) => shootId === id).flatMap((setup) => sheetFactsOf(state, setup.id) ?? []);
    if (all.length === 0) return null;
    return whom === 'editor' ? editorSheet(all, words) : clientSheet(all, words);
  }, [store, setups, documents, id, whom, isReady]);
  if (shoot === undefined) return <NotFoundScreen />;
  return (
    <Screen title={texts.sheets} place={shoot.title} up={`/shoot/${id}`}>
      <ScrollView
        contentContainerStyle={{ padding: 16, gap: 24, maxWidth: MOST_PX, width: '100%', alignSelf: 'center' }}
      >
        <ChoiceList
          label={texts.whichSheet}
          showLabel={false}
          value={whom}
          onChoose={setWhom}
          choices={WHOM.map((value) => ({ value, label: texts[value] }))}
        />
        {sheet === null ? (
          <Txt tone="quiet">{isReady ? texts.noSetups : ''}</Txt>
        ) : (
          <>
            <SheetView sheet={sheet} />
            <PrintPart sheet={sheet} />
          </>
        )}
      </ScrollView>
    </Screen>
  );
}
