import { texts } from './texts';
import { words } from '@/language/words';
import { downloadText, fileNameOf } from '@/shell/download';
import { NotFoundScreen } from '@/shell/NotFoundScreen';
import { PrintPart } from '@/shell/paper/PrintPart';
import { Screen } from '@/shell/Screen';
import { selectSetup } from '@/store/selectors';
import { type Store, useAppSelector } from '@/store/store';
import { ActionButton } from '@/ui/ActionButton';
import { ChoiceList } from '@/ui/ChoiceList';
import { SheetView } from '@/ui/SheetView';
import { Txt } from '@/ui/Txt';
import { useLocalSearchParams } from 'expo-router';
import { useMemo, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { useStore } from 'react-redux';

import { assistantCard, CARD_SHEETS, type CardSheetKind, secondShooterSheet, stageSvg } from '@sphene/core/sheets';
import { LinksPart } from './LinksPart';
import { sheetFactsOf } from './sheetFacts';

const MOST_PX = 760;

/** What of a setup is handed to somebody: the assistant's card and the second body's sheet, on paper or by a link. */
export function SetupSheetsScreen() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const store = useStore() as Store;
  const setup = useAppSelector((state) => selectSetup(state, id));
  const isReady = useAppSelector((state) => state.documents.factsReady);
  // everything that a sheet hangs on is a document, or the clock
  const documents = useAppSelector((state) => state.documents.byId);
  const clockMs = useAppSelector((state) => state.device.clockMs);
  const [kind, setKind] = useState<CardSheetKind>('assistant');
  const sheet = useMemo(() => {
    if (!isReady || documents === undefined || clockMs === 0) return null;
    const facts = sheetFactsOf(store.getState(), id);
    if (facts === null) return null;
    return kind === 'assistant' ? assistantCard(facts, words) : secondShooterSheet(facts, words);
  }, [store, id, kind, isReady, documents, clockMs]);
  if (setup === undefined && isReady) return <NotFoundScreen />;
  const drawing = sheet?.blocks.find((block) => block.kind === 'drawing')?.drawing;
  return (
    <Screen title={texts.cards} place={setup?.title} up={`/setup/${id}`}>
      <ScrollView
        contentContainerStyle={{ padding: 16, gap: 24, maxWidth: MOST_PX, width: '100%', alignSelf: 'center' }}
      >
        <ChoiceList
          label={texts.whichSheet}
          showLabel={false}
          value={kind}
          onChoose={setKind}
          choices={CARD_SHEETS.map((value) => ({ value, label: texts[value] }))}
        />
        {sheet !== null && (
          <>
            <View style={{ gap: 8 }}>
              <Txt size="label" tone="quiet">
                {sheet.under}
              </Txt>
              <SheetView sheet={sheet} />
            </View>
            <PrintPart sheet={sheet} />
            {drawing !== undefined && (
              <View style={{ alignItems: 'flex-start' }}>
                <ActionButton
                  kind="plain"
                  icon="tray-arrow-up"
                  label={texts.stageFile}
                  onPress={() =>
                    downloadText(fileNameOf(sheet.title, 'svg'), stageSvg(drawing, sheet.title), 'image/svg+xml')
                  }
                />
              </View>
            )}
            <LinksPart setupId={id} sheet={kind} />
          </>
        )}
      </ScrollView>
    </Screen>
  );
}
